package keentally.study.report;

import java.util.Base64;
import java.util.List;
import java.util.Locale;
import keentally.core.reader.Reader;
import keentally.core.words.Sentences;
import keentally.study.document.ReportPlan;
import keentally.study.plot.Drawing;
import keentally.study.report.Block.Head;
import keentally.study.report.Block.Shot;

/** A report as well-formed XHTML, the one text that both files are made of. */
final class Markup {
    private final Report report;
    private final String style;
    private final Plots plots;
    private final StringBuilder out = new StringBuilder();

    /** How a plot stands in the text. */
    interface Plots {
        String of(Drawing drawing);
    }

    private Markup(Report report, String style, Plots plots) {
        this.report = report;
        this.style = style;
        this.plots = plots;
    }

    /** @param style what is added to the style of the page */
    static String of(Report report, String style, Plots plots) {
        return new Markup(report, style, plots).text();
    }

    private String text() {
        out.append("<!DOCTYPE html>\n<html xmlns=\"http://www.w3.org/1999/xhtml\" lang=\""
                        + Reader.language().tag() + "\"><head>")
                .append("<meta charset=\"utf-8\"/><title>")
                .append(plain(report.title()))
                .append("</title><style>")
                .append(ReportStyle.COMMON)
                .append(style)
                .append("</style><bookmarks>");
        List<Report.Section> sections = report.sections();
        for (int i = 0; i < sections.size(); i++) {
            out.append("<bookmark name=\"%s\" href=\"#part%d\"/>"
                    .formatted(plain(told(sections.get(i).title())), i));
        }
        out.append("</bookmarks></head><body>");
        head();
        for (int i = 0; i < sections.size(); i++) {
            out.append("<h2 id=\"part%d\">%s</h2>\n"
                    .formatted(i, plain(told(sections.get(i).title()))));
            sections.get(i).blocks().forEach(this::block);
        }
        return out.append("</body></html>\n").toString();
    }

    private void head() {
        ReportPlan plan = report.plan();
        out.append("<div class=\"foot\">")
                .append(plain(
                        plan.laboratory().isBlank() ? report.title() : plan.laboratory() + " · " + report.title()))
                .append("</div><div class=\"head\">");
        plan.logo()
                .ifPresent(l -> out.append("<img class=\"logo\" alt=\"\" src=\"data:image/png;base64,")
                        .append(l)
                        .append("\"/>"));
        element("p", "laboratory", plan.laboratory());
        element("h1", "", report.title());
        element("p", "made", (plan.by().isBlank() ? "" : plan.by() + " · ") + report.made());
        out.append("</div>\n");
        for (String paragraph : plan.words().split("\\R\\s*\\R")) {
            element("p", "words", paragraph.strip());
        }
    }

    private void block(Block block) {
        switch (block) {
            case Block.Heading heading -> element("h3", "", told(heading.text()));
            case Block.Text text -> element("p", "", told(text.text()));
            case Block.Note note -> element("p", "note", told(note.text()));
            case Block.Sentences sentences -> {
                out.append("<ol>");
                sentences.list().forEach(s -> element("li", "", told(s)));
                out.append("</ol>\n");
            }
            case Block.Table table -> table(table);
            case Block.Pictures pictures -> pictures(pictures.shots());
            case Block.Plot plot -> {
                out.append("<div class=\"plot\">").append(plots.of(plot.drawing()));
                element("p", "caption", told(plot.caption()));
                out.append("</div>\n");
            }
            case Block.Together together -> {
                out.append("<div class=\"together\">");
                together.blocks().forEach(this::block);
                out.append("</div>\n");
            }
        }
    }

    private void table(Block.Table table) {
        out.append("<table class=\"data\"><thead><tr>");
        for (Head head : table.heads()) {
            element("th", head.isNumber() ? "number" : "", told(head.title()));
        }
        out.append("</tr></thead><tbody>");
        for (List<String> row : table.rows()) {
            out.append("<tr>");
            for (int c = 0; c < row.size(); c++) {
                cell(row.get(c), table.heads().get(c).isNumber() ? "number" : "");
            }
            out.append("</tr>");
        }
        out.append("</tbody></table>\n");
    }

    private void cell(String text, String kind) {
        out.append(kind.isEmpty() ? "<td>" : "<td class=\"" + kind + "\">")
                .append(plain(told(text)))
                .append("</td>");
    }

    private void pictures(List<Shot> shots) {
        out.append("<table class=\"pictures\"><tr>");
        for (Shot shot : shots) {
            out.append("<td style=\"width: %d%%\">".formatted(100 / shots.size()))
                    .append("<img alt=\"\" src=\"data:image/%s;base64,".formatted(shot.type()))
                    .append(Base64.getEncoder().encodeToString(shot.bytes()))
                    .append("\"/>");
            element("p", "caption", told(shot.caption()));
            out.append("</td>");
        }
        out.append("</tr></table>\n");
    }

    /** What people called things stays as they called it. */
    private String told(String text) {
        return report.names().contains(text) ? text : Sentences.worded(text);
    }

    private void element(String name, String kind, String text) {
        if (text.isBlank()) {
            return;
        }
        out.append("<%s%s>".formatted(name, kind.isEmpty() ? "" : " class=\"" + kind + "\""))
                .append(plain(text))
                .append("</%s>".formatted(name));
    }

    /** Without what would be taken for an element, and without letters that no XML may hold. */
    static String plain(String text) {
        StringBuilder plain = new StringBuilder();
        text.codePoints().forEach(c -> {
            switch (c) {
                case '&' -> plain.append("&amp;");
                case '<' -> plain.append("&lt;");
                case '>' -> plain.append("&gt;");
                case '"' -> plain.append("&quot;");
                default -> {
                    if (isText(c)) {
                        plain.appendCodePoint(c);
                    }
                }
            }
        });
        return plain.toString();
    }

    private static boolean isText(int c) {
        return c == '\t' || c == '\n' || c >= 0x20 && c < 0xD800 || c >= 0xE000 && c < 0xFFFE || c >= 0x10000;
    }

    /** A length in points, as styles write it. */
    static String points(int length) {
        return String.format(Locale.ROOT, "%dpt", length);
    }
}
