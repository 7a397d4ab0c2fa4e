package keentally.study.result;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Base64;
import java.util.List;
import java.util.OptionalDouble;
import keentally.study.document.Thing.SheetThing;
import keentally.study.file.FileFault;
import keentally.study.file.Sheet;
import keentally.study.file.WholeFile;
import keentally.study.picture.PictureWriter;

/** A trial sheet as files: its tiles as one picture, and its numbers as a table of the same name beside it. */
public final class TrialFiles {
    private TrialFiles() {}

    /**
     * One alternative.
     *
     * @param share per cent of the field that is chosen; not-a-number where phases are made
     * @param explained per cent of the variance that phases explain; not-a-number where a mask is made
     * @param differs per cent of the field that is otherwise than with the choice that was current
     * @param score per cent, of what was learnt for it, where nothing was learnt; not-a-number where nothing was
     * @param own the number of the sample that the method asks for; not-a-number without one
     * @param error why it could not be done; empty where it could
     */
    public record Row(
            String sample,
            String setting,
            double share,
            double explained,
            OptionalDouble count,
            double differs,
            double score,
            double own,
            boolean current,
            String error) {}

    /**
     * A sheet to be kept with a study.
     *
     * @param colours 0xRRGGBB, row by row
     */
    public static SheetThing kept(String title, int width, int height, int[] colours, List<Row> rows) {
        byte[] png = PictureWriter.pngBytes(width, height, colours);
        return new SheetThing(title, table(rows), Base64.getEncoder().encodeToString(png));
    }

    private static String table(List<Row> rows) {
        return Sheet.whole(
                List.of(
                        "sample",
                        "setting",
                        "share_percent",
                        "explained_percent",
                        "count",
                        "differs_percent",
                        "held_out_f1_percent",
                        "own_number",
                        "current",
                        "error"),
                rows.stream()
                        .map(row -> List.of(
                                Sheet.text(row.sample()),
                                Sheet.text(row.setting()),
                                Sheet.number(row.share()),
                                Sheet.number(row.explained()),
                                Sheet.number(row.count().orElse(Double.NaN)),
                                Sheet.number(row.differs()),
                                Sheet.number(row.score()),
                                Sheet.number(row.own()),
                                row.current() ? "yes" : "no",
                                Sheet.text(row.error())))
                        .toList());
    }

    /**
     * @param png the picture's file; the table ends in {@code .csv} instead
     * @return the table's file
     */
    public static Path write(Path png, SheetThing sheet) throws FileFault {
        String name = png.getFileName().toString();
        int dot = name.lastIndexOf('.');
        Path table = png.resolveSibling((dot > 0 ? name.substring(0, dot) : name) + ".csv");
        if (Files.exists(table) && !Files.exists(png)) {
            throw new FileFault(table + " is there already and belongs to no trial sheet; choose another name.");
        }
        byte[] picture = Base64.getDecoder().decode(sheet.png());
        WholeFile.write(png, out -> out.write(picture));
        if (!sheet.table().isEmpty()) { // a pair of views has none
            Sheet.toFile(table, sheet.table());
        }
        return table;
    }
}
