package keentally.cli;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import keentally.core.work.Cancel;
import keentally.core.work.Work;
import keentally.core.work.Workers;
import keentally.samples.DemoFiles;
import keentally.samples.DemoSample;
import keentally.study.document.FieldRequest;
import keentally.study.file.FileFault;
import keentally.study.result.BatchRun;
import keentally.study.result.PictureOrder;
import keentally.study.result.RunOrder;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** {@code example DIR}: everything the program can do without a window, on the demo samples. The same bytes every time. */
@Command(
        name = "example",
        description = "The full example without a window: demo pictures, methods and all results.",
        mixinStandardHelpOptions = true)
final class ExampleCommand implements Callable<Integer> {
    @Spec
    private CommandSpec spec;

    @Parameters(paramLabel = "DIR", description = "New, empty, or written by this command before.")
    private Path folder;

    @Option(names = "--threads", paramLabel = "N", description = "Threads to use; all cores when left out.")
    private Integer threads;

    @Override
    public Integer call() throws FileFault {
        int hands = threads == null ? Runtime.getRuntime().availableProcessors() : threads;
        int failed = 0;
        DemoFiles.claim(folder, "samples");
        try (Workers workers = Workers.of(hands)) {
            TerminalWatcher watcher = new TerminalWatcher(spec.commandLine().getErr());
            for (DemoFiles.Output demo : DemoFiles.write(folder.resolve("samples"), new Work(workers, new Cancel()))) {
                DemoSample sample = demo.sample();
                PictureOrder wanted = new PictureOrder(
                        Optional.of(sample.id()),
                        demo.picture(),
                        true,
                        Optional.of(sample.scale()),
                        false,
                        sample.field().stream().map(FieldRequest::of).toList(),
                        sample.hand());
                Path results = folder.resolve("results").resolve(sample.id());
                RunOrder order = new RunOrder(sample.method(), List.of(wanted), results, 1, false);
                failed += BatchRun.run(order, workers, new Cancel(), watcher);
            }
        }
        return failed > 0 ? Status.SOME_FAILED : Status.WELL;
    }
}
