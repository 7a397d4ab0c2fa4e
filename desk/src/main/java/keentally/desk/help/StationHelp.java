package keentally.desk.help;

import java.nio.IntBuffer;
import java.util.List;
import java.util.Optional;
import javafx.application.Platform;
import javafx.scene.control.Label;
import javafx.scene.image.ImageView;
import javafx.scene.image.PixelBuffer;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import keentally.core.run.Lanes.Urgency;
import keentally.core.run.Run;
import keentally.core.setting.ChoiceSetting;
import keentally.core.setting.Setting;
import keentally.core.step.State;
import keentally.core.step.StepDescription;
import keentally.core.view.Pyramid;
import keentally.core.view.StepFrames;
import keentally.core.words.About;
import keentally.core.words.Words;
import keentally.desk.look.Pieces;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.desk.model.Newest;

/** What a station does, on the picture at hand in three small pictures, and all its settings. */
final class StationHelp {
    private static final int WIDTH = 116;
    private static final int HEIGHT = 88;

    private final DeskModel desk;
    private final Newest newest;

    StationHelp(DeskModel desk) {
        this.desk = desk;
        this.newest = new Newest(desk, Platform::runLater, Urgency.BESIDE);
    }

    void drop() {
        newest.drop();
    }

    void fill(VBox body, StepDescription step) {
        HBox frames = new HBox(6);
        frames.setManaged(false);
        body.getChildren()
                .addAll(Prose.of(Words.question(step), "question"), Prose.of(Words.help(step), "help-text"), frames);
        About.formula(step).ifPresent(f -> body.getChildren().add(Prose.of(f, "formula")));
        if (!step.settings().isEmpty()) {
            body.getChildren().add(Pieces.head("help.settings"));
        }
        for (Setting<?> setting : step.settings()) {
            body.getChildren().add(setting(step, setting));
        }
        body.getChildren().add(HelpSide.source(About.source(step)));
        paint(frames, step);
    }

    private static VBox setting(StepDescription step, Setting<?> setting) {
        VBox box = new VBox(
                3, Prose.of(Words.label(step, setting), "help-name"), Prose.of(About.of(step, setting), "help-text"));
        box.setId("help-" + setting.id());
        if (setting instanceof ChoiceSetting<?> choice) {
            for (Enum<?> word : choice.constants()) {
                Words.help(step, choice, word)
                        .ifPresent(h -> box.getChildren()
                                .add(Prose.of(
                                        Texts.of("help.choice", Words.label(step, choice, word), h), "help-choice")));
            }
        }
        String limits = About.limits(step, setting);
        if (!limits.isEmpty()) {
            box.getChildren().add(Prose.of(limits, "hint"));
        }
        return box;
    }

    /** Where the selected station is of this kind and has been worked out. */
    private void paint(HBox row, StepDescription step) {
        String id = desk.station().get();
        Optional<Run.Station> station =
                desk.reached(id).filter(s -> s.step().description().id().equals(step.id()));
        Optional<State> before = desk.entering(id);
        if (station.isEmpty() || before.isEmpty() || desk.open().get().isEmpty()) {
            return;
        }
        Pyramid pyramid = desk.open().get().get().pyramid();
        State after = station.get().after();
        newest.ask(work -> {
            StepFrames made = StepFrames.of(before.get(), after, pyramid, WIDTH, HEIGHT, work);
            return () -> {
                List<int[]> frames = made.frames();
                for (int i = 0; i < frames.size(); i++) {
                    ImageView image = new ImageView(new WritableImage(new PixelBuffer<>(
                            WIDTH, HEIGHT, IntBuffer.wrap(frames.get(i)), PixelFormat.getIntArgbPreInstance())));
                    Label caption = new Label(Texts.of("show.step-" + (i + 1)));
                    caption.getStyleClass().add("hint");
                    row.getChildren().add(new VBox(2, image, caption));
                }
                row.setManaged(true);
            };
        });
    }
}
