package keentally.desk.starter;

import java.util.List;
import java.util.Optional;
import keentally.core.geometry.Rectangle;
import keentally.core.method.Method;
import keentally.core.quantity.Scale;
import keentally.core.run.RunFault;
import keentally.core.starter.FirstLook;
import keentally.core.starter.Spread;
import keentally.core.starter.Starter;
import keentally.core.starter.Suggestion;
import keentally.core.starter.Whole;
import keentally.core.step.State;
import keentally.core.step.StepFault;
import keentally.core.view.Layers;
import keentally.core.view.Look;
import keentally.core.view.Pyramid;
import keentally.core.view.StageComposer;
import keentally.core.view.StateLayers;
import keentally.core.view.Viewport;
import keentally.core.work.Cancel;
import keentally.core.work.Work;
import keentally.desk.model.DeskModel;
import keentally.desk.model.TrialRuns;
import keentally.study.caution.Caution;
import keentally.study.file.FileFault;
import keentally.study.picture.PictureFile;
import keentally.study.run.SampleRun;
import keentally.study.starter.AskedField;
import keentally.study.starter.Told;
import keentally.study.starter.Warning;

/** What starters say of one sample, worked out away from the interface thread: first on the sample made small, then on all of it. */
final class StarterTrials {
    static final int WIDTH = 200;
    static final int HEIGHT = 96;
    private static final double TINT = 0.5;

    private final DeskModel desk;
    private final TrialRuns trials;
    private final TrialRuns.Reading reading;
    private final Method method;
    private final boolean withCaption;
    private Optional<TrialRuns.TrialSample> sample = Optional.empty();
    private Optional<Rectangle> leftOut = Optional.empty();
    private Optional<FirstLook> look = Optional.empty();

    /**
     * Of the sample on the stage; to be made on the interface thread.
     *
     * @param withCaption whether what is burnt into the picture for people to read is asked about with the rest
     */
    StarterTrials(DeskModel desk, boolean withCaption) {
        this.desk = desk;
        this.withCaption = withCaption;
        this.trials = desk.trials();
        this.reading = trials.reading(desk.study().get(), desk.sampleId().get(), desk.methodId());
        this.method = desk.method();
    }

    /**
     * What came of a suggestion.
     *
     * @param rough whether it was tried on the small sample alone
     * @param spread how far the number may be off
     * @param caution what most likely goes wrong
     * @param pixels of the preview
     */
    record Seen(Told told, Whole of, boolean rough, Optional<Spread> spread, Optional<Caution> caution, int[] pixels) {}

    /** The likeliest first; none where the picture does not let it be asked. */
    List<Suggestion> suggestions(Starter starter, Cancel cancel) throws FileFault {
        Work work = desk.work(cancel);
        return starter.suggestions(method, look(cancel, work), work);
    }

    /** What was burnt into the picture; known once a question has been answered. */
    synchronized Optional<Rectangle> caption() {
        return leftOut;
    }

    synchronized TrialRuns.TrialSample ready(Cancel cancel) throws FileFault {
        if (sample.isEmpty()) {
            TrialRuns.TrialSample read = reading.ready(cancel);
            PictureFile file = read.open().file();
            AskedField asked =
                    AskedField.of(read.made(), desk.captions().of(file.key(), file.picture(), desk.work(cancel)));
            leftOut = asked.leftOut();
            sample = Optional.of(withCaption ? read : read.on(asked.sample()));
        }
        return sample.get();
    }

    private synchronized FirstLook look(Cancel cancel, Work work) throws FileFault {
        if (look.isEmpty()) {
            TrialRuns.TrialSample ready = ready(cancel);
            look = Optional.of(FirstLook.at(
                    State.of(
                            ready.made().picture(),
                            ready.made().field(),
                            ready.made().scale()),
                    work));
        }
        return look.get();
    }

    /** On the small sample. */
    Seen rough(Suggestion suggestion, Cancel cancel) throws FileFault, StepFault {
        return rough(suggestion, suggestion.spread(desk.work(cancel)), cancel);
    }

    /** On the small sample, without looking how far it may be off. */
    Seen glance(Suggestion suggestion, Cancel cancel) throws FileFault, StepFault {
        return rough(suggestion, Optional.empty(), cancel);
    }

    private Seen rough(Suggestion suggestion, Optional<Spread> spread, Cancel cancel) throws FileFault, StepFault {
        Work work = desk.work(cancel);
        State end = suggestion.trial(work);
        Optional<Scale> scale = ready(cancel).made().scale();
        Told told = Told.of(suggestion.rough(work), spread, scale);
        int[] pixels = preview(end, Pyramid.of(end.original(), work), work);
        return new Seen(told, suggestion.of(), !suggestion.isExact(), spread, Optional.empty(), pixels);
    }

    /** On all of the sample, with what the cautions see. */
    Seen exact(Starter starter, Suggestion suggestion, Seen rough, Cancel cancel) throws FileFault, RunFault {
        TrialRuns.TrialSample ready = ready(cancel);
        SampleRun run = trials.whole(suggestion.method(), ready, cancel);
        if (run.fault().isPresent()) {
            throw run.fault().get();
        }
        Work work = desk.work(cancel);
        State end = run.readings().orElseThrow().state();
        Told told = Told.of(suggestion.answer(end, work), rough.spread(), end.scale());
        Optional<Caution> caution = Warning.of(starter, run.cautions());
        return new Seen(told, suggestion.of(), false, rough.spread(), caution, preview(end, ready.pyramid(), work));
    }

    private static int[] preview(State end, Pyramid pyramid, Work work) {
        int width = pyramid.width();
        int height = pyramid.height();
        double zoom = Math.max((double) WIDTH / width, (double) HEIGHT / height);
        Viewport view = Viewport.centred(width / 2.0, height / 2.0, zoom, WIDTH, HEIGHT);
        Look look = new Look(Look.Overlay.OUTLINES, TINT);
        Layers seen = StateLayers.of(end, pyramid, look, StateLayers.Palette.PLAIN);
        return StageComposer.compose(seen, view, work);
    }
}
