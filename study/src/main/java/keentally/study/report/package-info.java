/**
 * What is handed over: a study's pictures, numbers and methods as pages that someone else can check a year later.
 *
 * <p>Come in by {@link keentally.study.report.ReportRun}, which runs the samples and gathers {@link
 * keentally.study.report.ReportMaterial}. Each part of a report is a small class that turns the material into {@link
 * keentally.study.report.Block}s; {@link keentally.study.report.Report} puts them in the order that the study's plan asks for. {@code
 * Markup} makes one text of them, which {@link keentally.study.report.HtmlReport} writes as one file and {@link
 * keentally.study.report.PdfReport} lays out on pages. The same material gives the same bytes.
 */
package keentally.study.report;
