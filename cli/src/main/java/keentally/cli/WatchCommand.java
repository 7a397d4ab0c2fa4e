package keentally.cli;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import keentally.core.method.MethodFault;
import keentally.core.work.CancelledException;
import keentally.core.work.Workers;
import keentally.study.document.PictureRef;
import keentally.study.file.FileFault;
import keentally.study.result.RunOrder;
import keentally.study.result.WatchRun;
import keentally.study.run.SampleRecord;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** {@code watch METHOD FOLDER --out DIR}. */
@Command(
        name = "watch",
        description =
                "Runs a method on each picture that comes into a folder (not from a camera), until it is stopped.",
        mixinStandardHelpOptions = true)
final class WatchCommand implements Callable<Integer> {
    private static final int MILLIS = 1000;

    @Spec
    private CommandSpec spec;

    @Parameters(index = "0", paramLabel = "METHOD", description = "A method file (.method.json).")
    private Path method;

    @Parameters(index = "1", paramLabel = "FOLDER", description = "That pictures come into; those in it already count.")
    private Path folder;

    @Mixin
    private SampleWords each = new SampleWords();

    @Option(
            names = "--out",
            required = true,
            paramLabel = "DIR",
            description = "New, empty, or what this command wrote before, which is gone on with.")
    private Path out;

    @Option(names = "--once", description = "Ends as soon as no picture is on its way any more.")
    private boolean once;

    @Override
    public Integer call() throws MethodFault, BadMethodFile, FileFault {
        RunOrder empty;
        try {
            each.order(Optional.empty(), PictureRef.of(folder, 1), true); // wrong words are said before anything comes
            empty = new RunOrder(
                    MethodWords.read(method), List.of(), out, 1, true, each.weighing(), each.typed(), each.bar());
        } catch (IllegalArgumentException e) {
            throw new ParameterException(spec.commandLine(), "Wrong option: " + e.getMessage() + ".");
        }
        try (Workers workers = Workers.of(Runtime.getRuntime().availableProcessors());
                Interrupt interrupt = Interrupt.listening()) {
            int failed = WatchRun.run(
                    folder,
                    empty,
                    (name, picture) -> each.order(Optional.of(name), picture, false),
                    workers,
                    interrupt.cancel(),
                    new Telling());
            return failed > 0 ? Status.SOME_FAILED : Status.WELL;
        } catch (CancelledException e) {
            spec.commandLine().getErr().println("Stopped; what was run is in " + out + ".");
            return Status.WELL;
        }
    }

    /** A line for each picture. */
    private final class Telling implements WatchRun.Watcher {
        private boolean idle;

        @Override
        public void ran(SampleRecord record) {
            PrintWriter out = spec.commandLine().getOut();
            out.println(record.sample() + ": " + record.error().orElseGet(() -> found(record)));
            out.flush();
        }

        private static String found(SampleRecord record) {
            return record.numbers()
                    .flatMap(SampleRecord.Numbers::objects)
                    .map(o -> o.count() == 1 ? "1 object" : o.count() + " objects")
                    .orElse("ok");
        }

        @Override
        public boolean pause(int coming) throws InterruptedException {
            boolean done = once && coming == 0 && idle;
            idle = coming == 0;
            if (!done) {
                Thread.sleep(MILLIS);
            }
            return !done;
        }
    }
}
