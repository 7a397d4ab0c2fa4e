package keentally.core.starter;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import keentally.core.method.Method;
import keentally.core.step.State;
import keentally.core.step.StepFault;
import keentally.core.work.Work;

/** A method that a starter lays out for a sample, tried on the sample made small. */
public final class Suggestion {
    private final Starter starter;
    private final Whole of;
    private final Method method;
    private final Optional<Way> way;
    private final Tried tried;
    private final Method after;
    private final Small on;
    private final State whole;

    /**
     * @param of what the answer is of
     * @param method for the sample itself
     * @param way it counts in; empty for questions that count nothing
     * @param tried on the small picture, which other questions may share
     * @param after what this question alone does after that
     */
    Suggestion(Starter starter, Whole of, Method method, Optional<Way> way, Tried tried, Method after, State whole) {
        this.starter = starter;
        this.of = of;
        this.method = method;
        this.way = way;
        this.tried = tried;
        this.after = after;
        this.on = tried.on();
        this.whole = whole;
    }

    public Method method() {
        return method;
    }

    /** Of the things that it counts; empty for questions that count nothing. */
    public Optional<Structure> structure() {
        return way.map(Way::structure);
    }

    /** Whether the light is made even first. */
    public boolean isMadeEven() {
        return way.filter(w -> w.light() == Way.Light.MADE_EVEN).isPresent();
    }

    /** Whether things are told from what lies round them, not by one cut. */
    public boolean isLocal() {
        return way.filter(w -> w.light() == Way.Light.LOCAL).isPresent();
    }

    /** Whether what touches is parted. */
    public boolean isParted() {
        return way.filter(Way::parted).isPresent();
    }

    public Whole of() {
        return of;
    }

    /** From 0 to 1: how well what it counts holds together; 0 for questions that count nothing. */
    public double score() {
        return way.map(Way::score).orElse(0.0);
    }

    /** Whether the trial is the answer already, as nothing was made small. */
    public boolean isExact() {
        return on.state() == whole;
    }

    /** How many pixels of the sample, along a side, one pixel of the trial is; empty where only a part of the sample was tried. */
    public Optional<Integer> factor() {
        boolean all = on.state().field().width() == whole.field().width() / on.factor()
                && on.state().field().height() == whole.field().height() / on.factor();
        return all ? Optional.of(on.factor()) : Optional.empty();
    }

    /** What the trial comes to. */
    public State trial(Work work) throws StepFault {
        return Trail.along(after, tried.end(work), work);
    }

    /** About what the method will say. */
    public Answer rough(Work work) throws StepFault {
        Answer small = starter.answer(trial(work), work);
        double value = small.value();
        double squared = (double) on.factor() * on.factor();
        return new Answer(
                small.kind(),
                switch (small.kind()) {
                    case SIZE_PX -> value * on.factor();
                    case PER_PX2 -> value / squared;
                    case COUNT -> factor().isPresent() ? value : Math.rint(value * parts(squared));
                    case SHARE, PHASES -> value;
                });
    }

    /** How many times the part that was tried fits into the sample. */
    private double parts(double squared) {
        return whole.field().pixels() / (on.state().field().pixels() * squared);
    }

    /** What the method says of the sample, at its end there. */
    public Answer answer(State atEnd, Work work) {
        return starter.answer(atEnd, work);
    }

    /** How far the answer may be off, as neighbouring settings show on the small sample; empty for a question without any. */
    public Optional<Spread> spread(Work work) throws StepFault {
        double number = starter.answer(trial(work), work).value();
        List<Double> near = new ArrayList<>();
        for (State end : tried.near(work)) {
            near.add(starter.answer(Trail.along(after, end, work), work).value());
        }
        return near.isEmpty() || !(number > 0) ? Optional.empty() : Optional.of(Spread.of(number, near));
    }
}
