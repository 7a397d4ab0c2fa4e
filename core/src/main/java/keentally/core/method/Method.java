package keentally.core.method;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import keentally.core.measure.Column;
import keentally.core.measure.Measure;
import keentally.core.measure.OwnColumn;
import keentally.core.measure.SampleNumber;
import keentally.core.quantity.LengthUnit;
import keentally.core.setting.Setting;
import keentally.core.setting.Values;
import keentally.core.step.Flow;
import keentally.core.step.RejoinStep;
import keentally.core.step.State;
import keentally.core.step.StepDescription;
import keentally.core.step.Steps;
import keentally.core.step.WithinStep;

/**
 * An ordered list of steps that turns a picture into objects, phases and numbers.
 *
 * @param unit rules the columns of the tables
 * @param steps ids differ
 * @param measures the columns of the table of objects, at least one
 * @param own columns that come after them, their names all different
 * @param numbers of a sample as a whole, their names all different
 * @param signal the channel of the original that brightness is taken from, or {@value State#PREPARED}
 */
public record Method(
        String name,
        LengthUnit unit,
        List<MethodStep> steps,
        List<Measure> measures,
        List<OwnColumn> own,
        List<SampleNumber> numbers,
        String signal) {
    public static final List<Measure> USUAL_MEASURES =
            List.of(Measure.AREA, Measure.ECD, Measure.CIRCULARITY, Measure.MEAN);

    public Method {
        steps = List.copyOf(steps);
        measures = List.copyOf(measures);
        own = List.copyOf(own);
        numbers = List.copyOf(numbers);
        if (own.stream().map(OwnColumn::name).distinct().count() < own.size()) {
            throw new IllegalArgumentException("the names of a method's own columns must differ");
        }
        if (numbers.stream().map(SampleNumber::name).distinct().count() < numbers.size()) {
            throw new IllegalArgumentException("the names of a method's numbers must differ");
        }
        if (measures.isEmpty()) {
            throw new IllegalArgumentException("a method needs at least one measure");
        }
        if (steps.stream().map(MethodStep::id).distinct().count() < steps.size()) {
            throw new IllegalArgumentException("the ids of a method's steps must differ");
        }
    }

    /** No step yet. */
    public static Method empty(String name, LengthUnit unit) {
        return new Method(name, unit, List.of(), USUAL_MEASURES, List.of(), List.of(), "grey");
    }

    /** The position of a step, from 0, or −1. */
    public int indexOf(String stepId) {
        return IntStream.range(0, steps.size())
                .filter(i -> steps.get(i).id().equals(stepId))
                .findFirst()
                .orElse(-1);
    }

    /** The step of an id of this method, such as {@code threshold-1}. */
    public Optional<MethodStep> step(String stepId) {
        return steps.stream().filter(s -> s.id().equals(stepId)).findFirst();
    }

    /** With one setting of one step changed; unchanged where the step is not there. */
    public <T> Method with(String stepId, Setting<T> setting, T value) {
        return change(stepId, s -> s.with(setting, value));
    }

    /** With all settings of one step changed; unchanged where the step is not there. */
    public Method with(String stepId, Values values) {
        return change(stepId, s -> s.with(values));
    }

    /** With a step switched off or on again; unchanged where it is not there. */
    public Method mute(String stepId, boolean muted) {
        return change(stepId, s -> s.muted(muted));
    }

    /** With a step held at values that it found; unchanged where it is not there. */
    public Method hold(String stepId, Values found, Held origin) {
        return with(stepId, found, Optional.of(origin));
    }

    /** With all settings of one step changed, and where they come from. */
    Method with(String stepId, Values values, Optional<Held> held) {
        return change(stepId, s -> s.with(values, held));
    }

    /** With a step fitting itself to each picture again; unchanged where it is not held. */
    public Method free(String stepId) {
        return change(stepId, MethodStep::freed);
    }

    private Method change(String stepId, UnaryOperator<MethodStep> how) {
        return with(steps.stream()
                .map(s -> s.id().equals(stepId) ? how.apply(s) : s)
                .toList());
    }

    /** With a step put in at a position, its id new in this method. */
    public Method add(int index, StepDescription description) {
        return add(index, description, Values.NONE);
    }

    /**
     * With a new step, its id new in this method.
     *
     * @param index where it will stand, from 0 to the number of steps
     */
    public Method add(int index, StepDescription description, Values values) {
        List<MethodStep> changed = new ArrayList<>(steps);
        changed.add(index, new MethodStep(newId(description), description, values, false, false));
        return with(changed);
    }

    /**
     * With a step behind the last one, told as it would stand in a file.
     *
     * @param settings setting, value, setting, value, ...
     * @throws IllegalArgumentException where there is no such step or setting, or the value does not fit
     */
    public Method then(String step, Object... settings) {
        StepDescription description =
                Steps.find(step).orElseThrow(() -> new IllegalArgumentException("there is no step '" + step + "'"));
        Values values = Values.NONE;
        for (int i = 0; i < settings.length; i += 2) {
            Object name = settings[i];
            Setting<?> setting = description
                    .setting((String) name)
                    .orElseThrow(() -> new IllegalArgumentException(step + " has no setting '" + name + "'"));
            values = values.withTree(setting, settings[i + 1]);
        }
        return add(steps.size(), description, values);
    }

    private String newId(StepDescription description) {
        int n = 1;
        while (indexOf(description.id() + "-" + n) >= 0) {
            n++;
        }
        return description.id() + "-" + n;
    }

    /** Without a step; unchanged where it is not there. */
    public Method remove(String stepId) {
        return with(steps.stream().filter(s -> !s.id().equals(stepId)).toList());
    }

    /** With a step at another position, counted among the steps that remain when it is taken out. */
    public Method move(String stepId, int index) {
        List<MethodStep> changed = new ArrayList<>(steps);
        MethodStep moved = changed.remove(indexOf(stepId));
        changed.add(index, moved);
        return with(changed);
    }

    /** With other steps in place of all. */
    public Method with(List<MethodStep> changed) {
        return new Method(name, unit, changed, measures, own, numbers, signal);
    }

    /** Under another name. */
    public Method named(String other) {
        return new Method(other, unit, steps, measures, own, numbers, signal);
    }

    /** With results in another unit of length. */
    public Method in(LengthUnit other) {
        return new Method(name, other, steps, measures, own, numbers, signal);
    }

    /** With other measures in its table. */
    public Method measuring(List<Measure> others) {
        return new Method(name, unit, steps, others, own, numbers, signal);
    }

    /**
     * With other columns of the person's own.
     *
     * @throws IllegalArgumentException where a number of the sample is about a column that is gone
     */
    public Method withOwn(List<OwnColumn> others) {
        List<SampleNumber> anew = numbers.stream()
                .map(n -> SampleNumber.of(n.name(), n.formula(), others, n.limits()))
                .toList();
        return new Method(name, unit, steps, measures, others, anew, signal);
    }

    /** With other numbers of the sample. */
    public Method withNumbers(List<SampleNumber> others) {
        return new Method(name, unit, steps, measures, own, others, signal);
    }

    /** All columns of the table of objects: its measures, then its own. */
    public List<Column> columns() {
        return Stream.concat(measures.stream().map(Column.class::cast), own.stream())
                .toList();
    }

    /** What the numbers of the sample have statistics of. */
    public List<Column> statistics() {
        return numbers.stream()
                .flatMap(n -> n.terms().stream())
                .flatMap(t -> t.column().stream())
                .distinct()
                .toList();
    }

    /** Every measure that is reported, by itself or in a formula. */
    public Set<Measure> measured() {
        EnumSet<Measure> all = EnumSet.copyOf(measures);
        Stream.concat(own.stream(), statistics().stream()).forEach(c -> {
            switch (c) {
                case Measure measure -> all.add(measure);
                case OwnColumn o -> all.addAll(o.formula().measures());
            }
        });
        return all;
    }

    /** With brightness measured in another channel of the original, or in the prepared picture. */
    public Method of(String otherSignal) {
        return new Method(name, unit, steps, measures, own, numbers, otherSignal);
    }

    /** The steps up to and with {@code upTo} that are done: those not muted. */
    public List<MethodStep> active(int upTo) {
        return steps.subList(0, Math.min(upTo, steps.size())).stream()
                .filter(s -> !s.muted())
                .toList();
    }

    /** What is there after the first {@code count} steps; what is asked for beyond what was given is not. */
    public Set<Flow> available(int count) {
        EnumSet<Flow> there = EnumSet.of(Flow.PICTURE);
        for (MethodStep step : active(count)) {
            give(there, step);
        }
        return there;
    }

    private static void give(EnumSet<Flow> there, MethodStep step) {
        step.description().too().forEach(too -> give(there, too));
        give(there, step.gives());
    }

    private static void give(EnumSet<Flow> there, Flow given) {
        if (given == Flow.PICTURE) {
            return;
        }
        there.removeIf(f -> f.compareTo(given) > 0);
        if (given == Flow.OBJECTS) {
            there.add(Flow.MASK);
        }
        there.add(given);
    }

    /** The first step that needs hand work on each sample; where there is none the method can be used on any sample as it is. */
    public Optional<MethodStep> byHand() {
        return steps.stream().filter(MethodStep::byHand).findFirst();
    }

    /** Objects can be had from a mask, since labelling is implied. */
    private static boolean has(Set<Flow> there, Flow needed) {
        return there.contains(needed) || needed == Flow.OBJECTS && there.contains(Flow.MASK);
    }

    /** Whether what the method ends in can be counted. */
    public boolean givesObjects() {
        return has(available(steps.size()), Flow.OBJECTS);
    }

    /** Why this order of steps, or a step's settings taken together, cannot work: the first reason. */
    public Optional<MethodFault> refusal() {
        EnumSet<Flow> there = EnumSet.of(Flow.PICTURE);
        int open = 0;
        for (int i = 0; i < steps.size(); i++) {
            MethodStep step = steps.get(i);
            if (step.muted()) {
                continue;
            }
            Flow needs = step.needs();
            if (!has(there, needs)) {
                return Optional.of(new MethodFault(
                        i + 1,
                        step.description().id(),
                        "needs " + word(needs) + ", but no step before it gives " + word(needs)));
            }
            open += opensPart(step) ? 1 : closesPart(step) ? -1 : 0;
            if (open < 0) {
                return Optional.of(new MethodFault(
                        i + 1, step.description().id(), "closes a part, but none is open; add 'within' before it"));
            }
            try {
                step.description().make().apply(step.values());
            } catch (IllegalArgumentException e) {
                return Optional.of(new MethodFault(i + 1, step.description().id(), e.getMessage()));
            }
            give(there, step);
        }
        return Optional.empty();
    }

    /** The steps that opened the parts that a step lies in, the outermost first; those at either end of a part lie in it. */
    public List<MethodStep> parts(String stepId) {
        List<MethodStep> open = new ArrayList<>();
        for (MethodStep step : active(Integer.MAX_VALUE)) {
            if (opensPart(step)) {
                open.add(step);
            }
            if (step.id().equals(stepId)) {
                return List.copyOf(open);
            }
            if (closesPart(step) && !open.isEmpty()) {
                open.removeLast();
            }
        }
        return List.of();
    }

    /** The steps whose parts are still open at the end, the outermost first: what is counted there is of the innermost. */
    public List<MethodStep> openParts() {
        List<MethodStep> open = new ArrayList<>();
        for (MethodStep step : active(Integer.MAX_VALUE)) {
            follow(step, open);
        }
        return List.copyOf(open);
    }

    private void follow(MethodStep step, List<MethodStep> open) {
        if (opensPart(step)) {
            open.add(step);
        } else if (closesPart(step) && !open.isEmpty()) {
            open.removeLast();
        }
    }

    /** Whether a step goes on within a part. */
    public boolean opensPart(MethodStep step) {
        return !step.muted() && step.description().id().equals(WithinStep.ID);
    }

    /** Whether a step puts a part back. */
    public boolean closesPart(MethodStep step) {
        return !step.muted() && step.description().id().equals(RejoinStep.ID);
    }

    private static String word(Flow flow) {
        return switch (flow) {
            case PICTURE -> "a picture";
            case PHASES -> "phases";
            case MASK -> "a mask";
            case OBJECTS -> "objects";
        };
    }
}
