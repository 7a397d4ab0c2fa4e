package keentally.study.cluster;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import keentally.core.work.Cancel;
import keentally.core.work.CancelledException;
import keentally.study.file.FileFault;
import keentally.study.file.WholeFile;
import keentally.study.result.PartMerge;
import keentally.study.result.PartRun;
import keentally.study.result.RunOrder;

/**
 * A run in parts on a cluster: writes the parts' script, hands them over as numbered tasks, tells from the records how far they have come,
 * hands lost ones over again, and merges at the end. It can be killed at any time and called again: what has a record is not run again.
 */
public final class ClusterRun {
    /** So many pictures make a part where nobody says how many parts there are. */
    private static final int PICTURES_A_PART = 25;

    /** Engines limit how many tasks belong together; this many any of them takes. */
    public static final int MOST_PARTS = 1000;

    private static final int MOST_TRIES = 3;

    private final RunOrder order;
    private final int parts;
    private final Path beside;
    private final List<String> program;
    private final Engine engine;
    private final Pause pause;

    /**
     * Of an order, in parts.
     *
     * @param program the words that start this program, before those of a command
     */
    private ClusterRun(RunOrder order, int parts, List<String> program, Engine engine, Pause pause) {
        this.order = order;
        this.parts = parts;
        Path folder = order.folder().toAbsolutePath().normalize();
        this.beside = folder.resolveSibling(folder.getFileName() + ".parts");
        this.program = List.copyOf(program);
        this.engine = engine;
        this.pause = pause;
    }

    /** Waits until it is worth while to look again. */
    interface Pause {
        void pass() throws InterruptedException;
    }

    /** Takes how many samples have a record, of how many, and which try it is, from 1. */
    public interface Watch {
        void at(int done, int of, int turn);
    }

    /** How many parts an order has where nobody says: one for every 25 pictures. */
    public static int usualParts(int pictures) {
        return Math.clamp((pictures + PICTURES_A_PART - 1) / PICTURES_A_PART, 1, MOST_PARTS);
    }

    /** On the Slurm cluster that this machine belongs to. */
    public static ClusterRun onSlurm(RunOrder order, int parts, List<String> program) {
        return new ClusterRun(order, parts, program, new Slurm(), () -> Thread.sleep(2000));
    }

    static ClusterRun on(Engine engine, RunOrder order, int parts, List<String> program, Pause pause) {
        return new ClusterRun(order, parts, program, engine, pause);
    }

    /**
     * Writes the script of a part, for whoever hands it over by hand.
     *
     * @return where it is
     */
    public Path script() throws FileFault {
        PartRun.begin(order);
        Path script = beside.resolve("part.sh");
        try {
            Files.createDirectories(beside);
            WholeFile.write(script, text());
            if (Files.getFileStore(script).supportsFileAttributeView("posix")) {
                Files.setPosixFilePermissions(script, PosixFilePermissions.fromString("rwxr-xr-x"));
            }
        } catch (IOException e) {
            throw new FileFault(script + " cannot be written: " + WholeFile.reason(e) + ".", e);
        }
        return script;
    }

    private String text() {
        String words = program.stream().map(ClusterRun::quoted).collect(Collectors.joining(" "));
        return """
                #!/bin/bash
                # One of %1$d parts of a run; merged by:  %2$s merge %3$s
                # Hand all of them over by:  sbatch --array=1-%1$d %4$s
                #SBATCH --job-name=keen-tally
                #SBATCH --cpus-per-task=1
                #SBATCH --output=%5$s/part-%%a.log
                #SBATCH --open-mode=append
                exec %2$s run --out %3$s --part "${SLURM_ARRAY_TASK_ID:-$1}/%1$d"
                """.formatted(
                        parts,
                        words,
                        quoted(order.folder().toAbsolutePath().normalize().toString()),
                        quoted(beside.resolve("part.sh").toString()),
                        beside.toString().replace("%", "%%").replace(" ", "\\ "));
    }

    /** For a shell: whatever is in it is taken as it stands. */
    private static String quoted(String word) {
        return word.matches("[A-Za-z0-9_./:=,+@%-]+") ? word : "'" + word.replace("'", "'\\''") + "'";
    }

    /**
     * Runs all parts and merges them.
     *
     * @return how many pictures failed
     * @throws FileFault where the engine or the folder cannot be used, or parts were lost again and again; what has a record stays
     * @throws CancelledException where {@code cancel} was asked; parts that run are taken back, and what has a record stays
     */
    public int run(Cancel cancel, Watch watch) throws FileFault {
        Path script = script();
        for (int turn = 1; turn <= MOST_TRIES; turn++) {
            List<Integer> missing = missing();
            if (!missing.isEmpty()) {
                follow(engine.submit(script, missing), turn, cancel, watch);
            }
        }
        PartMerge.Standing standing = PartMerge.standing(order.folder());
        watch.at(standing.samples() - standing.places().size(), standing.samples(), MOST_TRIES);
        if (!standing.places().isEmpty()) {
            throw new FileFault("Some parts were lost " + MOST_TRIES + " times; " + beside + " has what they said. "
                    + standing.sentence().orElseThrow());
        }
        return PartMerge.merge(order.folder(), order.timed());
    }

    private void follow(String job, int turn, Cancel cancel, Watch watch) throws FileFault {
        try {
            while (true) {
                PartMerge.Standing standing = PartMerge.standing(order.folder());
                watch.at(standing.samples() - standing.places().size(), standing.samples(), turn);
                if (engine.active(job) == 0) {
                    return;
                }
                cancel.check();
                pause.pass();
            }
        } catch (CancelledException e) {
            engine.cancel(job);
            throw e;
        } catch (InterruptedException e) {
            engine.cancel(job);
            Thread.currentThread().interrupt();
            throw new CancelledException();
        }
    }

    /** The parts that have a sample without a record, from 1. */
    private List<Integer> missing() throws FileFault {
        List<Integer> places = PartMerge.standing(order.folder()).places();
        return IntStream.rangeClosed(1, parts)
                .filter(p -> places.stream().anyMatch(i -> i % parts == p - 1))
                .boxed()
                .toList();
    }
}
