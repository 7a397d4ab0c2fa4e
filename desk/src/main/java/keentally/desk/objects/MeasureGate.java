package keentally.desk.objects;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.Optional;
import java.util.OptionalDouble;
import keentally.core.measure.Measure;
import keentally.core.method.Method;
import keentally.core.method.MethodStep;
import keentally.core.quantity.Area;
import keentally.core.quantity.Length;
import keentally.core.quantity.Limit;
import keentally.core.setting.LimitSetting;
import keentally.core.setting.Values;
import keentally.core.step.GateStep;
import keentally.core.step.StepDescription;
import keentally.core.step.Steps;
import keentally.core.words.Words;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;

/** The last gate of the method on one measure, its ends in the numbers that the desk shows. */
final class MeasureGate {
    private static final MathContext THREE_DIGITS = new MathContext(3);
    private static final StepDescription GATE = Steps.find(GateStep.ID).orElseThrow();

    private final DeskModel desk;
    private final Measure measure;

    MeasureGate(DeskModel desk, Measure measure) {
        this.desk = desk;
        this.measure = measure;
    }

    /** What a gate keeps, both ends included; infinite where an end is open. */
    record Range(double low, double high) {
        static final Range ALL = new Range(Double.NEGATIVE_INFINITY, Double.POSITIVE_INFINITY);

        boolean holds(double value) {
            return value >= low && value <= high;
        }
    }

    Optional<MethodStep> step() {
        return desk.method().steps().stream()
                .filter(s -> s.description().id().equals("gate") && !s.muted())
                .filter(s -> measure.id().equals(measureOf(s)))
                .reduce((a, b) -> b);
    }

    private static String measureOf(MethodStep gate) {
        return String.valueOf(gate.values().canonical(GATE.settings()).get(GateStep.MEASURE.id()));
    }

    /** Of the measure that a gate is on. */
    static String titleOf(MethodStep gate) {
        return Measure.find(measureOf(gate)).map(Words::title).orElse("");
    }

    Range range() {
        return step().map(s -> new Range(
                        end(s, GateStep.AT_LEAST).orElse(Double.NEGATIVE_INFINITY),
                        end(s, GateStep.AT_MOST).orElse(Double.POSITIVE_INFINITY)))
                .orElse(Range.ALL);
    }

    /** Nothing where it is open, or cannot be told in the unit shown. */
    private OptionalDouble end(MethodStep step, LimitSetting end) {
        Optional<Limit> limit = step.values().find(end);
        if (limit.isEmpty()) {
            return OptionalDouble.empty();
        }
        try {
            return OptionalDouble.of(limit.get().in(desk.pixelSize(), desk.scale()));
        } catch (IllegalArgumentException noScale) {
            return OptionalDouble.empty();
        }
    }

    private Limit limit(double value) {
        double rounded = new BigDecimal(value).round(THREE_DIGITS).doubleValue();
        return switch (measure.dimension()) {
            case LENGTH -> new Limit.OfLength(new Length(rounded, desk.unit()));
            case AREA -> new Limit.OfArea(new Area(rounded, desk.unit()));
            case NONE, ANGLE, SIGNAL, FLAG -> new Limit.Plain(rounded);
        };
    }

    private Values values(Values before, Range range) {
        Values measured = before.withTree(GateStep.MEASURE, measure.id());
        Values low = Double.isInfinite(range.low())
                ? measured.without(GateStep.AT_LEAST)
                : measured.with(GateStep.AT_LEAST, limit(range.low()));
        return Double.isInfinite(range.high())
                ? low.without(GateStep.AT_MOST)
                : low.with(GateStep.AT_MOST, limit(range.high()));
    }

    /** Shows what the range would keep; nothing where there is no gate yet. */
    void tryOut(Range range) {
        step().ifPresent(s -> desk.tryOut(s.id(), values(s.values(), range)));
    }

    /** Sets the gate, or adds one behind the last step. */
    void keep(Range range) {
        desk.change(Texts.of("action.gate"), m -> in(m, range));
    }

    /** A method with the gate set, or with one behind its last step. */
    Method in(Method method, Range range) {
        Optional<MethodStep> known = step();
        return known.isPresent()
                ? method.with(known.get().id(), values(known.get().values(), range))
                : method.add(method.steps().size(), GATE, values(Values.NONE, range));
    }
}
