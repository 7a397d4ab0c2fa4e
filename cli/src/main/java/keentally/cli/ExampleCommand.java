package keentally.cli;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
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
            List<DemoFiles.Output> demos = DemoFiles.write(folder.resolve("samples"), new Work(workers, new Cancel()));
            for (List<DemoFiles.Output> alike : byMethod(demos)) {
                DemoSample first = alike.getFirst().sample();
                Path results = folder.resolve("results").resolve(first.id());
                List<PictureOrder> wanted =
                        alike.stream().map(ExampleCommand::wanted).toList();
                RunOrder order = new RunOrder(first.method(), wanted, results, 1, false);
                failed += BatchRun.run(order, workers, new Cancel(), watcher);
            }
        }
        return failed > 0 ? Status.SOME_FAILED : Status.WELL;
    }

    /** Those that have one method are one run. */
    private static List<List<DemoFiles.Output>> byMethod(List<DemoFiles.Output> demos) {
        Map<Path, List<DemoFiles.Output>> runs = new LinkedHashMap<>();
        demos.forEach(
                d -> runs.computeIfAbsent(d.method(), m -> new ArrayList<>()).add(d));
        return List.copyOf(runs.values());
    }

    private static PictureOrder wanted(DemoFiles.Output demo) {
        DemoSample sample = demo.sample();
        return new PictureOrder(
                Optional.of(sample.id()),
                demo.picture(),
                true,
                Optional.of(sample.scale()),
                false,
                sample.field().stream().map(FieldRequest::of).toList(),
                sample.hand());
    }
}
