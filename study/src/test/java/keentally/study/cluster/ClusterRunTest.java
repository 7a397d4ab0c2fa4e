package keentally.study.cluster;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Stream;
import keentally.core.quantity.Scale;
import keentally.core.work.Cancel;
import keentally.core.work.CancelledException;
import keentally.core.work.Workers;
import keentally.study.DotSamples;
import keentally.study.document.Study;
import keentally.study.file.FileFault;
import keentally.study.file.Sha256;
import keentally.study.result.BatchRun;
import keentally.study.result.PartRun;
import keentally.study.result.PictureOrder;
import keentally.study.result.RunOrder;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class ClusterRunTest {
    private static final int SAMPLES = 11;
    private static final int PARTS = 4;

    @TempDir
    Path folder;

    private final Workers workers = Workers.of(2);
    private Study study;

    @BeforeEach
    void samples() throws Exception {
        study = DotSamples.study(folder, SAMPLES);
    }

    @AfterEach
    void close() {
        workers.close();
    }

    private RunOrder order(Path out) {
        List<PictureOrder> samples = study.samples().stream()
                .map(id -> study.sample(id).orElseThrow().picture())
                .map(p -> new PictureOrder(Optional.empty(), p, Optional.of(Scale.of("2 um/px")), false, List.of()))
                .toList();
        return new RunOrder(study.method(Study.FIRST_METHOD), samples, out, 1, false);
    }

    /** Runs tasks here, one each time that it is asked how many are left, and loses some of them. */
    private final class Here implements Engine {
        final List<List<Integer>> submitted = new ArrayList<>();
        final List<String> cancelled = new ArrayList<>();
        final Set<Integer> lost = new TreeSet<>();
        private final RunOrder order;
        private final List<Integer> waiting = new ArrayList<>();
        private boolean losing = true;

        Here(RunOrder order) {
            this.order = order;
        }

        Here losing(Integer... parts) {
            lost.addAll(List.of(parts));
            return this;
        }

        @Override
        public String submit(Path script, List<Integer> numbers) {
            assertThat(script).exists();
            submitted.add(numbers);
            waiting.addAll(numbers);
            losing = submitted.size() == 1 || lost.contains(0);
            return "7";
        }

        @Override
        public int active(String job) throws FileFault {
            assertThat(job).isEqualTo("7");
            if (waiting.isEmpty()) {
                return 0;
            }
            int part = waiting.removeFirst();
            if (!losing || !lost.contains(part)) {
                PartRun.run(order, new PartRun.Part(part, PARTS), workers, new Cancel(), BatchRun.Watcher.SILENT);
            }
            return waiting.size();
        }

        @Override
        public void cancel(String job) {
            cancelled.add(job);
        }
    }

    private static ClusterRun on(Engine engine, RunOrder order) {
        return ClusterRun.on(engine, order, PARTS, List.of("/opt/keen tally/run"), () -> {});
    }

    private static Map<String, String> files(Path out) throws IOException, FileFault {
        Map<String, String> files = new TreeMap<>();
        try (Stream<Path> all = Files.walk(out)) {
            for (Path file : all.filter(Files::isRegularFile).toList()) {
                files.put(out.relativize(file).toString(), Sha256.of(file));
            }
        }
        return files;
    }

    @Test
    void partsThatGetLostAreHandedOverAgainAndTheBytesAreThoseOfOneRun() throws Exception {
        Path plain = folder.resolve("plain");
        BatchRun.run(order(plain), workers, new Cancel(), BatchRun.Watcher.SILENT);
        Path out = folder.resolve("out");
        Here engine = new Here(order(out)).losing(2, 4);
        List<Integer> told = new ArrayList<>();
        assertThat(on(engine, order(out)).run(new Cancel(), (done, of, turn) -> told.add(done)))
                .isZero();
        assertThat(engine.submitted).containsExactly(List.of(1, 2, 3, 4), List.of(2, 4));
        assertThat(told).isSorted().startsWith(0).endsWith(SAMPLES);
        assertThat(files(out)).isEqualTo(files(plain));
    }

    @Test
    void whatIsLostAgainAndAgainIsSaidAndNothingThatIsDoneIsLost() throws Exception {
        Path out = folder.resolve("out");
        Here engine = new Here(order(out)).losing(0, 3);
        assertThatThrownBy(() -> on(engine, order(out)).run(new Cancel(), (done, of, turn) -> {}))
                .isInstanceOf(FileFault.class)
                .hasMessageContaining("Some parts were lost 3 times")
                .hasMessageContaining("3 of 11 samples have no record yet: p2, p6, p10");
        Here again = new Here(order(out));
        assertThat(on(again, order(out)).run(new Cancel(), (done, of, turn) -> {}))
                .isZero();
        assertThat(again.submitted).as("only what is missing").containsExactly(List.of(3));
    }

    @Test
    void stoppedItTakesBackWhatRunsAndCanBeCalledAgain() throws Exception {
        Path out = folder.resolve("out");
        Here engine = new Here(order(out));
        Cancel cancel = new Cancel();
        assertThatThrownBy(() -> on(engine, order(out)).run(cancel, (done, of, turn) -> {
                    if (done > 3) {
                        cancel.ask();
                    }
                }))
                .isInstanceOf(CancelledException.class);
        assertThat(engine.cancelled).containsExactly("7");
        assertThat(on(new Here(order(out)), order(out)).run(new Cancel(), (done, of, turn) -> {}))
                .isZero();
        assertThat(out.resolve("samples.csv")).exists();
    }

    @Test
    void theScriptIsReadByAShellAndNamesTheProgramSafely() throws Exception {
        Path script = on(new Here(order(folder.resolve("an out"))), order(folder.resolve("an out")))
                .script();
        assertThat(script).content().contains("exec '/opt/keen tally/run' run --out '" + folder + "/an out' --part ");
        Process shell = new ProcessBuilder("bash", "-n", script.toString()).start();
        assertThat(shell.waitFor()).isZero();
        Process told =
                new ProcessBuilder("bash", "-c", "exec() { printf '%s|' \"$@\"; }; . '" + script + "' 3").start();
        assertThat(new String(told.getInputStream().readAllBytes()))
                .isEqualTo("/opt/keen tally/run|run|--out|" + folder + "/an out|--part|3/4|");
    }

    @Test
    void withoutSlurmItSaysSo() {
        assertThatThrownBy(() -> new Slurm("/nowhere/", 60).submit(folder.resolve("part.sh"), List.of(1)))
                .isInstanceOf(FileFault.class)
                .hasMessage("There is no Slurm here: the command sbatch cannot be started. Call this on a login node of"
                        + " the cluster, or without --on slurm.");
    }

    private Path command(String name, String says) throws IOException {
        Path file = folder.resolve(name);
        Files.writeString(file, "#!/bin/bash\n" + says + "\n");
        Files.setPosixFilePermissions(file, PosixFilePermissions.fromString("rwxr-xr-x"));
        return file;
    }

    @Test
    void whatTheCommandsSayIsUnderstood() throws Exception {
        Slurm slurm = new Slurm(folder + "/", 60);
        command("sbatch", "echo \"$@\" > " + folder + "/told; echo '41;here'");
        assertThat(slurm.submit(Path.of("/x/part.sh"), List.of(2, 5))).isEqualTo("41");
        assertThat(folder.resolve("told")).hasContent("--parsable --array=2,5 /x/part.sh");
        command("squeue", "printf '41_2\\n41_5\\n'");
        assertThat(slurm.active("41")).isEqualTo(2);
        command("squeue", "echo 'slurm_load_jobs error: Invalid job id specified' >&2; exit 1");
        assertThat(slurm.active("41")).as("long ended").isZero();
        command("squeue", "echo 'Unable to contact slurm controller' >&2; exit 1");
        assertThatThrownBy(() -> slurm.active("41"))
                .hasMessage("Slurm does not say how the parts stand: Unable to contact slurm controller");
        command("sbatch", "echo 'sbatch: error: no such partition' >&2; exit 1");
        assertThatThrownBy(() -> slurm.submit(Path.of("/x/part.sh"), List.of(1)))
                .hasMessageContaining("Slurm does not take the parts: sbatch: error: no such partition");
    }

    @Test
    void aCommandThatHangsIsGivenUp() throws Exception {
        command("squeue", "exec sleep 60");
        assertThatThrownBy(() -> new Slurm(folder + "/", 1).active("1"))
                .hasMessage("squeue did not answer within 1 seconds.");
    }

    @Test
    void thereIsAPartForEveryTwentyFivePictures() {
        assertThat(List.of(
                        ClusterRun.usualParts(1),
                        ClusterRun.usualParts(25),
                        ClusterRun.usualParts(26),
                        ClusterRun.usualParts(300),
                        ClusterRun.usualParts(1_000_000)))
                .containsExactly(1, 1, 2, 12, 1000);
    }
}
