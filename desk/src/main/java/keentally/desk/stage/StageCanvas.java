package keentally.desk.stage;

import java.nio.IntBuffer;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.application.Platform;
import javafx.scene.Group;
import javafx.scene.image.ImageView;
import javafx.scene.image.PixelBuffer;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;
import javafx.scene.shape.Line;
import javafx.scene.shape.Rectangle;
import keentally.core.geometry.Point;
import keentally.core.view.Viewport;
import keentally.core.work.Cancel;
import keentally.desk.model.DeskModel;

/** Shows what its painter painted, and moves it along until the next is there. */
public final class StageCanvas extends Region {
    private static final double CROSS = 14;
    private static final double CROSS_GAP = 4;

    private final DeskModel desk;
    private final Painter painter;
    private final ImageView shown = new ImageView();
    private final Pane over = new Pane();
    private final Group pointer = cross();
    private Viewport wanted;
    private Viewport painted;

    public StageCanvas(DeskModel desk, Consumer<Throwable> onCrash) {
        this.desk = desk;
        this.painter = new Painter(
                desk.work(new Cancel()),
                (view, pixels) -> Platform.runLater(() -> show(view, pixels)),
                desk::hold,
                onCrash);
        setMouseTransparent(true);
        setManaged(false);
        shown.setManaged(false);
        over.setManaged(false);
        getChildren().addAll(shown, over, pointer);
        Rectangle clip = new Rectangle();
        clip.widthProperty().bind(widthProperty());
        clip.heightProperty().bind(heightProperty());
        setClip(clip);
    }

    /** Asks for a scene; until it is painted, the last one is moved to where it belongs. */
    public void paint(Scene scene) {
        desk.hurry();
        wanted = scene.view();
        follow();
        painter.paint(scene);
    }

    /** Where handles and lines lie that follow the hand. */
    public Pane over() {
        return over;
    }

    /** Marks the place that the pointer is at in the other of two views; none where it is not there. */
    public void point(Optional<Point> window) {
        pointer.setVisible(window.isPresent());
        window.ifPresent(p -> {
            pointer.setTranslateX(Math.rint(p.x()));
            pointer.setTranslateY(Math.rint(p.y()));
        });
    }

    private static Group cross() {
        Group cross = new Group();
        for (String layer : List.of("mark-under", "mark-over")) {
            for (int sign : new int[] {-1, 1}) {
                Line across = new Line(sign * CROSS_GAP, 0.5, sign * CROSS, 0.5);
                Line down = new Line(0.5, sign * CROSS_GAP, 0.5, sign * CROSS);
                across.getStyleClass().setAll(layer);
                down.getStyleClass().setAll(layer);
                cross.getChildren().addAll(across, down);
            }
        }
        cross.setManaged(false);
        cross.setVisible(false);
        return cross;
    }

    /** Shows nothing. */
    public void clear() {
        wanted = null;
        shown.setImage(null);
    }

    private void follow() {
        if (painted == null || wanted == null) {
            return;
        }
        double scale = wanted.zoom() / painted.zoom();
        shown.setX(wanted.windowX(painted.left()));
        shown.setY(wanted.windowY(painted.top()));
        shown.setFitWidth(painted.width() * scale);
        shown.setFitHeight(painted.height() * scale);
    }

    private void show(Viewport view, int[] pixels) {
        if (wanted == null) {
            return; // cleared while it was painted
        }
        PixelBuffer<IntBuffer> buffer = new PixelBuffer<>(
                view.width(), view.height(), IntBuffer.wrap(pixels), PixelFormat.getIntArgbPreInstance());
        shown.setImage(new WritableImage(buffer));
        painted = view;
        follow();
        seen();
    }

    /** Tells that the stage shows what was asked for behind the pulse that brings it: what hangs on that does not hold it up. */
    private void seen() {
        var scene = getScene();
        if (scene == null) {
            desk.seen();
            return;
        }
        scene.addPostLayoutPulseListener(new Runnable() {
            @Override
            public void run() {
                scene.removePostLayoutPulseListener(this);
                Platform.runLater(desk::seen);
            }
        });
    }

    /** Whether everything asked for is shown. */
    public boolean quiet() {
        return painter.quiet();
    }

    public void close() {
        painter.close();
    }
}
