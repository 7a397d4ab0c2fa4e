package keentally.cli;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import keentally.core.method.MethodFault;
import keentally.core.run.Progress;
import keentally.core.work.Cancel;
import keentally.core.work.Work;
import keentally.core.work.Workers;
import keentally.samples.DemoFiles;
import keentally.samples.DemoSample;
import keentally.samples.DemoStudy;
import keentally.study.document.FieldRequest;
import keentally.study.document.Study;
import keentally.study.file.FileFault;
import keentally.study.file.OwnFolder;
import keentally.study.method.MethodFile;
import keentally.study.report.HtmlReport;
import keentally.study.report.PdfReport;
import keentally.study.report.Report;
import keentally.study.report.ReportMaterial;
import keentally.study.report.ReportRun;
import keentally.study.report.ReportSource;
import keentally.study.result.BatchRun;
import keentally.study.result.LedgerFile;
import keentally.study.result.PictureOrder;
import keentally.study.result.RunOrder;
import keentally.study.store.StudyFile;
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
    /** The day that stands on the report, so that every example has the same bytes. */
    private static final LocalDate DRAWN = LocalDate.of(2026, 11, 30);

    @Spec
    private CommandSpec spec;

    @Parameters(paramLabel = "DIR", description = "New, empty, or written by this command before.")
    private Path folder;

    @Option(names = "--threads", paramLabel = "N", description = "Threads to use; all cores when left out.")
    private Integer threads;

    @Override
    public Integer call() throws FileFault, MethodFault {
        int hands = threads == null ? Runtime.getRuntime().availableProcessors() : threads;
        int failed = 0;
        OwnFolder.claim(folder, "samples");
        try (Workers workers = Workers.of(hands)) {
            TerminalWatcher watcher = new TerminalWatcher(spec.commandLine().getErr());
            List<DemoFiles.Output> demos = DemoFiles.write(folder.resolve("samples"), new Work(workers, new Cancel()));
            for (List<DemoFiles.Output> alike : byMethod(demos)) {
                DemoSample first = alike.getFirst().sample();
                Path results = folder.resolve("results").resolve(first.id());
                List<PictureOrder> wanted =
                        alike.stream().map(ExampleCommand::wanted).toList();
                RunOrder order = new RunOrder(MethodFile.read(alike.getFirst().method()), wanted, results, 1, false);
                failed += BatchRun.run(order, workers, new Cancel(), watcher);
            }
            handOver(workers);
        }
        OwnFolder.finish(folder);
        return failed > 0 ? Status.SOME_FAILED : Status.WELL;
    }

    /** The demo study with its ledger, and its report. */
    private void handOver(Workers workers) throws FileFault, MethodFault {
        Study study = DemoStudy.finished(DemoFiles.list(folder.resolve("samples")));
        ReportMaterial material = new ReportRun()
                .of(ReportSource.of("Millrace", study, DRAWN), new Work(workers, new Cancel()), Progress.SILENT);
        LedgerFile.write(folder.resolve("ledger.csv"), LedgerFile.csv(material.ledger()));
        LedgerFile.write(folder.resolve("ledger-groups.csv"), LedgerFile.groupsCsv(material.ledger()));
        Report report = Report.of(material);
        PdfReport.write(report, folder.resolve("report.pdf"));
        HtmlReport.write(report, folder.resolve("report.html"));
        Path file = folder.resolve("Millrace" + StudyFile.ENDING);
        if (!Files.exists(file)) {
            StudyFile.create(file, study, StudyFile.Watch.SILENT).close();
        }
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
