package keentally.desk.look;

import java.util.Arrays;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.scene.Node;
import javafx.scene.SnapshotParameters;
import javafx.scene.control.Labeled;
import javafx.scene.image.Image;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;
import javafx.scene.transform.Scale;
import keentally.study.file.Sheet;

/**
 * What can be copied of the parts of the window. A part says what copying it does; a figure is copied as it stands there, with its unit. A
 * table goes to the clipboard as text with tabs, for spreadsheets, and as rows and cells, for text programs; a plot as a picture, for slides,
 * with its numbers as a table.
 */
public final class Copies {
    private static final String KEY = "keentally.copy";
    private static final double DENSITY = 2;

    /** Labels that are a number with its unit. */
    private static final String[] FIGURES = {
        "figure", "figure-line", "card-headline", "card-number", "headline", "starter-number"
    };

    private Copies() {}

    /** Says what copying a part of the window does; asked each time. */
    public static void from(Node node, Runnable copying) {
        node.getProperties().put(KEY, copying);
    }

    /** What copying does where a person is: of the innermost part that can be copied; empty where there is none. */
    public static Optional<Runnable> at(Node node) {
        for (Node at = node; at != null; at = at.getParent()) {
            if (at.getProperties().get(KEY) instanceof Runnable copying) {
                return Optional.of(copying);
            }
            if (at instanceof Labeled label && isFigure(label)) {
                String text = label.getText().strip();
                return Optional.of(() -> put(text(text)));
            }
        }
        return Optional.empty();
    }

    private static boolean isFigure(Labeled label) {
        return Arrays.stream(FIGURES).anyMatch(label.getStyleClass()::contains)
                && label.getText() != null
                && !label.getText().isBlank();
    }

    public static void put(ClipboardContent content) {
        Clipboard.getSystemClipboard().setContent(content);
    }

    public static ClipboardContent text(String text) {
        ClipboardContent content = new ClipboardContent();
        content.putString(text);
        return content;
    }

    public static ClipboardContent picture(Image image) {
        ClipboardContent content = new ClipboardContent();
        content.putImage(image);
        return content;
    }

    /** @param rows lines of cells with tabs between; the first holds the headings */
    public static ClipboardContent table(String rows) {
        ClipboardContent content = text(rows);
        content.putHtml(html(rows));
        return content;
    }

    /** A table as it would stand in a file. */
    public static ClipboardContent csv(String csv) {
        return table(Sheet.copied(csv));
    }

    /** A plot with what would stand in a file of its numbers. */
    public static ClipboardContent plotWithCsv(Node plot, String csv) {
        return plot(plot, csv.isEmpty() ? "" : Sheet.copied(csv));
    }

    static String html(String rows) {
        return rows.lines()
                .map(line -> Arrays.stream(line.split("\t", -1))
                        .map(cell -> "<td>" + escaped(cell) + "</td>")
                        .collect(Collectors.joining("", "<tr>", "</tr>")))
                .collect(Collectors.joining("", "<table>", "</table>"));
    }

    private static String escaped(String text) {
        return text.replace("&", "&amp;").replace("<", "&lt;").replace(">", "&gt;");
    }

    /** A plot as it is seen, twice as fine as on the screen. @param rows its numbers; empty for none */
    public static ClipboardContent plot(Node plot, String rows) {
        SnapshotParameters finer = new SnapshotParameters();
        finer.setTransform(new Scale(DENSITY, DENSITY));
        ClipboardContent content = picture(plot.snapshot(finer, null));
        if (!rows.isEmpty()) {
            content.putString(rows);
            content.putHtml(html(rows));
        }
        return content;
    }
}
