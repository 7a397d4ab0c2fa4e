package keentally.core.starter;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import keentally.core.geometry.Ellipse;
import keentally.core.method.Method;
import keentally.core.method.MethodStep;
import keentally.core.quantity.LengthUnit;
import keentally.core.step.Site;
import keentally.core.step.State;
import keentally.core.step.StepFault;
import keentally.core.work.Work;

/**
 * A method as far as it was laid out, on a picture that may have been made small, and what it comes to there.
 *
 * @param state at its end
 */
record Trail(List<Laid> laid, State state, Work work) {
    /** The spread of a Gaussian that calms the noise of pixels as much as averaging whole squares of a side does, in sides. */
    private static final double AS_CALM = 1 / (2 * Math.sqrt(Math.PI));

    /** Before these the picture is still as it came. */
    private static final Set<String> BEFORE_SMOOTHING = Set.of("within", "channel");

    private static final MathContext THREE_DIGITS = new MathContext(3);

    static final Method NOTHING = Method.empty("a trail", LengthUnit.PX);

    /** A step as it was laid. */
    record Laid(String step, List<Object> settings) {}

    /** Pixels of the small picture: a length, an area, or an ellipse. */
    record Px(int power, List<Double> amounts) {
        static Px length(double amount) {
            return new Px(1, List.of(amount));
        }

        static Px area(double amount) {
            return new Px(2, List.of(amount));
        }

        static Px ellipse(List<Double> amounts) {
            return new Px(0, amounts);
        }

        /** As a step takes it, on a picture so many times as wide, of which this one is a part. */
        Object enlarged(int factor, int left, int top) {
            return switch (power) {
                case 1 -> told(amounts.getFirst() * factor) + " px";
                case 2 -> told(amounts.getFirst() * factor * factor) + " px2";
                default ->
                    List.of(
                            amounts.get(0) * factor + left,
                            amounts.get(1) * factor + top,
                            amounts.get(2) * factor,
                            amounts.get(3) * factor);
            };
        }

        private static String told(double amount) {
            return new BigDecimal(amount)
                    .round(THREE_DIGITS)
                    .stripTrailingZeros()
                    .toPlainString();
        }
    }

    static Trail from(State start, Work work) {
        return new Trail(List.of(), start, work);
    }

    /** One step further. */
    Trail then(String step, Object... settings) throws StepFault {
        List<Laid> longer = new ArrayList<>(laid);
        Laid next = new Laid(step, List.of(settings));
        longer.add(next);
        MethodStep last = added(NOTHING, next, 1, 0, 0).steps().getLast();
        return new Trail(List.copyOf(longer), after(last, state, NOTHING.signal(), work), work);
    }

    /** Within the round field. */
    Trail within(Ellipse rim) throws StepFault {
        List<Double> at = List.of(
                (double) Math.round(rim.cx()), (double) Math.round(rim.cy()), Math.floor(rim.a()), Math.floor(rim.b()));
        return then("within", "part", "ellipse", "at", Px.ellipse(at));
    }

    /** What a method comes to. */
    static State along(Method method, State start, Work work) throws StepFault {
        State state = start;
        for (MethodStep step : method.steps()) {
            state = after(step, state, method.signal(), work);
        }
        return state;
    }

    private static State after(MethodStep step, State before, String signal, Work work) throws StepFault {
        return step.description()
                .make()
                .apply(step.values())
                .apply(before, Site.of(step.id(), signal, work))
                .state();
    }

    /** The method, for the picture that it was laid out on. */
    Method lay(Method empty) {
        return lay(empty, 1, 0, 0);
    }

    /** The method, for the sample that the picture that it was laid out on was made small from. */
    Method lay(Method empty, Small on) {
        return lay(empty, on.factor(), on.left(), on.top());
    }

    private Method lay(Method empty, int factor, int left, int top) {
        Method method = empty.with(List.of());
        boolean calm = factor == 1 || laid.stream().anyMatch(l -> l.step().equals("smooth"));
        for (Laid step : laid) {
            if (!calm && !BEFORE_SMOOTHING.contains(step.step())) {
                method = method.then("smooth", "sigma", Px.length(AS_CALM).enlarged(factor, 0, 0));
                calm = true;
            }
            method = added(method, step, factor, left, top);
        }
        return method;
    }

    private static Method added(Method method, Laid step, int factor, int left, int top) {
        return method.then(
                step.step(),
                step.settings().stream()
                        .map(s -> s instanceof Px px ? px.enlarged(factor, left, top) : s)
                        .toArray());
    }
}
