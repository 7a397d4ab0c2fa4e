package keentally.desk.bring;

import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.function.Consumer;
import keentally.core.bring.MaskPicture;
import keentally.core.bring.MaskPicture.How;
import keentally.core.bring.MaskPicture.Meaning;
import keentally.core.hand.Brought;
import keentally.core.method.Method;
import keentally.core.region.ObjectSet;
import keentally.core.run.Sample;
import keentally.core.setting.ChoiceSetting;
import keentally.core.step.BringMaskStep;
import keentally.core.step.Site;
import keentally.core.step.State;
import keentally.core.step.StepFault;
import keentally.core.view.Layers;
import keentally.core.view.Look;
import keentally.core.view.StageComposer;
import keentally.core.view.StateLayers;
import keentally.core.view.Viewport;
import keentally.core.words.Figures;
import keentally.core.work.Work;
import keentally.desk.look.Texts;
import keentally.desk.model.Address;
import keentally.desk.model.DeskModel;
import keentally.desk.model.MethodActions;
import keentally.desk.model.Newest;
import keentally.desk.model.OpenSample;
import keentally.study.file.FileFault;
import keentally.study.picture.PictureReader;

/** Brings in what somebody made elsewhere of the sample on the stage, without a window. */
public final class BringModel {
    private final DeskModel desk;
    private final Executor ui;
    private final Newest newest;

    /** @param ui runs what it is given on the interface thread, in order */
    public BringModel(DeskModel desk, Executor ui) {
        this.desk = desk;
        this.ui = ui;
        this.newest = new Newest(desk, ui);
    }

    /** A picture that was looked at, and the sample that it is for. */
    public record Seen(Path file, MaskPicture picture, Address here, OpenSample open, Sample sample) {}

    /**
     * How it would be if it were taken so.
     *
     * @param brought empty where it cannot be read so
     * @param told what it comes to, or why it cannot be
     * @param pixels the sample with it, in the size asked for; empty where there is nothing to show
     */
    public record Preview(How how, Optional<Brought> brought, String told, Optional<int[]> pixels) {}

    /** Reads a picture and recognises it; told on the interface thread. What is in the way is said. */
    public void look(Path file, Consumer<Seen> then) {
        Optional<OpenSample> open = desk.open().get();
        Optional<Sample> sample = desk.shown().get().map(s -> s.run().sample());
        if (open.isEmpty() || sample.isEmpty()) {
            desk.say(Texts.of("bring.no-sample"));
            return;
        }
        Address here = desk.here();
        desk.job(Texts.of("job.bring", file.getFileName()), job -> {
            try {
                MaskPicture picture = MaskPicture.of(PictureReader.read(file).picture());
                ui.execute(() -> {
                    if (desk.here().equals(here)) {
                        then.accept(new Seen(file, picture, here, open.get(), sample.get()));
                    } else {
                        desk.say(Texts.of("bring.elsewhere"));
                    }
                });
            } catch (FileFault e) {
                ui.execute(() -> desk.say(Texts.fault(e)));
            }
        });
    }

    /** What the step has to be asked for. */
    static BringMaskStep.As as(Meaning meaning) {
        return switch (meaning) {
            case MASK -> BringMaskStep.As.MASK;
            case CLASSES -> BringMaskStep.As.PHASES;
            case LABELS -> BringMaskStep.As.OBJECTS;
        };
    }

    /** The same as it stands in a file. */
    public static String word(How how) {
        return ChoiceSetting.word(as(how.meaning()));
    }

    /** Shows what it would be; told on the interface thread, unless something else is asked meanwhile. @param width of the picture, on the screen */
    void preview(Seen seen, How how, int width, int height, Consumer<Preview> then) {
        newest.ask(work -> {
            Preview made = preview(seen, how, width, height, work);
            return () -> then.accept(made);
        });
    }

    private static Preview preview(Seen seen, How how, int width, int height, Work work) {
        try {
            Sample sample = seen.sample();
            Brought brought = seen.picture()
                    .read(how, sample.picture().width(), sample.picture().height(), origin(seen, how));
            State start = State.of(sample.picture(), sample.field(), sample.scale());
            Site site =
                    new Site("", "", Optional.of(brought), Site.of("", "", work).references(), work);
            State state =
                    new BringMaskStep(as(how.meaning())).apply(start, site).state();
            Look look = new Look(how.meaning() == Meaning.LABELS ? Look.Overlay.OUTLINES : Look.Overlay.TINT, 0.5);
            Layers layers = StateLayers.of(state, seen.open().pyramid(), look, StateLayers.Palette.PLAIN);
            Viewport view =
                    Viewport.fit(sample.picture().width(), sample.picture().height(), width, height);
            return new Preview(
                    how,
                    Optional.of(brought),
                    told(state, how),
                    Optional.of(StageComposer.compose(layers, view, work)));
        } catch (IllegalArgumentException | StepFault e) {
            return new Preview(how, Optional.empty(), Texts.complaint(e.getMessage()), Optional.empty());
        }
    }

    private static String told(State state, How how) {
        return switch (how.meaning()) {
            case MASK ->
                Texts.of(
                        "bring.comes-to.mask",
                        Figures.percent(
                                100.0 * state.needMask().count() / state.field().pixels()));
            case CLASSES ->
                Texts.of(
                        "bring.comes-to.classes",
                        String.join(", ", state.needPhases().names()));
            case LABELS ->
                Texts.of(
                        "bring.comes-to.labels",
                        Figures.number(state.objects().map(ObjectSet::count).orElse(0)));
        };
    }

    /** What it is from and how it was read, for whoever asks later. */
    private static String origin(Seen seen, How how) {
        String read = switch (how.meaning()) {
            case MASK ->
                Texts.of(how.inverted() ? "bring.origin.inverted" : "bring.origin.mask", Figures.number(how.cut()));
            case CLASSES -> Texts.of("bring.origin.classes");
            case LABELS -> Texts.of("bring.origin.labels");
        };
        return Texts.of(
                "bring.origin",
                seen.file().getFileName().toString(),
                String.valueOf(seen.picture().width()),
                String.valueOf(seen.picture().height()),
                read);
    }

    /** As a further method of the study, which the sample is not turned to; answers with its id. */
    public Optional<String> take(Seen seen, Preview preview) {
        if (preview.brought().isEmpty() || !desk.isThere(seen.here())) {
            return Optional.empty();
        }
        Method method = Method.empty(
                        Texts.of("bring.method", seen.file().getFileName().toString()),
                        desk.method().unit())
                .then(BringMaskStep.ID, BringMaskStep.AS.id(), word(preview.how()));
        return new MethodActions(desk)
                .bringIn(seen.here(), method, preview.brought().get());
    }
}
