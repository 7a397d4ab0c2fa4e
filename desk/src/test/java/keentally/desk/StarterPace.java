package keentally.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.SplittableRandom;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import javafx.animation.AnimationTimer;
import javafx.scene.Node;
import javafx.scene.control.Labeled;
import javax.imageio.ImageIO;
import keentally.desk.look.Texts;
import keentally.samples.DemoFiles;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * How soon a photograph of 12 megapixels is answered: from opening it to the first number, to all of them, and to all of them on the whole
 * picture; in a desk just started, and once more. Run by {@code build/window}, not with the tests.
 */
class StarterPace {
    private static final int WIDTH = 4000;
    private static final int HEIGHT = 3000;
    private static final int NOISE = 3;
    private static final long LONGEST = 120;

    @TempDir
    private Path home;

    @Test
    void ownPhotographs() throws Exception {
        Start.quicken();
        System.out.println("| photograph | desk | copy of 48 MB, ms | first number, s | all, s | all exact, s |");
        System.out.println("| --- | --- | ---: | ---: | ---: | ---: |");
        for (String title : List.of("Crumb section", "Grain tray")) {
            Path first = photograph(title, 1);
            Path second = photograph(title, 2);
            Path folder = home.resolve(title);
            assertThat(folder.toFile().mkdirs()).isTrue();
            try (DeskDriver desk = DeskDriver.start(folder)) {
                answered(desk, title + " | just started", first);
                answered(desk, title + " | warm", second);
            }
        }
    }

    /** A demo picture made large, with noise of its own. */
    private Path photograph(String title, long seed) throws Exception {
        Path file = DeskDriver.drawn().stream()
                .filter(d -> d.title().equals(title))
                .map(DemoFiles.Entry::picture)
                .findFirst()
                .orElseThrow()
                .first()
                .file();
        BufferedImage drawn = ImageIO.read(file.toFile());
        double zoom = Math.max((double) WIDTH / drawn.getWidth(), (double) HEIGHT / drawn.getHeight());
        BufferedImage large = new BufferedImage(WIDTH, HEIGHT, BufferedImage.TYPE_INT_RGB);
        Graphics2D graphics = large.createGraphics();
        graphics.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BICUBIC);
        int width = (int) Math.ceil(drawn.getWidth() * zoom);
        int height = (int) Math.ceil(drawn.getHeight() * zoom);
        graphics.drawImage(drawn, (WIDTH - width) / 2, (HEIGHT - height) / 2, width, height, null);
        graphics.dispose();
        SplittableRandom random = new SplittableRandom(seed);
        for (int y = 0; y < HEIGHT; y++) {
            for (int x = 0; x < WIDTH; x++) {
                int rgb = large.getRGB(x, y);
                int noisy = 0;
                for (int shift = 0; shift < 24; shift += 8) {
                    long value = (rgb >> shift & 255) + Math.round(NOISE * random.nextGaussian());
                    noisy |= Math.clamp(value, 0, 255) << shift;
                }
                large.setRGB(x, y, noisy);
            }
        }
        Path out = home.resolve(title + seed + ".jpg");
        ImageIO.write(large, "jpeg", out.toFile());
        return out;
    }

    private static void answered(DeskDriver desk, String what, Path picture) throws InterruptedException {
        double[] seconds = new double[3];
        CountDownLatch done = new CountDownLatch(1);
        long start = System.nanoTime();
        desk.onFx(() -> {
            int before = desk.model().study().get().samples().size();
            new AnimationTimer() {
                @Override
                public void handle(long now) {
                    List<String> numbers = numbers(desk);
                    boolean opened = desk.model().study().get().samples().size() > before;
                    if (!opened || numbers.isEmpty()) {
                        return;
                    }
                    double passed = (System.nanoTime() - start) / 1e9;
                    String waiting = Texts.of("trial.waiting");
                    String about = Texts.of("starter.about", "");
                    mark(0, numbers.stream().anyMatch(n -> !n.equals(waiting)), passed);
                    mark(1, numbers.stream().noneMatch(n -> n.equals(waiting)), passed);
                    mark(2, numbers.stream().noneMatch(n -> n.equals(waiting) || n.startsWith(about)), passed);
                    if (seconds[2] > 0) {
                        stop();
                        done.countDown();
                    }
                }

                private void mark(int at, boolean reached, double passed) {
                    seconds[at] = seconds[at] == 0 && reached ? passed : seconds[at];
                }
            }.start();
            desk.window().open(List.of(picture));
            return null;
        });
        assertThat(done.await(LONGEST, TimeUnit.SECONDS)).isTrue();
        desk.quiet();
        System.out.printf(
                Locale.ROOT,
                "| %s | %.0f | %.1f | %.1f | %.1f |%n",
                what,
                copying(),
                seconds[0],
                seconds[1],
                seconds[2]);
    }

    /** The median of the milliseconds that a copy of 48 MB takes, into memory that is there already. */
    private static double copying() {
        byte[] from = new byte[48_000_000];
        byte[] to = new byte[from.length];
        double[] times = new double[21];
        for (int i = 0; i < times.length; i++) {
            long start = System.nanoTime();
            System.arraycopy(from, 0, to, 0, to.length);
            times[i] = (System.nanoTime() - start) / 1e6;
        }
        Arrays.sort(times);
        return times[times.length / 2];
    }

    /** Of the questions that can be asked. */
    private static List<String> numbers(DeskDriver desk) {
        return desk.node("stage").getScene().getRoot().lookupAll(".starter-number").stream()
                .filter(Node::isVisible)
                .map(n -> ((Labeled) n).getText())
                .toList();
    }
}
