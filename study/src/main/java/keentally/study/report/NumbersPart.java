package keentally.study.report;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.SortedMap;
import keentally.core.measure.SampleNumber;
import keentally.core.words.Figures;
import keentally.study.report.Block.Head;
import keentally.study.run.SampleRecord.OwnNumber;
import keentally.study.series.LedgerEntry;
import keentally.study.series.LedgerRow;

/** Numbers of the samples: formulas written out, with what came of them and what was typed for them. */
final class NumbersPart {
    private NumbersPart() {}

    static List<Block> of(ReportMaterial material) {
        List<Block> blocks = new ArrayList<>();
        for (ReportMaterial.Used used : material.methods()) {
            for (SampleNumber number : used.method().numbers()) {
                blocks.add(new Block.Heading(number.name()));
                blocks.add(new Block.Text(number.name() + " = " + number.formula()));
                blocks.add(table(used, number));
            }
        }
        return blocks;
    }

    private static Block table(ReportMaterial.Used used, SampleNumber number) {
        String symbol = number.unitSymbol(used.unit());
        boolean isTyped =
                used.entries().stream().anyMatch(e -> !e.thing().numbers().isEmpty());
        List<List<String>> rows = new ArrayList<>();
        for (LedgerEntry entry : used.entries()) {
            entry.row().ifPresent(row -> rows.add(row(used, number, entry, row, isTyped)));
        }
        List<Head> heads = new ArrayList<>(List.of(Head.words("Sample")));
        if (isTyped) {
            heads.add(Head.words("Typed for it"));
        }
        heads.add(Head.number(symbol.isEmpty() ? number.name() : number.name() + ", " + symbol));
        return new Block.Table(heads, rows);
    }

    private static List<String> row(
            ReportMaterial.Used used, SampleNumber number, LedgerEntry entry, LedgerRow row, boolean isTyped) {
        String value = row.record().numbers().stream()
                .flatMap(n -> n.own().stream())
                .filter(n -> n.name().equals(number.name()))
                .findFirst()
                .map(n -> told(n, row, used))
                .orElse("–");
        return isTyped
                ? List.of(entry.thing().name(), typed(entry.thing().numbers()), value)
                : List.of(entry.thing().name(), value);
    }

    private static String told(OwnNumber number, LedgerRow row, ReportMaterial.Used used) {
        OptionalDouble told = number.told(row.told(used.unit()));
        return told.isPresent()
                ? Figures.number(told.getAsDouble())
                : "– (" + number.why().orElse("no scale") + ")";
    }

    private static String typed(SortedMap<String, Double> numbers) {
        List<String> said = new ArrayList<>();
        numbers.forEach((name, value) -> said.add(name + " " + Figures.number(value)));
        return said.isEmpty() ? "–" : String.join(", ", said);
    }
}
