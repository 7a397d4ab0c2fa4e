package keentally.desk.picture;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Executor;
import keentally.core.find.Caption;
import keentally.core.find.RoundField;
import keentally.core.geometry.Ellipse;
import keentally.core.geometry.Polygon;
import keentally.core.geometry.Rectangle;
import keentally.core.picture.Field;
import keentally.core.picture.Picture;
import keentally.core.run.Lanes.Urgency;
import keentally.core.work.Work;
import keentally.desk.look.Texts;
import keentally.desk.model.Address;
import keentally.desk.model.DeskModel;
import keentally.desk.model.SampleActions;
import keentally.study.document.FieldOrigin;
import keentally.study.document.Study;
import keentally.study.document.Thing.SampleThing;
import keentally.study.file.FileFault;
import keentally.study.store.PictureShelf;

/** Fences samples off: as drawn, as found, the same for all. */
public final class FieldActions {
    private final DeskModel desk;
    private final SampleActions actions;
    private final Executor ui;

    FieldActions(DeskModel desk, SampleActions actions, Executor ui) {
        this.desk = desk;
        this.actions = actions;
        this.ui = ui;
    }

    private Optional<Picture> picture() {
        return desk.open().get().map(o -> o.file().picture());
    }

    /**
     * Takes a field as it was drawn or typed; one that crosses itself or holds no pixel is refused in a sentence.
     *
     * @param origin of what is new in it
     * @param then what to do when it is known whether it was taken
     */
    void fence(List<Field.Part> drawn, FieldOrigin origin, Runnable then) {
        Optional<Picture> picture = picture();
        if (picture.isEmpty()) {
            return;
        }
        boolean crossed = drawn.stream().anyMatch(p -> p.shape() instanceof Polygon q && q.crossesItself());
        if (crossed) {
            desk.say(Texts.of("field.crossed"));
            then.run();
            return;
        }
        Address here = desk.here();
        desk.look(this, Urgency.ASKED, cancel -> {
            Optional<String> refusal = refusal(picture.get(), drawn);
            ui.execute(() -> {
                refusal.ifPresentOrElse(desk::say, () -> actions.fence(here, Texts.of("action.field"), drawn, origin));
                then.run();
            });
        });
    }

    private static Optional<String> refusal(Picture picture, List<Field.Part> drawn) {
        try {
            Field.of(picture.width(), picture.height(), drawn);
            return Optional.empty();
        } catch (IllegalArgumentException e) {
            return Optional.of(Texts.of("field.empty"));
        }
    }

    public void whole() {
        actions.fence(Texts.of("action.field.whole"), List.of());
    }

    /** Finds the rim of a tray in the picture on the stage. @param margin inward, in pixels */
    public void findRound(double margin) {
        Address here = desk.here();
        String title = Texts.of("action.field.round");
        picture()
                .ifPresent(picture -> desk.look(this, Urgency.ASKED, cancel -> {
                    Optional<Ellipse> rim = rim(picture, margin, desk.work(cancel));
                    ui.execute(() -> rim.ifPresentOrElse(
                            r -> actions.fence(here, title, List.of(new Field.Part(r, false)), FieldOrigin.FOUND),
                            () -> desk.say(Texts.of("field.no-round"))));
                }));
    }

    private static Optional<Ellipse> rim(Picture picture, double margin, Work work) {
        return RoundField.find(picture, work).flatMap(f -> f.inward(margin)).map(FieldActions::rounded);
    }

    /** To hundredths of a pixel, as people would write it. */
    private static Ellipse rounded(Ellipse e) {
        return Ellipse.disc(hundredths(e.cx()), hundredths(e.cy()), hundredths(e.a()));
    }

    private static double hundredths(double v) {
        return Math.rint(v * 100) / 100;
    }

    /** Finds the rim in every sample; those where none is seen keep their field, and are named. */
    public void findRoundInAll(double margin) {
        Study study = desk.study().get();
        Address here = desk.here();
        PictureShelf shelf = here.study().shelf();
        desk.job(Texts.of("job.find-round-all"), job -> {
            Map<String, List<Field.Part>> found = new LinkedHashMap<>();
            List<String> without = new ArrayList<>();
            for (String id : study.samples()) {
                SampleThing sample = study.sample(id).orElseThrow();
                job.at(found.size() + without.size(), study.samples().size());
                try {
                    Picture picture = shelf.take(sample.picture()).file().picture();
                    rim(picture, margin, desk.work(job.cancel()))
                            .ifPresentOrElse(
                                    r -> found.put(id, List.of(new Field.Part(r, false))),
                                    () -> without.add(sample.name()));
                } catch (FileFault e) {
                    without.add(sample.name());
                }
            }
            ui.execute(() -> {
                if (here.study() != desk.holding().get()) {
                    return;
                }
                if (!found.isEmpty()) {
                    actions.fence(
                            Texts.of("action.field.round-all", String.valueOf(found.size())), found, FieldOrigin.FOUND);
                }
                desk.say(
                        without.isEmpty()
                                ? Texts.of("field.found-all", String.valueOf(found.size()))
                                : Texts.of(
                                        "field.found-some",
                                        String.valueOf(found.size()),
                                        String.valueOf(study.samples().size()),
                                        String.join(", ", without)));
            });
        });
    }

    /** Gives the field on the stage to every sample. */
    public void sameForAll() {
        List<Field.Part> field = desk.sample().map(SampleThing::field).orElse(List.of());
        Map<String, List<Field.Part>> all = new LinkedHashMap<>();
        desk.study().get().samples().forEach(id -> all.put(id, field));
        actions.fence(Texts.of("action.field.same", String.valueOf(all.size())), all, FieldOrigin.COPIED);
    }

    /** Leaves caption strip and bar out of the field on the stage. */
    public void leaveOutCaption() {
        Address here = desk.here();
        desk.open()
                .get()
                .ifPresent(o -> desk.look(this, Urgency.ASKED, cancel -> {
                    Caption caption =
                            desk.captions().of(o.file().key(), o.file().picture(), desk.work(cancel));
                    ui.execute(() -> caption.covered()
                            .ifPresentOrElse(box -> leaveOut(here, box), () -> desk.say(Texts.of("field.no-caption"))));
                }));
    }

    private void leaveOut(Address at, Rectangle box) {
        List<Field.Part> parts = new ArrayList<>(
                desk.study().get().sample(at.sampleId()).map(SampleThing::field).orElse(List.of()));
        parts.add(new Field.Part(box, true));
        actions.fence(at, Texts.of("action.field.caption"), parts, FieldOrigin.FOUND);
    }
}
