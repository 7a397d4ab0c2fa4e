package keentally.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.SplittableRandom;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicLong;
import java.util.stream.Collectors;
import javafx.animation.AnimationTimer;
import javafx.animation.PauseTransition;
import javafx.application.Platform;
import javafx.geometry.Bounds;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.image.ImageView;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.scene.robot.Robot;
import javafx.util.Duration;
import keentally.core.draw.ShapeRenderer;
import keentally.core.geometry.Ellipse;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane;
import keentally.core.picture.Plane16;
import keentally.core.picture.Plane8;
import keentally.study.file.FileFault;
import keentally.study.picture.PictureWriter;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * How soon the stage answers the hand, and how long the interface thread stands still meanwhile; run by {@code build/window}, not with the
 * tests. An answer is the first pulse after the stage's picture was changed or moved.
 */
class WindowPace {
    private static final int STEPS = 60;
    private static final int SLOW_STEPS = 12;
    private static final int CELL = 62;
    private static final long LONGEST = 20_000;
    private static final Duration HELD = Duration.millis(80);
    private static final long STALL = 30;
    private static final long PATIENCE = 2_000;

    @TempDir
    private Path home;

    @Test
    void twelveAndAHundredMegapixels() throws Exception {
        Start.quicken();
        System.out.println(
                "| picture | what is done | answered after, median, ms | worst, ms | longest stall of the interface thread, ms |");
        System.out.println("| --- | --- | ---: | ---: | ---: |");
        measured("12 megapixels, 8 bit", seed -> bytes(4000, 3000, seed), "threshold", "split-touching");
        measured("100 megapixels, 16 bit", seed -> shorts(10_000, seed), "threshold");
    }

    /** A picture of some size; others with other seeds. */
    private interface Drawing {
        Plane of(int seed);
    }

    /** Everything is done on one picture first, to be compiled; told is what is done on another, of which nothing was worked out before. */
    private void measured(String name, Drawing drawing, String... stations) throws Exception {
        Path folder = home.resolve(stations.length + " stations");
        assertThat(folder.toFile().mkdirs()).isTrue();
        try (DeskDriver desk = DeskDriver.start(folder)) {
            // the small one first: on a picture without a method all questions would be answered
            desk.open(written(folder, "small", bytes(3000, 4000, 0)));
            desk.stations(stations);
            for (int pass = 0; pass < 2; pass++) {
                desk.open(written(folder, "large-" + pass, drawing.of(pass)));
                List<String> samples =
                        desk.onFx(() -> desk.model().study().get().samples());
                measured(desk, pass == 1 ? name : "", samples.getFirst(), samples.getLast(), stations.length > 1);
            }
        }
    }

    private static Path written(Path folder, String name, Plane plane) throws FileFault {
        Path file = folder.resolve(name + ".tif");
        PictureWriter.tiff(file, Picture.grey(plane));
        return file;
    }

    /** Cuts and depths go to places that they were not at before, so that nothing of them is known. */
    private static void measured(DeskDriver desk, String name, String small, String large, boolean isSplit)
            throws InterruptedException {
        Hand hand = new Hand(desk, name);
        show(desk, large);
        desk.click("card-1");
        hand.drags("cut moved once", "histogram", STEPS / 3, true, t -> 0.5, t -> 0.2 + 0.18 * t / (STEPS / 3));
        hand.drags("cut dragged without a pause", "histogram", STEPS, false, t -> 0.5, t -> 0.4 + 0.4 * t / STEPS);
        hand.drags(
                "panned",
                "stage",
                STEPS,
                false,
                t -> 0.5 + 0.2 * Math.sin(t / 20.0),
                t -> 0.5 + 0.2 * Math.cos(t / 17.0));
        hand.scrolls("zoomed", "stage", STEPS);
        desk.onFx(() -> {
            desk.window().stageModel().fitted().set(true);
            return null;
        });
        if (isSplit) {
            desk.click("card-2");
            hand.drags(
                    "depth of a split dragged",
                    "depth-slider",
                    STEPS / 3,
                    true,
                    t -> 0.2 + 0.5 * t / (STEPS / 3),
                    t -> 0.5);
            hand.keys("depth of a split moved by key", "depth-slider", SLOW_STEPS);
        }
        hand.acts(
                "sample changed",
                SLOW_STEPS,
                () -> desk.model().show(desk.model().sampleId().get().equals(large) ? small : large));
        show(desk, large);
        desk.click("card-1");
        hand.trial();
    }

    private static void show(DeskDriver desk, String sample) {
        desk.onFx(() -> {
            desk.model().show(sample);
            return null;
        });
        desk.quiet();
    }

    private static Plane8 bytes(int width, int height, int seed) {
        float[] drawn = discs(width, height, seed);
        byte[] values = new byte[drawn.length];
        for (int i = 0; i < values.length; i++) {
            values[i] = (byte) drawn[i];
        }
        return Plane8.of(width, height, values);
    }

    private static Plane16 shorts(int side, int seed) {
        float[] drawn = discs(side, side, seed);
        short[] values = new short[drawn.length];
        for (int i = 0; i < values.length; i++) {
            values[i] = (short) (drawn[i] * 200);
        }
        return Plane16.of(side, side, values);
    }

    private static float[] discs(int width, int height, int seed) {
        SplittableRandom random = new SplittableRandom(7 + seed);
        ShapeRenderer shapes = new ShapeRenderer(width, height);
        for (int y = CELL; y < height - CELL; y += CELL) {
            for (int x = CELL; x < width - CELL; x += CELL) {
                shapes.add(Ellipse.disc(
                        x + random.nextDouble(-6, 6), y + random.nextDouble(-6, 6), random.nextDouble(8, 34)));
            }
        }
        float[] values = shapes.plane(40, 190).values();
        for (int i = 0; i < values.length; i++) {
            values[i] += (float) random.nextDouble(-12, 12);
        }
        return values;
    }

    /** A place that changes from step to step. */
    private interface Place {
        double at(int step);
    }

    /** Does something again and again, each time once the last was answered. */
    private static final class Hand {
        private final DeskDriver desk;
        private final String name;
        private final ImageView shown;
        private final AtomicLong asked = new AtomicLong();
        private final AtomicBoolean changed = new AtomicBoolean();
        private final List<Double> answers = new ArrayList<>();
        private volatile CountDownLatch answered = new CountDownLatch(1);

        /** @param name of the picture; empty to tell nothing */
        Hand(DeskDriver desk, String name) {
            this.desk = desk;
            this.name = name;
            this.shown = desk.onFx(() -> (ImageView) desk.node("stage").lookupAll("*").stream()
                    .filter(n -> n instanceof ImageView)
                    .findFirst()
                    .orElseThrow());
            desk.onFx(() -> {
                shown.imageProperty().addListener(o -> changed.set(true));
                shown.xProperty().addListener(o -> changed.set(true));
                shown.fitWidthProperty().addListener(o -> changed.set(true));
                shown.getScene().addPostLayoutPulseListener(this::pulse);
                return null;
            });
        }

        private void pulse() {
            if (asked.get() > 0 && changed.getAndSet(false)) {
                answers.add((System.nanoTime() - asked.getAndSet(0)) / 1e6);
                answered.countDown();
            }
        }

        private void ask(Runnable what) throws InterruptedException {
            answered = new CountDownLatch(1);
            desk.onFx(() -> {
                changed.set(false);
                asked.set(System.nanoTime());
                what.run();
                return null;
            });
            if (!answered.await(PATIENCE, TimeUnit.MILLISECONDS)) {
                asked.set(0); // nothing to be seen: the picture's edge was reached, or the same values came out
            }
        }

        /** @param calm whether to wait after each step until all that hangs on it is worked out, so that an answer is surely its own */
        void drags(String what, String id, int steps, boolean calm, Place x, Place y) throws InterruptedException {
            Node node = desk.node(id);
            mouse(node, x.at(0), y.at(0));
            desk.onFx(() -> {
                new Robot().mousePress(MouseButton.PRIMARY);
                return null;
            });
            Stalls stalls = new Stalls();
            for (int i = 1; i < steps; i++) {
                Point2D to = place(node, x.at(i), y.at(i));
                ask(() -> new Robot().mouseMove(to));
                if (calm) {
                    desk.quiet();
                }
            }
            tell(what, stalls);
            desk.release();
        }

        void scrolls(String what, String id, int steps) throws InterruptedException {
            mouse(desk.node(id), 0.5, 0.5);
            Stalls stalls = new Stalls();
            for (int i = 0; i < steps; i++) {
                int way = i / 6 % 2 == 0 ? -1 : 1;
                ask(() -> new Robot().mouseWheel(way));
            }
            tell(what, stalls);
            desk.quiet();
        }

        /** The right arrow, again and again, as long as a finger rests on a key. */
        void keys(String what, String id, int times) throws InterruptedException {
            desk.onFx(() -> {
                desk.node(id).requestFocus();
                return null;
            });
            acts(what, times, () -> {
                new Robot().keyPress(KeyCode.RIGHT);
                PauseTransition held = new PauseTransition(HELD);
                held.setOnFinished(e -> new Robot().keyRelease(KeyCode.RIGHT));
                held.play();
            });
        }

        void acts(String what, int times, Runnable act) throws InterruptedException {
            Stalls stalls = new Stalls();
            for (int i = 0; i < times; i++) {
                ask(act);
                desk.quiet();
            }
            tell(what, stalls);
        }

        /** Answered by the first tile that has a picture. */
        void trial() throws InterruptedException {
            Stalls stalls = new Stalls();
            for (int i = 0; i < SLOW_STEPS; i++) {
                CountDownLatch seen = new CountDownLatch(1);
                long start = System.nanoTime();
                desk.onFx(() -> {
                    new AnimationTimer() {
                        @Override
                        public void handle(long now) {
                            Node tile = shown.getScene().lookup("#tile-0");
                            if (tile != null
                                    && tile.lookupAll("*").stream()
                                            .anyMatch(n -> n instanceof ImageView v && v.getImage() != null)) {
                                stop();
                                answers.add((System.nanoTime() - start) / 1e6);
                                seen.countDown();
                            }
                        }
                    }.start();
                    new Robot().keyType(KeyCode.T);
                    return null;
                });
                assertThat(seen.await(LONGEST, TimeUnit.MILLISECONDS)).isTrue();
                desk.quiet();
                desk.keys(KeyCode.T);
            }
            tell("trial sheet opened, to its first tile", stalls);
        }

        private void mouse(Node node, double x, double y) {
            Point2D to = place(node, x, y);
            desk.onFx(() -> {
                new Robot().mouseMove(to);
                return null;
            });
            desk.quiet();
        }

        private Point2D place(Node node, double x, double y) {
            return desk.onFx(() -> {
                Bounds box = node.localToScreen(node.getBoundsInLocal());
                return new Point2D(box.getMinX() + x * box.getWidth(), box.getMinY() + y * box.getHeight());
            });
        }

        private void tell(String what, Stalls stalls) throws InterruptedException {
            double stall = stalls.longest();
            answers.sort(null);
            if (!name.isEmpty() && !answers.isEmpty()) {
                System.out.printf(
                        Locale.ROOT,
                        "| %s | %s | %.0f | %.0f | %.0f |%n",
                        name,
                        what,
                        answers.get(answers.size() / 2),
                        answers.getLast(),
                        stall);
            }
            answers.clear();
        }
    }

    /** How long the interface thread takes at most to come to something small that is asked of it. */
    private static final class Stalls {
        private final AtomicLong longest = new AtomicLong();
        private final AtomicBoolean over = new AtomicBoolean();
        private final Thread watch = Thread.ofPlatform().daemon().start(() -> {
            while (!over.get()) {
                CountDownLatch done = new CountDownLatch(1);
                long start = System.nanoTime();
                Platform.runLater(() -> {
                    longest.accumulateAndGet(System.nanoTime() - start, Math::max);
                    done.countDown();
                });
                try {
                    while (!done.await(STALL, TimeUnit.MILLISECONDS)) {
                        tellWhere();
                    }
                    Thread.sleep(2);
                } catch (InterruptedException e) {
                    return;
                }
            }
        });

        /** What the interface thread is at; with {@code -Dstalls=true}. */
        private static void tellWhere() {
            if (Boolean.getBoolean("stalls")) {
                Thread.getAllStackTraces().forEach((thread, frames) -> {
                    if (thread.getName().equals("JavaFX Application Thread")) {
                        System.out.println(Arrays.stream(frames)
                                .limit(24)
                                .map(StackTraceElement::toString)
                                .collect(Collectors.joining("\n  ", "stalled at\n  ", "")));
                    }
                });
            }
        }

        double longest() throws InterruptedException {
            over.set(true);
            watch.join();
            return longest.get() / 1e6;
        }
    }
}
