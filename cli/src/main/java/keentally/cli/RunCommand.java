package keentally.cli;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import keentally.core.method.MethodFault;
import keentally.core.work.Workers;
import keentally.study.cluster.ClusterRun;
import keentally.study.file.FileFault;
import keentally.study.result.BatchRun;
import keentally.study.result.PartRun;
import keentally.study.result.PartRun.Part;
import keentally.study.result.PictureOrder;
import keentally.study.result.RunOrder;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** {@code run METHOD IMAGE... --out DIR}. */
@Command(
        name = "run",
        description = "Runs a method on pictures and writes tables, label maps and overlays into a folder.",
        mixinStandardHelpOptions = true)
final class RunCommand implements Callable<Integer> {
    @Spec
    private CommandSpec spec;

    @Parameters(
            index = "0",
            arity = "0..1",
            paramLabel = "METHOD",
            description = "A method file (.method.json); with --part, may be left out once a part was called with it.")
    private Path method;

    @Parameters(
            index = "1..*",
            arity = "0..*",
            paramLabel = "IMAGE",
            description = "PNG, JPEG, TIFF, BMP, GIF, WebP, PNM.")
    private List<Path> pictures = List.of();

    @Mixin
    private PictureWords words = new PictureWords();

    @Option(names = "--out", required = true, paramLabel = "DIR", description = "New, empty, or an earlier run's own.")
    private Path out;

    @Mixin
    private SampleWords each = new SampleWords();

    @Option(
            names = "--part",
            paramLabel = "I/N",
            description =
                    "Only every Nth picture, beginning with the Ith; call all parts with the same words, and merge then.")
    private String part;

    @Option(
            names = "--on",
            paramLabel = "ENGINE",
            description = "slurm: hands the parts to the Slurm cluster that this machine belongs to, and merges them.")
    private String on;

    @Option(names = "--parts", paramLabel = "N", description = "How many parts; one for 25 pictures when left out.")
    private Integer parts;

    @Option(names = "--keep-script", description = "With --on: only writes the script of a part, and says where.")
    private boolean keepScript;

    @Option(names = "--jobs", paramLabel = "N", defaultValue = "1", description = "Pictures at the same time.")
    private int jobs;

    @Override
    public Integer call() throws MethodFault, BadMethodFile, FileFault {
        RunOrder order;
        Optional<Part> share;
        try {
            share = Optional.ofNullable(part).map(Part::of);
            checkCluster();
            if (method == null && share.isEmpty()) {
                throw new IllegalArgumentException("name a method and pictures");
            }
            order = method == null ? PartRun.begun(out).jobs(jobs) : order();
        } catch (IllegalArgumentException e) {
            throw new ParameterException(spec.commandLine(), "Wrong option: " + e.getMessage() + ".");
        }
        int of = share.map(p -> p.places(order.samples().size()).size())
                .orElse(order.samples().size());
        int failed = on == null ? run(order, share) : onCluster(order);
        if (failed > 0) {
            spec.commandLine()
                    .getErr()
                    .println(failed + " of " + of + " pictures failed; "
                            + (share.isPresent() ? "their records say why." : "samples.csv says why."));
        }
        return failed > 0 ? Status.SOME_FAILED : Status.WELL;
    }

    private void checkCluster() {
        if (on != null && !on.equals("slurm")) {
            throw new IllegalArgumentException("--on knows slurm, but was \"" + on + "\"");
        }
        if (on == null && (parts != null || keepScript)) {
            throw new IllegalArgumentException("--parts and --keep-script stand beside --on");
        }
        if (on != null && part != null) {
            throw new IllegalArgumentException("--part is one of those that --on hands over; give one of them");
        }
        if (parts != null && (parts < 1 || parts > ClusterRun.MOST_PARTS)) {
            throw new IllegalArgumentException("--parts is from 1 to " + ClusterRun.MOST_PARTS + ", but was " + parts);
        }
    }

    private RunOrder order() throws MethodFault, BadMethodFile {
        List<PictureOrder> samples = words.wanted(pictures).stream()
                .map(w -> each.order(w.name(), w.picture(), w.settled()))
                .toList();
        return new RunOrder(
                MethodWords.read(method), samples, out, jobs, true, each.weighing(), each.typed(), each.bar());
    }

    private int run(RunOrder order, Optional<Part> share) throws FileFault {
        try (Workers workers = Workers.of(Math.max(jobs, Runtime.getRuntime().availableProcessors()));
                Interrupt interrupt = Interrupt.listening()) {
            TerminalWatcher watcher = new TerminalWatcher(spec.commandLine().getErr());
            return share.isPresent()
                    ? PartRun.run(order, share.get(), workers, interrupt.cancel(), watcher)
                    : BatchRun.run(order, workers, interrupt.cancel(), watcher);
        }
    }

    private int onCluster(RunOrder order) throws FileFault {
        int many = parts == null
                ? ClusterRun.usualParts(order.samples().size())
                : Math.min(parts, order.samples().size());
        ClusterRun cluster = ClusterRun.onSlurm(order, many, Launcher.words());
        if (keepScript) {
            spec.commandLine().getOut().println(cluster.script());
            return 0;
        }
        try (Interrupt interrupt = Interrupt.listening()) {
            TerminalWatcher watcher = new TerminalWatcher(spec.commandLine().getErr());
            int failed = cluster.run(interrupt.cancel(), (done, of, turn) -> watcher.at(done, of));
            watcher.finished();
            return failed;
        }
    }
}
