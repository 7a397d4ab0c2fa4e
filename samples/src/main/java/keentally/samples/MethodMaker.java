package keentally.samples;

import java.util.List;
import keentally.core.measure.Measure;
import keentally.core.method.Method;
import keentally.core.quantity.LengthUnit;

/** Methods written down in code, each setting as it would stand in a file. */
final class MethodMaker {
    private Method method;

    MethodMaker(String name, LengthUnit unit) {
        method = Method.empty(name, unit);
    }

    /** @param settings setting, value, setting, value, ... */
    MethodMaker step(String id, Object... settings) {
        method = method.then(id, settings);
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
