package keentally.cli;

import java.nio.file.Path;
import java.util.concurrent.Callable;
import keentally.core.work.Cancel;
import keentally.core.work.Work;
import keentally.core.work.Workers;
import keentally.samples.DemoFiles;
import keentally.study.file.FileFault;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

/** {@code samples DIR}. */
@Command(
        name = "samples",
        description = "Writes the demo pictures, their methods, and what is true of them.",
        mixinStandardHelpOptions = true)
final class SamplesCommand implements Callable<Integer> {
    @Parameters(paramLabel = "DIR", description = "New, empty, or written by this command before.")
    private Path folder;

    @Override
    public Integer call() throws FileFault {
        try (Workers workers = Workers.of(Runtime.getRuntime().availableProcessors())) {
            DemoFiles.write(folder, new Work(workers, new Cancel()));
        }
        return Status.WELL;
    }
}
