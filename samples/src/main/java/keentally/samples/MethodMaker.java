package keentally.samples;

import java.util.List;
import keentally.core.measure.Measure;
import keentally.core.method.Method;
import keentally.core.quantity.LengthUnit;
import keentally.core.setting.Values;
import keentally.core.step.StepDescription;
import keentally.core.step.Steps;

/** Methods written down in code, each setting as it would stand in a file. */
final class MethodMaker {
    private Method method;

    MethodMaker(String name, LengthUnit unit) {
        method = Method.empty(name, unit);
    }

    /** @param settings setting, value, setting, value, ... */
    MethodMaker step(String id, Object... settings) {
        StepDescription step = Steps.find(id).orElseThrow();
        Values values = Values.NONE;
        for (int i = 0; i < settings.length; i += 2) {
            values = values.withTree(step.setting((String) settings[i]).orElseThrow(), settings[i + 1]);
        }
        method = method.add(method.steps().size(), step, values);
        return this;
    }

    /** @param signal the channel that brightness is measured in */
    Method make(List<Measure> measures, String signal) {
        return method.measuring(measures).of(signal);
    }

    Method make(List<Measure> measures) {
        return method.measuring(measures);
    }
}
