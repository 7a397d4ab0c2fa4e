package keentally.cli;

import java.nio.file.Path;
import java.util.concurrent.Callable;
import keentally.study.file.FileFault;
import keentally.study.result.PartMerge;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** {@code merge DIR}. */
@Command(
        name = "merge",
        description = "Makes the tables of a run out of the records that its parts wrote.",
        mixinStandardHelpOptions = true)
final class MergeCommand implements Callable<Integer> {
    @Spec
    private CommandSpec spec;

    @Parameters(paramLabel = "DIR", description = "That the parts were written into.")
    private Path folder;

    @Override
    public Integer call() throws FileFault {
        int failed = PartMerge.merge(folder, true);
        if (failed > 0) {
            spec.commandLine().getErr().println(failed + " pictures failed; samples.csv says why.");
        }
        return failed > 0 ? Status.SOME_FAILED : Status.WELL;
    }
}
