package keentally.study.report;

import java.util.List;
import keentally.core.quantity.Scale;
import keentally.core.words.Words;
import keentally.study.report.Block.Head;
import keentally.study.series.LedgerEntry;
import keentally.study.series.LedgerRow;

/** How large a pixel is and which part of each picture was measured, and how either came about. */
final class ScalePart {
    private ScalePart() {}

    static List<Block> of(ReportMaterial material) {
        List<List<String>> rows = material.ledger().entries().stream()
                .filter(e -> e.row().isPresent())
                .map(ScalePart::row)
                .toList();
        return List.of(new Block.Table(
                List.of(
                        Head.words("Sample"),
                        Head.words("Size of a pixel"),
                        Head.words("How it came about"),
                        Head.words("Field")),
                rows));
    }

    private static List<String> row(LedgerEntry entry) {
        LedgerRow row = entry.row().orElseThrow();
        return List.of(
                entry.thing().name(),
                row.record()
                        .origin()
                        .scale()
                        .map(Scale::toString)
                        .map(Words::spoken)
                        .orElse("no scale: pixels"),
                row.scaleFrom().isEmpty() ? "–" : row.scaleFrom(),
                row.fieldFrom());
    }
}
