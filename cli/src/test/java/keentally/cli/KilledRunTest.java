package keentally.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.TreeMap;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import keentally.core.picture.Plane8;
import keentally.study.file.FileFault;
import keentally.study.file.Sha256;
import keentally.study.picture.PictureWriter;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * Kills a run of the program again and again, at moments of every kind: what was there before stays, or the new is there whole; nothing
 * is hidden, and nothing is left behind once a run comes to its end. {@code -Dkeentally.kills} says how often.
 */
class KilledRunTest {
    private static final int KILLS = Integer.getInteger("keentally.kills", 5);
    private static final long EARLIEST_MS = 200;

    @TempDir
    private Path folder;

    private final SplittableRandom random = new SplittableRandom(17);

    private Process start(Path out) throws IOException {
        List<String> words = new ArrayList<>(List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-XX:TieredStopAtLevel=1",
                "-Djava.awt.headless=true",
                "-Dkeentally.home=" + folder.resolve("home"),
                "-cp",
                System.getProperty("java.class.path"),
                "keentally.cli.Main",
                "run",
                folder.resolve("m.method.json").toString()));
        for (int i = 0; i < 4; i++) {
            words.add(folder.resolve("p" + i + ".png").toString());
        }
        words.addAll(List.of("--out", out.toString()));
        File said = folder.resolve("said.txt").toFile();
        return new ProcessBuilder(words)
                .redirectErrorStream(true)
                .redirectOutput(said)
                .start();
    }

    private void prepare() throws IOException, FileFault {
        for (int i = 0; i < 4; i++) {
            byte[] values = new byte[160 * 120];
            for (int p = 0; p < values.length; p++) {
                values[p] = (byte) (p / 160 / 15 % 2 == 0 && p % 160 / 20 % 2 == 0 ? 200 - i : 20);
            }
            PictureWriter.png(folder.resolve("p" + i + ".png"), Plane8.of(160, 120, values));
        }
        Files.writeString(
                folder.resolve("m.method.json"),
                "{\"format\":\"keen-tally-method\",\"version\":1,\"steps\":[{\"step\":\"threshold\"}]}");
    }

    /** What a person sees in the folder, but for the times that differ from run to run. */
    private static Map<String, String> seen(Path out) throws IOException, FileFault {
        Map<String, String> seen = new TreeMap<>();
        if (Files.exists(out)) {
            try (Stream<Path> all = Files.walk(out)) {
                for (Path file : all.filter(Files::isRegularFile).toList()) {
                    String name = out.relativize(file).toString();
                    if (!name.startsWith(".")) {
                        seen.put(name, name.equals("run.json") ? "" : Sha256.of(file));
                    }
                }
            }
        }
        return seen;
    }

    @Test
    void aKilledRunLosesNothingAndHidesNothing() throws Exception {
        prepare();
        Path reference = folder.resolve("reference");
        long start = System.nanoTime();
        assertThat(start(reference).waitFor()).isZero();
        long whole = TimeUnit.NANOSECONDS.toMillis(System.nanoTime() - start);
        Map<String, String> complete = seen(reference);
        assertThat(complete).hasSizeGreaterThan(15);
        Path out = folder.resolve("out");
        boolean before = false;
        int moving = 0;
        for (int kill = 0; kill < KILLS; kill++) {
            Process run = start(out);
            boolean ended = run.waitFor(
                    random.nextLong(EARLIEST_MS, Math.max(EARLIEST_MS + 1, whole + 200)), TimeUnit.MILLISECONDS);
            run.destroyForcibly().waitFor();
            boolean unfinished = Files.exists(out.resolve(".keen-tally-part/complete.json"));
            moving += unfinished ? 1 : 0;
            if (!unfinished) {
                Map<String, String> now = seen(out);
                if (before || ended || !now.isEmpty()) {
                    assertThat(now).as("after kill %d", kill).isEqualTo(complete);
                }
                before |= !now.isEmpty();
            } else {
                before = true;
            }
        }
        assertThat(start(out).waitFor()).isZero();
        assertThat(seen(out)).isEqualTo(complete);
        try (Stream<Path> left = Files.list(out)) {
            assertThat(left.map(p -> p.getFileName().toString())).noneMatch(n -> n.startsWith("."));
        }
        System.out.println(KILLS + " kills of a run, " + moving + " of them while results were moved: none lost");
    }
}
