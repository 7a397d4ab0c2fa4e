package keentally.study.report;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import keentally.core.stats.FieldStatistics;
import keentally.core.words.Figures;
import keentally.study.report.Block.Head;
import keentally.study.series.Ledger;
import keentally.study.series.LedgerColumn;
import keentally.study.series.LedgerEntry;

/** The numbers of all samples by method, and what several fields of one specimen say together. */
final class ResultsPart {
    /** As many columns of numbers stand beside each other on a page. */
    private static final int BESIDE = 6;

    /** Numbers of which the fields of a group are summed up. */
    private static final int SUMMED = 3;

    private ResultsPart() {}

    static List<Block> of(ReportMaterial material) {
        List<Block> blocks = new ArrayList<>();
        for (ReportMaterial.Used used : material.methods()) {
            Ledger ledger = used.ledger();
            List<LedgerColumn> numbers = MainNumber.results(ledger);
            if (numbers.isEmpty()) {
                continue;
            }
            blocks.add(new Block.Heading(used.method().name()));
            for (int from = 0; from < numbers.size(); from += BESIDE) {
                blocks.add(table(ledger, numbers.subList(from, Math.min(numbers.size(), from + BESIDE))));
            }
            blocks.addAll(ObjectStatistics.of(used));
            if (ledger.groups().values().stream().anyMatch(g -> g.size() > 1)) {
                numbers.stream().limit(SUMMED).forEach(n -> blocks.add(together(ledger, n)));
            }
        }
        blocks.add(
                new Block.Note(
                        "What a sample does not have is a dash, never 0. Of several fields: n fields, their mean,"
                                + " the standard deviation s over n − 1, half the width of the mean's 95 % confidence interval by Student's t,"
                                + " and the relative accuracy (that half width in per cent of the mean), as ASTM E562 and E1245 give them."));
        return blocks;
    }

    private static Block table(Ledger ledger, List<LedgerColumn> numbers) {
        List<Head> heads = new ArrayList<>(List.of(Head.words("Sample")));
        numbers.forEach(n -> heads.add(Head.number(n.title())));
        List<List<String>> rows = new ArrayList<>();
        for (LedgerEntry entry : ledger.entries()) {
            List<String> row = new ArrayList<>(
                    List.of(entry.thing().name() + (entry.thing().leftOut().isPresent() ? " (left out)" : "")));
            numbers.forEach(n -> row.add(Figures.number(n.value().applyAsDouble(entry))));
            rows.add(row);
        }
        return new Block.Table(heads, rows);
    }

    private static Block together(Ledger ledger, LedgerColumn number) {
        List<List<String>> rows = new ArrayList<>();
        for (Map.Entry<String, FieldStatistics> group :
                ledger.statistics(number).entrySet()) {
            FieldStatistics of = group.getValue();
            rows.add(List.of(
                    group.getKey().isEmpty() ? "no group" : group.getKey(),
                    String.valueOf(of.count()),
                    Figures.number(of.mean()),
                    Figures.number(of.sd()),
                    Figures.number(of.halfWidth()),
                    Figures.number(of.relativeAccuracy())));
        }
        return new Block.Table(
                List.of(
                        Head.words(number.title() + ", by group"),
                        Head.number("n"),
                        Head.number("Mean"),
                        Head.number("s"),
                        Head.number("± (95 %)"),
                        Head.number("RA, %")),
                rows);
    }
}
