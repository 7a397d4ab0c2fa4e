package keentally.core.run;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import keentally.core.measure.Ground;
import keentally.core.method.Method;
import keentally.core.method.MethodFault;
import keentally.core.method.MethodStep;
import keentally.core.picture.Channel;
import keentally.core.picture.Field;
import keentally.core.picture.Picture;
import keentally.core.quantity.MissingScaleException;
import keentally.core.step.Findings;
import keentally.core.step.Flow;
import keentally.core.step.LabelStep;
import keentally.core.step.Nimble;
import keentally.core.step.Outcome;
import keentally.core.step.References;
import keentally.core.step.Site;
import keentally.core.step.State;
import keentally.core.step.Step;
import keentally.core.step.StepFault;
import keentally.core.step.Use;
import keentally.core.work.Cancel;
import keentally.core.work.Work;
import keentally.core.work.Workers;

/**
 * Runs methods on samples. Stations whose outcome is cached are not run again; the outcome of any run is the same as without
 * a cache. Safe for many threads.
 */
public final class Runner {
    private final Workers workers;
    private final StateCache cache;
    private final References references;

    /** Without files that methods may refer to. */
    public Runner(Workers workers, StateCache cache) {
        this(workers, cache, References.NONE);
    }

    /**
     * @param cache keeps what earlier runs gave
     * @param references where pictures named by a method are read
     */
    public Runner(Workers workers, StateCache cache, References references) {
        this.workers = workers;
        this.cache = cache;
        this.references = references;
    }

    /** The work of one task, which ends when it is cancelled. */
    public Work work(Cancel cancel) {
        return new Work(workers, cancel);
    }

    /**
     * The stations of a method, one after another.
     *
     * @param upTo how many steps of the method to do, muted ones counted but not done
     * @throws RunFault where a step cannot be done; stations before it stay cached
     * @throws keentally.core.work.CancelledException where {@code cancel} was asked
     */
    public Run run(Method method, Sample sample, int upTo, Cancel cancel, Progress progress) throws RunFault {
        return run(method, sample, upTo, Ending.DONE, cancel, progress);
    }

    /**
     * As {@link #run}, but the last step answers as one that is dragged; see {@link Nimble}.
     *
     * @param every one in so many of the picture's rows is looked at
     */
    public Run dragged(Method method, Sample sample, int upTo, int every, Cancel cancel) throws RunFault {
        return run(method, sample, upTo, new Ending(Manner.DRAGGED, every), cancel, Progress.SILENT);
    }

    /** Prepares what {@link #dragged} begins with, where the last step has anything of the kind. */
    public void ready(Method method, Sample sample, int upTo, Cancel cancel) throws RunFault {
        run(method, sample, upTo, new Ending(Manner.READY, 1), cancel, Progress.SILENT);
    }

    private enum Manner {
        DONE,
        DRAGGED,
        READY
    }

    /** What becomes of the last step of a run. */
    private record Ending(Manner manner, int every) {
        static final Ending DONE = new Ending(Manner.DONE, 1);

        boolean is(Manner which) {
            return manner == which;
        }
    }

    private Run run(Method method, Sample sample, int upTo, Ending ending, Cancel cancel, Progress progress)
            throws RunFault {
        Optional<MethodFault> refusal = method.with(
                        method.steps().subList(0, Math.min(upTo, method.steps().size())))
                .refusal();
        if (refusal.isPresent()) {
            throw new RunFault(refusal.get());
        }
        List<Run.Station> stations = new ArrayList<>();
        Place place = new Place(StateKey.of(sample), sample.start());
        List<MethodStep> steps = method.active(upTo);
        for (MethodStep step : steps) {
            cancel.check();
            progress.at(stations.size(), steps.size());
            boolean isLast = stations.size() == steps.size() - 1;
            place = step(method, step, sample, place, isLast ? ending : Ending.DONE, cancel);
            stations.add(new Run.Station(step, place.state, place.outcome.findings()));
        }
        progress.at(steps.size(), steps.size());
        return new Run(method, sample, stations, place.state);
    }

    private Place step(Method method, MethodStep step, Sample sample, Place before, Ending ending, Cancel cancel)
            throws RunFault {
        Place from = before;
        if (step.needs() == Flow.OBJECTS && before.state.objects().isEmpty()) {
            from = labelled(before, cancel);
        }
        int number = method.indexOf(step.id()) + 1;
        try {
            Step made = step.description().make().apply(step.values());
            Site site = new Site(
                    step.id(),
                    method.signal(),
                    Optional.ofNullable(sample.hand().get(step.id())),
                    references,
                    work(cancel));
            StateKey key = from.key.then(step, sample, method.signal());
            boolean usesField = step.description().uses().contains(Use.FIELD);
            boolean isKnown = ending.is(Manner.DRAGGED) && cache.find(key).isPresent();
            Optional<Nimble> nimble =
                    ending.is(Manner.DONE) || isKnown ? Optional.empty() : made.nimble(from.state, ending.every());
            if (nimble.isPresent()) {
                StateKey readyKey = from.key.thenReady(step, nimble.get().beside(), sample, method.signal());
                Place ready = cached(readyKey, preparing(nimble.get()), from.state, site, usesField);
                return ending.is(Manner.READY) ? ready : answered(nimble.get(), ready, site);
            }
            if (ending.is(Manner.READY)) {
                return new Place(from.key, from.state, new Outcome(from.state, Findings.NONE));
            }
            return cached(key, made, from.state, site, usesField);
        } catch (StepFault e) {
            throw new RunFault(number, step.description().id(), e.getMessage(), e);
        } catch (MissingScaleException e) {
            throw new RunFault(number, step.description().id(), "cannot be done: " + e.getMessage(), e);
        } catch (OutOfMemoryError e) {
            throw new RunFault(
                    number, step.description().id(), "needs more memory than there is for a picture of this size", e);
        }
    }

    private static Step preparing(Nimble nimble) {
        return (state, site) -> new Outcome(nimble.prepared(state, site), Findings.NONE);
    }

    private static Place answered(Nimble nimble, Place ready, Site site) throws StepFault {
        Outcome outcome = nimble.answered(ready.state, site);
        return new Place(ready.key, outcome.state(), outcome);
    }

    private Place labelled(Place before, Cancel cancel) {
        try {
            return cached(
                    before.key.thenLabelled(), LabelStep.IMPLIED, before.state, Site.of("", "", work(cancel)), false);
        } catch (StepFault e) {
            throw new IllegalStateException("labelling a mask cannot fail", e);
        }
    }

    /** @param usesField whether the key holds the field, so that a field found with it is right, made smaller or not */
    private Place cached(StateKey key, Step step, State before, Site site, boolean usesField) throws StepFault {
        Optional<Outcome> known = cache.find(key);
        if (known.isPresent()) {
            State state = known.get().state();
            Field field = usesField ? state.field() : before.field();
            return new Place(key, state.on(field, before.scale()), known.get());
        }
        long start = System.nanoTime();
        Outcome outcome = step.apply(before, site);
        cache.put(key, outcome, System.nanoTime() - start);
        return new Place(key, outcome.state(), outcome);
    }

    /** The numbers at the end of a run; labels its mask where nothing did. */
    public Readings readings(Run run, Cancel cancel) throws RunFault {
        State last = ending(run, cancel);
        try {
            return Readings.of(run, last, ground(run, last, cancel), work(cancel));
        } catch (StepFault e) {
            throw new RunFault("The method " + e.getMessage() + ".", e);
        } catch (MissingScaleException e) {
            throw new RunFault("A column of the method cannot be worked out: " + e.getMessage() + ".", e);
        }
    }

    /** What objects are measured on; a channel of the sample is kept as a station's outcome is, since all its runs ask for it. */
    private Ground ground(Run run, State last, Cancel cancel) throws StepFault {
        String signal = run.method().signal();
        if (signal.equals(State.PREPARED)) {
            return last.ground(signal, work(cancel));
        }
        Step channel = (start, site) -> {
            Channel one = new Channel(signal, start.signal(signal, site.work()));
            return new Outcome(start.give(new Picture(List.of(one))), Findings.NONE);
        };
        Sample sample = run.sample();
        StateKey key = StateKey.of(sample).thenSignal(signal);
        Place made = cached(key, channel, sample.start(), Site.of("", signal, work(cancel)), false);
        return new Ground(made.state.plane(), last.original(), last.field(), last.scale());
    }

    /** The state at the end of a run, its objects labelled where nothing did; what can be counted, but is not measured yet. */
    public State ending(Run run, Cancel cancel) {
        State last = run.last();
        if (last.mask().isPresent() && last.objects().isEmpty()) {
            StateKey key = StateKey.of(run.sample());
            for (Run.Station station : run.stations()) {
                key = key.then(station.step(), run.sample(), run.method().signal());
            }
            last = labelled(new Place(key, last), cancel).state;
        }
        return last;
    }

    private record Place(StateKey key, State state, Outcome outcome) {
        Place(StateKey key, State state) {
            this(key, state, null);
        }
    }
}
