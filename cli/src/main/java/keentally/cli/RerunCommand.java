package keentally.cli;

import java.io.PrintWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.Callable;
import keentally.core.work.Workers;
import keentally.study.file.FileFault;
import keentally.study.proof.Proof;
import keentally.study.proof.Rerun;
import keentally.study.store.StudyFile;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** {@code rerun STUDY|RESULTS}. */
@Command(
        name = "rerun",
        description = "Runs a study or a folder of results again and says whether every number is reproduced.",
        mixinStandardHelpOptions = true)
final class RerunCommand implements Callable<Integer> {
    @Spec
    private CommandSpec spec;

    @Parameters(paramLabel = "STUDY|RESULTS", description = "A study file (.tally), or a folder that a run filled.")
    private Path what;

    @Option(
            names = "--pictures",
            paramLabel = "FOLDER",
            description = "Where pictures of results are looked for that are not where they were.")
    private Path pictures;

    @Override
    public Integer call() throws FileFault {
        PrintWriter out = spec.commandLine().getOut();
        Proof proof;
        try (Workers workers = Workers.of(Runtime.getRuntime().availableProcessors());
                Interrupt interrupt = Interrupt.listening()) {
            TerminalWatcher watcher = new TerminalWatcher(spec.commandLine().getErr());
            if (Files.isDirectory(what)) {
                proof = Rerun.results(what, Optional.ofNullable(pictures), workers, interrupt.cancel(), watcher::at);
            } else {
                try (StudyFile file = StudyFile.open(what, StudyFile.Watch.SILENT)) {
                    proof = Rerun.study(file, workers, interrupt.cancel(), watcher::at);
                }
            }
            watcher.finished();
        }
        proof.differences().forEach(out::println);
        proof.remarks().forEach(out::println);
        out.println(proof.sentence());
        return proof.holds() && proof.remarks().isEmpty() ? Status.WELL : Status.SOME_FAILED;
    }
}
