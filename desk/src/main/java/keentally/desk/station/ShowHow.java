package keentally.desk.station;

import java.nio.IntBuffer;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.animation.KeyFrame;
import javafx.animation.Timeline;
import javafx.application.Platform;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.RadioButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.image.ImageView;
import javafx.scene.image.PixelBuffer;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.util.Duration;
import keentally.core.method.MethodStep;
import keentally.core.run.Lanes.Urgency;
import keentally.core.run.Run;
import keentally.core.setting.ChoiceSetting;
import keentally.core.step.State;
import keentally.core.view.Pyramid;
import keentally.core.view.StepFrames;
import keentally.core.words.Headline;
import keentally.core.words.StepSentence;
import keentally.core.words.Words;
import keentally.desk.look.Pieces;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.desk.model.Newest;

/** Over the stage: what the selected station does, on the picture at hand, in three pictures that follow one another. */
public final class ShowHow extends VBox {
    private static final int WIDTH = 560;
    private static final int HEIGHT = 330;
    private static final Duration EACH = Duration.seconds(2);

    private final DeskModel desk;
    private final Newest newest;
    private final Label title = new Label();
    private final ImageView picture = new ImageView();
    private final Label told = Prose.of("", "show-told");
    private final List<RadioButton> steps = new ArrayList<>();
    private final Timeline playing = new Timeline();
    private List<WritableImage> images = List.of();
    private List<String> captions = List.of();

    public ShowHow(DeskModel desk) {
        this.desk = desk;
        this.newest = new Newest(desk, Platform::runLater, Urgency.ASKED);
        setId("show-how");
        getStyleClass().add("show-how");
        setMaxSize(USE_PREF_SIZE, USE_PREF_SIZE);
        title.getStyleClass().add("welcome-name");
        told.setPrefWidth(WIDTH);
        told.setId("show-told");
        told.setMinHeight(52); // of three lines, so that nothing jumps
        told.setAlignment(Pos.TOP_LEFT);
        picture.setFitWidth(WIDTH);
        picture.setFitHeight(HEIGHT);
        ToggleGroup group = new ToggleGroup();
        HBox row = new HBox(10);
        for (int i = 0; i < 3; i++) {
            int step = i;
            RadioButton button = new RadioButton(Texts.of("show.step-" + (i + 1)));
            button.setId("show-" + (i + 1));
            button.setToggleGroup(group);
            button.setOnAction(e -> {
                playing.stop();
                show(step);
            });
            steps.add(button);
            row.getChildren().add(button);
        }
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        row.setAlignment(Pos.CENTER_LEFT);
        row.getChildren()
                .addAll(
                        gap,
                        Pieces.button("show-again", "show.again", this::play),
                        Pieces.button("show-close", "show.close", this::close));
        getChildren().addAll(title, picture, told, row);
        setVisible(false);
        for (int i = 0; i < 3; i++) {
            int step = i;
            playing.getKeyFrames().add(new KeyFrame(EACH.multiply(i), e -> show(step)));
        }
        setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.ESCAPE) {
                close();
                e.consume();
            }
        });
        desk.station().addListener(o -> close());
        desk.sampleId().addListener(o -> close());
        desk.study().addListener(o -> close());
    }

    public ReadOnlyBooleanProperty isOpen() {
        return visibleProperty();
    }

    public void close() {
        playing.stop();
        newest.drop();
        images = List.of();
        picture.setImage(null);
        setVisible(false);
    }

    /** Shows the selected station; where there is nothing to be shown that is said. */
    public void open() {
        String id = desk.station().get();
        Optional<Run.Station> station = desk.reached(id);
        Optional<State> before = desk.entering(id);
        if (station.isEmpty() || before.isEmpty() || desk.open().get().isEmpty()) {
            desk.say(Texts.of("show.nothing"));
            return;
        }
        Pyramid pyramid = desk.open().get().get().pyramid();
        State after = station.get().after();
        newest.ask(work -> {
            StepFrames frames = StepFrames.of(before.get(), after, pyramid, WIDTH, HEIGHT, work);
            return () -> show(station.get(), frames);
        });
    }

    private void show(Run.Station station, StepFrames frames) {
        MethodStep step = station.step();
        images = frames.frames().stream().map(ShowHow::image).toList();
        String headline = Headline.of(step, station.findings(), desk.pixelSize());
        captions = List.of(
                Texts.of("show.before", Words.question(step.description())),
                StepSentence.of(step) + " " + Texts.of("show.kind." + ChoiceSetting.word(frames.kind())),
                headline.isEmpty() ? Texts.of("show.after.plain") : Texts.of("show.after", headline));
        title.setText(Words.title(step.description()));
        setVisible(true);
        play();
        steps.getFirst().requestFocus();
    }

    private void play() {
        playing.playFromStart();
    }

    private void show(int step) {
        if (step < images.size()) {
            picture.setImage(images.get(step));
            told.setText(captions.get(step));
            steps.get(step).setSelected(true);
        }
    }

    private static WritableImage image(int[] pixels) {
        return new WritableImage(
                new PixelBuffer<>(WIDTH, HEIGHT, IntBuffer.wrap(pixels), PixelFormat.getIntArgbPreInstance()));
    }
}
