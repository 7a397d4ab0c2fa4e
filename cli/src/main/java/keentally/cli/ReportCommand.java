package keentally.cli;

import java.nio.file.Path;
import java.time.LocalDate;
import java.util.Locale;
import java.util.concurrent.Callable;
import keentally.core.work.Work;
import keentally.core.work.Workers;
import keentally.study.file.FileFault;
import keentally.study.report.HtmlReport;
import keentally.study.report.PdfReport;
import keentally.study.report.Report;
import keentally.study.report.ReportMaterial;
import keentally.study.report.ReportRun;
import keentally.study.report.ReportSource;
import keentally.study.store.StudyFile;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** {@code report STUDY OUT}. */
@Command(
        name = "report",
        description = "Runs all samples of a study and writes its report: pictures, methods, numbers, cautions.",
        mixinStandardHelpOptions = true)
final class ReportCommand implements Callable<Integer> {
    @Spec
    private CommandSpec spec;

    @Parameters(index = "0", paramLabel = "STUDY", description = "A study file (.tally).")
    private Path study;

    @Parameters(index = "1", paramLabel = "OUT", description = "A file ending in .pdf or .html.")
    private Path out;

    @Option(
            names = "--date",
            paramLabel = "DATE",
            description = "On the report, such as 2026-11-30; today when left out.")
    private LocalDate date;

    @Override
    public Integer call() throws FileFault {
        String name = out.getFileName().toString().toLowerCase(Locale.ROOT);
        if (!name.endsWith(".pdf") && !name.endsWith(".html")) {
            throw new ParameterException(
                    spec.commandLine(), "A report is a file ending in .pdf or .html, was '" + out + "'.");
        }
        try (StudyFile file = StudyFile.open(study, StudyFile.Watch.SILENT);
                Workers workers = Workers.of(Runtime.getRuntime().availableProcessors());
                Interrupt interrupt = Interrupt.listening()) {
            file.remark().ifPresent(r -> spec.commandLine().getErr().println(r));
            TerminalWatcher watcher = new TerminalWatcher(spec.commandLine().getErr());
            ReportMaterial material = new ReportRun()
                    .of(
                            ReportSource.of(file, date == null ? LocalDate.now() : date),
                            new Work(workers, interrupt.cancel()),
                            watcher::at);
            watcher.finished();
            write(Report.of(material));
        }
        return Status.WELL;
    }

    private void write(Report report) throws FileFault {
        if (out.getFileName().toString().toLowerCase(Locale.ROOT).endsWith(".pdf")) {
            PdfReport.write(report, out);
        } else {
            HtmlReport.write(report, out);
        }
    }
}
