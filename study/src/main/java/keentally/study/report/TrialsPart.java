package keentally.study.report;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import java.util.Locale;
import keentally.core.words.Figures;
import keentally.core.words.Words;
import keentally.study.document.Thing.SheetThing;
import keentally.study.report.Block.Head;
import keentally.study.report.Block.Shot;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;

/** Trial sheets and pairs of views that were kept with the study: what was tried, and what was seen side by side. */
final class TrialsPart {
    private TrialsPart() {}

    static List<Block> of(ReportMaterial material) {
        List<Block> blocks = new ArrayList<>();
        for (SheetThing sheet : material.study().sheets().values()) {
            blocks.add(Block.Together.of(
                    new Block.Heading(sheet.title()),
                    new Block.Pictures(
                            List.of(new Shot(Base64.getDecoder().decode(sheet.png()), "png", "As it was kept")))));
            if (!sheet.table().isBlank()) {
                blocks.add(table(sheet.table()));
            }
        }
        return blocks;
    }

    private static Block table(String csv) {
        try (CSVParser parser = CSVParser.parse(csv, CSVFormat.RFC4180)) {
            List<CSVRecord> records = parser.getRecords();
            List<CSVRecord> rows = records.subList(1, records.size());
            List<Head> heads = new ArrayList<>();
            for (int c = 0; c < records.getFirst().size(); c++) {
                int column = c;
                boolean filled = rows.stream().anyMatch(r -> !r.get(column).isEmpty());
                boolean isNumber =
                        filled && rows.stream().map(r -> r.get(column)).allMatch(v -> v.isEmpty() || isNumber(v));
                heads.add(new Head(title(records.getFirst().get(c)), isNumber));
            }
            return new Block.Table(
                    heads,
                    rows.stream()
                            .map(r -> r.stream().map(TrialsPart::shown).toList())
                            .toList());
        } catch (IOException e) {
            throw new UncheckedIOException("memory can be read", e);
        }
    }

    /** As people read it: share_percent is share, %. */
    private static String title(String column) {
        String words = column.replaceFirst("_percent$", ", %").replace('_', ' ');
        return words.substring(0, 1).toUpperCase(Locale.ROOT) + words.substring(1);
    }

    private static boolean isNumber(String text) {
        return text.matches("-?[0-9]+(\\.[0-9]+)?(E-?[0-9]+)?");
    }

    private static String shown(String cell) {
        return cell.isEmpty() ? "–" : isNumber(cell) ? Figures.number(Double.parseDouble(cell)) : Words.spoken(cell);
    }
}
