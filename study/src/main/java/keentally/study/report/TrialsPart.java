package keentally.study.report;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
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
            List<Head> heads = records.getFirst().stream().map(Head::words).toList();
            List<List<String>> rows =
                    records.stream().skip(1).map(r -> r.stream().toList()).toList();
            return new Block.Table(heads, rows);
        } catch (IOException e) {
            throw new UncheckedIOException("memory can be read", e);
        }
    }
}
