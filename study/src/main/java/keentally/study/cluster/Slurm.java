package keentally.study.cluster;

import java.io.BufferedReader;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import keentally.study.file.FileFault;

/** A Slurm cluster, by the commands that are on its login nodes: sbatch, squeue and scancel. */
final class Slurm implements Engine {
    private static final int MOST_SECONDS = 60;

    private final String folder;
    private final int seconds;

    /** By the commands that are found on the way. */
    Slurm() {
        this("", MOST_SECONDS);
    }

    /**
     * By commands that lie elsewhere.
     *
     * @param folder that they are in, ending in a slash; empty for where they are found
     * @param seconds that each may take
     */
    Slurm(String folder, int seconds) {
        this.folder = folder;
        this.seconds = seconds;
    }

    /** What a command said. */
    private record Answer(int status, String out, String err) {
        String why() {
            String said = err.isBlank() ? out : err;
            return said.isBlank() ? "status " + status : said.strip().replaceAll("\\s+", " ");
        }
    }

    @Override
    public String submit(Path script, List<Integer> numbers) throws FileFault {
        String array = numbers.stream().map(String::valueOf).collect(Collectors.joining(","));
        Answer answer = run("sbatch", "--parsable", "--array=" + array, script.toString());
        if (answer.status() != 0) {
            throw new FileFault("Slurm does not take the parts: " + answer.why());
        }
        return answer.out().strip().split(";")[0]; // the cluster's name may stand behind it
    }

    @Override
    public int active(String job) throws FileFault {
        Answer answer = run("squeue", "--noheader", "--array", "--jobs=" + job, "--format=%i");
        if (answer.status() != 0) {
            if (answer.err().contains("Invalid job id")) {
                return 0; // ended so long ago that it is forgotten
            }
            throw new FileFault("Slurm does not say how the parts stand: " + answer.why());
        }
        return (int) answer.out().lines().filter(l -> !l.isBlank()).count();
    }

    @Override
    public void cancel(String job) {
        try {
            run("scancel", job);
        } catch (FileFault e) {
            // nobody is there to be told; its parts write records that a later call finds
        }
    }

    private Answer run(String... words) throws FileFault {
        try {
            List<String> all = new ArrayList<>(List.of(words));
            all.set(0, folder + words[0]);
            Process process = new ProcessBuilder(all).start();
            process.getOutputStream().close();
            CompletableFuture<String> out = text(process.inputReader(StandardCharsets.UTF_8));
            CompletableFuture<String> err = text(process.errorReader(StandardCharsets.UTF_8));
            if (!process.waitFor(seconds, TimeUnit.SECONDS)) {
                process.destroyForcibly();
                throw new FileFault(words[0] + " did not answer within " + seconds + " seconds.");
            }
            return new Answer(process.exitValue(), out.join(), err.join());
        } catch (IOException e) {
            throw new FileFault(
                    "There is no Slurm here: the command " + words[0]
                            + " cannot be started. Call this on a login node of"
                            + " the cluster, or without --on slurm.",
                    e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new FileFault(words[0] + " was interrupted.", e);
        }
    }

    /** Read at the same time, so that neither fills up and holds the command. */
    private static CompletableFuture<String> text(BufferedReader reader) {
        return CompletableFuture.supplyAsync(
                () -> reader.lines().collect(Collectors.joining("\n")),
                task -> Thread.ofVirtual().start(task));
    }
}
