package keentally.core.starter;

import keentally.core.method.Method;
import keentally.core.setting.Values;
import keentally.core.step.StepDescription;
import keentally.core.step.Steps;

/** A method that grows at its end. */
final class Laying {
    private Method method;

    /** @param empty whose name, unit and measures are kept */
    Laying(Method empty) {
        this.method = empty.with(java.util.List.of());
    }

    /** @param settings setting, value as in a file, setting, value, ... */
    Laying step(String id, Object... settings) {
        StepDescription step = Steps.find(id).orElseThrow();
        Values values = Values.NONE;
        for (int i = 0; i < settings.length; i += 2) {
            values = values.withTree(step.setting((String) settings[i]).orElseThrow(), settings[i + 1]);
        }
        method = method.add(method.steps().size(), step, values);
        return this;
    }

    Method method() {
        return method;
    }
}
