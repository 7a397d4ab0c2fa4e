package keentally.study.report;

import java.nio.file.Path;
import java.util.concurrent.atomic.AtomicInteger;
import keentally.study.file.FileFault;
import keentally.study.file.WholeFile;

/** A report as one file for a browser: pictures inside, plots as shapes. */
public final class HtmlReport {
    private HtmlReport() {}

    public static void write(Report report, Path file) throws FileFault {
        WholeFile.write(file, text(report));
    }

    static String text(Report report) {
        AtomicInteger plots = new AtomicInteger();
        return Markup.of(report, ReportStyle.SCREEN, d -> bare(d.svg("plot" + plots.incrementAndGet())));
    }

    /** Without what stands before the first element, which only a file of its own may have. */
    private static String bare(String svg) {
        return svg.substring(svg.indexOf("<svg"));
    }
}
