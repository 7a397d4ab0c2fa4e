package keentally.speed;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.Map;
import keentally.core.filter.Gaussian;
import keentally.core.picture.PlaneF;
import keentally.core.work.Cancel;
import keentally.core.work.Work;
import keentally.core.work.Workers;

/** Milliseconds that general numeric libraries take for what some benchmarks do, on the same drawn picture. */
final class Beside {
    private Beside() {}

    /** @param script where it stands, from the folder that this was started in */
    static Map<String, Double> times(Path script) throws IOException, InterruptedException {
        Path folder = Files.createTempDirectory("beside");
        try (Workers workers = Workers.of(2)) {
            Work work = new Work(workers, new Cancel());
            PlaneF floats = Drawn.floats(work);
            Files.write(folder.resolve("bytes.raw"), Drawn.bytes(floats).values());
            Files.write(
                    folder.resolve("smooth.raw"),
                    Drawn.bytes(Gaussian.of(floats, 2, work)).values());
            Process python = new ProcessBuilder(
                            "/usr/bin/python3",
                            script.toString(),
                            folder.toString(),
                            String.valueOf(Drawn.WIDTH),
                            String.valueOf(Drawn.HEIGHT))
                    .redirectError(ProcessBuilder.Redirect.INHERIT)
                    .start();
            Map<String, Double> times = new HashMap<>();
            python.inputReader().lines().forEach(line -> {
                String[] words = line.split(" ");
                times.put(words[0], Double.parseDouble(words[1]));
            });
            if (python.waitFor() != 0) {
                throw new IOException(script + " ended with " + python.exitValue());
            }
            return times;
        } finally {
            Files.deleteIfExists(folder.resolve("bytes.raw"));
            Files.deleteIfExists(folder.resolve("smooth.raw"));
            Files.deleteIfExists(folder);
        }
    }
}
