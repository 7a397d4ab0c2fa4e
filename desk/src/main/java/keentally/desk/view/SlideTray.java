package keentally.desk.view;

import java.nio.IntBuffer;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import javafx.application.Platform;
import javafx.css.PseudoClass;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.image.Image;
import javafx.scene.image.ImageView;
import javafx.scene.image.PixelBuffer;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import keentally.core.picture.Field;
import keentally.core.picture.Picture;
import keentally.core.quantity.Scale;
import keentally.core.view.Layers;
import keentally.core.view.Pyramid;
import keentally.core.view.StageComposer;
import keentally.core.view.Viewport;
import keentally.core.words.Figures;
import keentally.core.work.Work;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.study.document.Thing.SampleThing;
import keentally.study.file.FileFault;

/** The samples, each as a labelled slide: its picture, its name, and what is missing. */
final class SlideTray extends ScrollPane {
    private static final int WIDTH = 112;
    private static final int HEIGHT = 76;
    private static final PseudoClass SELECTED = PseudoClass.getPseudoClass("selected");

    private final DeskModel desk;
    private final VBox slides = new VBox();
    private final Map<String, Image> thumbs = new HashMap<>();
    private final Set<String> asked = new HashSet<>();

    SlideTray(DeskModel desk) {
        this.desk = desk;
        setId("tray");
        getStyleClass().add("tray");
        slides.getStyleClass().add("slides");
        setFitToWidth(true);
        setHbarPolicy(ScrollBarPolicy.NEVER);
        setContent(slides);
        desk.study().addListener(o -> build());
        desk.sampleId().addListener(o -> build());
        desk.study().addListener(o -> paintMissing());
        build();
    }

    private void build() {
        slides.getChildren().clear();
        for (String id : desk.study().get().samples()) {
            desk.study()
                    .get()
                    .sample(id)
                    .ifPresent(sample -> slides.getChildren().add(slide(id, sample)));
        }
        if (slides.getChildren().isEmpty()) {
            Label hint = new Label(Texts.of("tray.empty"));
            hint.setWrapText(true);
            hint.getStyleClass().add("hint");
            slides.getChildren().add(hint);
        }
    }

    private VBox slide(String id, SampleThing sample) {
        ImageView view = new ImageView(thumbs.get(id));
        StackPane frame = new StackPane(view);
        frame.getStyleClass().add("slide-picture");
        frame.setMinSize(WIDTH, HEIGHT);
        Label name = new Label(sample.name());
        name.getStyleClass().add("slide-name");
        name.setWrapText(true);
        Label scale = new Label(sample.scale().map(SlideTray::scale).orElse(Texts.of("tray.no-scale")));
        scale.getStyleClass().add(sample.scale().isPresent() ? "slide-note" : "slide-missing");
        VBox end = new VBox(name, scale);
        end.getStyleClass().add("slide-end");
        VBox slide = new VBox(frame, end);
        slide.getStyleClass().add("slide");
        slide.setId("slide-" + id);
        slide.pseudoClassStateChanged(SELECTED, id.equals(desk.sampleId().get()));
        slide.setFocusTraversable(true);
        slide.setAccessibleText(sample.name());
        slide.setOnMouseClicked(e -> desk.show(id));
        slide.setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.ENTER) {
                desk.show(id);
            }
        });
        return slide;
    }

    private static String scale(Scale scale) {
        return Figures.number(scale.amount()) + " " + scale.unit().symbol() + "/px";
    }

    /** Reads and paints the pictures of slides that were never painted, one after another where nothing more urgent runs. */
    private void paintMissing() {
        for (String id : desk.study().get().samples()) {
            SampleThing sample = desk.study().get().sample(id).orElseThrow();
            if (asked.add(id + sample.file())) {
                desk.whenIdle(cancel -> paint(id, sample, desk.work(cancel)));
            }
        }
    }

    private void paint(String id, SampleThing sample, Work work) {
        try {
            Picture picture =
                    desk.holding().get().shelf().take(sample.picture()).file().picture();
            int width = picture.width();
            int height = picture.height();
            double zoom = Math.max((double) WIDTH / width, (double) HEIGHT / height);
            Viewport view = Viewport.centred(width / 2.0, height / 2.0, zoom, WIDTH, HEIGHT);
            int[] pixels = StageComposer.compose(
                    Layers.bare(Pyramid.of(picture, work), Field.whole(width, height)), view, work);
            Platform.runLater(() -> {
                thumbs.put(
                        id,
                        new WritableImage(new PixelBuffer<>(
                                WIDTH, HEIGHT, IntBuffer.wrap(pixels), PixelFormat.getIntArgbPreInstance())));
                build();
            });
        } catch (FileFault e) {
            Platform.runLater(() -> desk.say(e.getMessage()));
        }
    }
}
