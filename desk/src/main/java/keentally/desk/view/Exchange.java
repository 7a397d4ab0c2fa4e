package keentally.desk.view;

import java.awt.image.BufferedImage;
import java.awt.image.DataBufferInt;
import java.io.File;
import java.nio.IntBuffer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.util.Optional;
import java.util.function.Function;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.image.Image;
import javafx.scene.image.PixelBuffer;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;
import javafx.scene.input.Clipboard;
import javafx.scene.input.MouseEvent;
import keentally.core.view.Layers;
import keentally.core.view.StageComposer;
import keentally.core.view.Viewport;
import keentally.core.work.Work;
import keentally.desk.bring.Door;
import keentally.desk.bring.TableDialog;
import keentally.desk.look.Copies;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.desk.model.SampleActions;
import keentally.desk.stage.StageModel;
import keentally.desk.stage.StageView;
import keentally.study.picture.PictureWriter;
import keentally.study.result.PastedTable;

/** Copy and paste: what is copied is what one is at, with the keyboard or else with the mouse; else the picture as it is seen. */
final class Exchange {
    private static final DateTimeFormatter STAMP = DateTimeFormatter.ofPattern("yyyy-MM-dd-HHmmss");

    /** Fine enough for a slide. */
    private static final double MOST_SIDE = 3000;

    private static final double DENSITY = 2;

    private final DeskModel desk;
    private final StageModel stageModel;
    private final StageView stage;
    private final SampleActions samples;
    private final Door door;
    private final Path pasted;
    private Optional<Node> under = Optional.empty();

    /** @param home the program's own folder, where pasted pictures are kept */
    Exchange(DeskModel desk, StageModel stageModel, StageView stage, SampleActions samples, Door door, Path home) {
        this.desk = desk;
        this.stageModel = stageModel;
        this.stage = stage;
        this.samples = samples;
        this.door = door;
        this.pasted = home.resolve("pasted");
    }

    /** Follows the mouse. */
    void listen(Scene scene) {
        scene.addEventFilter(
                MouseEvent.MOUSE_MOVED,
                e -> under = Optional.ofNullable(e.getPickResult().getIntersectedNode()));
    }

    /** What the mouse is over. */
    Optional<Node> under() {
        return under;
    }

    void copy(Scene scene) {
        Copies.at(scene.getFocusOwner())
                .or(() -> under.flatMap(Copies::at))
                .ifPresentOrElse(
                        copying -> {
                            desk.say(Texts.of("copied"));
                            copying.run(); // may say more
                        },
                        this::copyStage);
    }

    /** The part of the picture that is on the stage. */
    private void copyStage() {
        Optional<Function<Work, Layers>> layers = stage.layersShown();
        if (layers.isEmpty()) {
            desk.say(Texts.of("copy.nothing"));
            return;
        }
        Viewport seen = stageModel.view().get().orElseThrow();
        desk.job(Texts.of("job.copy"), job -> {
            Work work = desk.work(job.cancel());
            Layers made = layers.get().apply(work);
            Viewport part = part(seen, made.picture().width(), made.picture().height());
            int[] pixels = StageComposer.compose(made, part, work);
            Platform.runLater(() -> {
                Copies.put(Copies.picture(new WritableImage(new PixelBuffer<>(
                        part.width(), part.height(), IntBuffer.wrap(pixels), PixelFormat.getIntArgbPreInstance()))));
                desk.say(Texts.of("copied.picture", String.valueOf(part.width()), String.valueOf(part.height())));
            });
        });
    }

    /** What of the picture is in the window, without the ground around it, finer than the screen shows it. */
    static Viewport part(Viewport seen, int width, int height) {
        double left = Math.max(0, seen.left());
        double top = Math.max(0, seen.top());
        double right = Math.min(width, seen.pictureX(seen.width()));
        double bottom = Math.min(height, seen.pictureY(seen.height()));
        double most = MOST_SIDE / Math.max(1, Math.max(right - left, bottom - top));
        double zoom = Math.min(seen.zoom() * DENSITY, most);
        return new Viewport(left, top, zoom, (int) Math.max(1, Math.round((right - left) * zoom)), (int)
                Math.max(1, Math.round((bottom - top) * zoom)));
    }

    /** Takes in what is on the clipboard: files, a picture, or a table. */
    void paste(Scene scene) {
        Clipboard board = Clipboard.getSystemClipboard();
        if (board.hasFiles() && !board.getFiles().isEmpty()) {
            door.open(board.getFiles().stream().map(File::toPath).toList());
        } else if (board.hasImage() && board.getImage() != null) {
            paste(board.getImage());
        } else if (board.hasString() && isTable(board.getString())) {
            TableDialog.show(scene, desk, board.getString());
        } else {
            desk.say(Texts.of("paste.nothing"));
        }
    }

    private static boolean isTable(String text) {
        try {
            return PastedTable.parse(text).rows().size() > 0;
        } catch (IllegalArgumentException e) {
            return false;
        }
    }

    private void paste(Image image) {
        samples.keep(
                Texts.of("paste.name"),
                fresh(),
                out -> PictureWriter.png(copied(image), Work.alone()).write(out));
    }

    /** Away from the interface thread: what came from the clipboard does not change any more. */
    private static BufferedImage copied(Image image) {
        int width = (int) image.getWidth();
        int height = (int) image.getHeight();
        BufferedImage copy = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        int[] pixels = ((DataBufferInt) copy.getRaster().getDataBuffer()).getData();
        image.getPixelReader().getPixels(0, 0, width, height, PixelFormat.getIntArgbInstance(), pixels, 0, width);
        return copy;
    }

    private Path fresh() {
        String stamp = LocalDateTime.now().format(STAMP);
        Path file = pasted.resolve("pasted-" + stamp + ".png");
        for (int n = 2; Files.exists(file); n++) {
            file = pasted.resolve("pasted-" + stamp + "-" + n + ".png");
        }
        return file;
    }
}
