package keentally.cli;

import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;
import java.util.concurrent.Callable;
import keentally.core.measure.SampleNumber;
import keentally.core.method.Method;
import keentally.core.method.MethodFault;
import keentally.core.method.MethodStep;
import keentally.core.quantity.Mass;
import keentally.core.quantity.Scale;
import keentally.core.work.Workers;
import keentally.study.cluster.ClusterRun;
import keentally.study.document.FieldRequest;
import keentally.study.document.FieldText;
import keentally.study.file.FileFault;
import keentally.study.method.MethodFile;
import keentally.study.result.BatchRun;
import keentally.study.result.PartRun;
import keentally.study.result.PartRun.Part;
import keentally.study.result.PictureOrder;
import keentally.study.result.RunOrder;
import keentally.study.run.TypedNumbers;
import keentally.study.run.Weighing;
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

    @Option(
            names = "--scale",
            paramLabel = "LENGTH",
            description = "Length of a pixel, such as \"0.85 um/px\", or the word file.")
    private String scale;

    @Option(
            names = "--field",
            paramLabel = "SHAPE",
            description =
                    "whole, rect:x,y,w,h, ellipse:cx,cy,rx,ry, polygon:x,y,... in pixels, or round to find the rim of"
                            + " a tray; not: before it takes it away. May be repeated.")
    private List<String> field = List.of();

    @Option(
            names = "--mass",
            paramLabel = "MASS",
            description = "What each sample weighs, such as \"12 g\" (mg, g, kg, ozt): phases.csv then has masses.")
    private String mass;

    @Option(
            names = "--density",
            paramLabel = "PHASE=N",
            description =
                    "Density of a phase by its name or number, in any one unit; 1 when left out. May be repeated.")
    private Map<String, Double> densities = Map.of();

    @Option(
            names = "--number",
            paramLabel = "NAME=N",
            description = "A number for the method's formulas, such as dilution=10. May be repeated.")
    private Map<String, Double> numbers = Map.of();

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
        boolean fromFile = "file".equals(scale);
        Optional<Scale> given = scale == null || fromFile ? Optional.empty() : Optional.of(Scale.of(scale));
        List<FieldRequest> wishes = field.stream().map(FieldText::readWish).toList();
        List<PictureOrder> samples = words.wanted(pictures).stream()
                .map(w -> new PictureOrder(w.name(), w.picture(), w.settled(), given, fromFile, wishes, Map.of()))
                .toList();
        if (mass == null && !densities.isEmpty()) {
            throw new IllegalArgumentException(
                    "--density stands beside --mass: densities share out what a sample weighs");
        }
        Weighing weighing = new Weighing(Optional.ofNullable(mass).map(Mass::of), densities, true);
        numbers.keySet().forEach(SampleNumber::checkTyped);
        TypedNumbers typed = new TypedNumbers(OptionalDouble.empty(), new TreeMap<>(numbers));
        return new RunOrder(read(method), samples, out, jobs, true, weighing, typed);
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

    private static Method read(Path file) throws MethodFault, BadMethodFile {
        try {
            Method method = MethodFile.read(file);
            MethodFile.approval(file); // a method that is not what was approved is not run
            Optional<MethodStep> byHand = method.byHand();
            if (byHand.isPresent()) {
                throw new MethodFault(
                        method.indexOf(byHand.get().id()) + 1,
                        byHand.get().description().id(),
                        "hangs on hand work, which is kept with the samples of a study and not in a method file");
            }
            return method;
        } catch (FileFault e) {
            throw new BadMethodFile(e);
        }
    }
}
