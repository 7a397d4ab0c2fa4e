package keentally.study.report;

import keentally.core.words.Sentences;
import keentally.study.document.ReportPlan.Paper;

/** How a report looks. */
final class ReportStyle {
    /** On the page and on the screen. */
    static final String COMMON = """
            body { font-family: Roboto, 'Liberation Sans', sans-serif; font-size: 9.5pt; line-height: 1.35; color: #1E2730; }
            h1 { font-size: 22pt; font-weight: bold; margin: 0 0 2mm 0; line-height: 1.15; }
            h2 { font-size: 14pt; font-weight: bold; color: #0E6470; margin: 8mm 0 2.5mm 0; padding-bottom: 1mm;
                 border-bottom: 0.6pt solid #DAD4C7; page-break-after: avoid; }
            h3 { font-size: 10.5pt; font-weight: bold; margin: 5mm 0 1.2mm 0; page-break-after: avoid; }
            p { margin: 0 0 2mm 0; }
            ol { margin: 0 0 2mm 0; padding-left: 6mm; }
            li { margin: 0 0 0.8mm 0; }
            .head { border-bottom: 1.6pt solid #0E6470; padding-bottom: 3mm; margin-bottom: 4mm; }
            .logo { float: right; height: 18mm; }
            .laboratory { color: #0E6470; font-weight: bold; margin: 0 0 2mm 0; }
            .made { color: #5A6470; margin: 0; }
            .words { font-size: 10.5pt; }
            .note { color: #5A6470; font-size: 8.5pt; margin-top: 1.5mm; }
            .caption { color: #5A6470; font-size: 8.5pt; margin: 1mm 0 0 0; }
            .together { page-break-inside: avoid; }
            .plot { page-break-inside: avoid; margin: 3mm 0; }
            table.data { border-collapse: collapse; width: 100%; margin: 1mm 0 4mm 0; font-size: 8.5pt; }
            table.data th { text-align: left; vertical-align: bottom; font-weight: bold; padding: 1mm 0 1mm 3mm;
                 border-bottom: 0.8pt solid #1E2730; }
            table.data td { vertical-align: top; padding: 0.9mm 0 0.9mm 3mm; border-bottom: 0.4pt solid #E4E0D6;
                 word-wrap: break-word; overflow-wrap: anywhere; }
            table.data tr { page-break-inside: avoid; }
            table.data th.number, table.data td.number { text-align: right; }
            table.data th:first-child, table.data td:first-child { padding-left: 0; }
            table.pictures { width: 100%; border-collapse: collapse; margin: 1mm 0 2mm 0; }
            table.pictures td { vertical-align: top; padding: 0 2mm 0 0; }
            table.pictures img { max-width: 100%; max-height: 60mm; }
            """;

    /** For a browser. */
    static final String SCREEN = """
            body { max-width: 60em; margin: 2em auto; padding: 0 1.5em; background: #FFFFFF; }
            .foot, bookmarks { display: none; }
            .plot svg { width: 100%; max-width: 40em; height: auto; }
            table.pictures td img { max-height: 30em; }
            """;

    private ReportStyle() {}

    /** Between a page and how many there are. */
    private static String of() {
        return " " + Sentences.worded("of") + " ";
    }

    /** For pages. */
    static String page(Paper paper) {
        String size = switch (paper) {
            case A4 -> "210mm 297mm";
            case LETTER -> "8.5in 11in";
        };
        return """
                @page { size: %s; margin: 17mm 17mm 20mm 17mm;
                  @bottom-left { content: element(foot); width: 75%%; vertical-align: top; }
                  @bottom-right { content: counter(page) "%s" counter(pages); font-family: Roboto; font-size: 8pt;
                    color: #5A6470; vertical-align: top; padding-top: 3mm; } }
                .foot { position: running(foot); font-size: 8pt; color: #5A6470; padding-top: 3mm; }
                table.data { -fs-table-paginate: paginate; }
                """.formatted(size, of());
    }
}
