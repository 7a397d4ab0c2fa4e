package keentally.study.report;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import keentally.core.stats.FieldStatistics;
import keentally.core.words.Figures;
import keentally.study.report.Block.Head;
import keentally.study.series.Ledger;
import keentally.study.series.LedgerColumn;
import keentally.study.series.LedgerEntry;

/** The one number that each method is about, over the samples that count. */
final class InShortPart {
    private InShortPart() {}

    static List<Block> of(ReportMaterial material) {
        List<List<String>> rows = new ArrayList<>();
        for (ReportMaterial.Used used : material.methods()) {
            Ledger ledger = used.ledger();
            Optional<LedgerColumn> main = MainNumber.of(ledger);
            if (main.isEmpty()) {
                continue;
            }
            ledger.statistics(main.get())
                    .forEach((group, statistics) -> rows.add(row(used, group, main.get(), statistics, ledger)));
        }
        long left =
                material.ledger().entries().stream().filter(e -> !e.counts()).count();
        List<Block> blocks = new ArrayList<>();
        blocks.add(new Block.Table(
                List.of(
                        Head.words("Method"),
                        Head.words("Samples"),
                        Head.words("Number"),
                        Head.number("Value, or mean ± 95 %")),
                rows));
        if (left > 0) {
            blocks.add(new Block.Note(left + (left == 1 ? " sample takes" : " samples take")
                    + " no part in these numbers: left out for a reason, or not to be run. They are listed below."));
        }
        return blocks;
    }

    private static List<String> row(
            ReportMaterial.Used used, String group, LedgerColumn main, FieldStatistics statistics, Ledger ledger) {
        List<LedgerEntry> members = ledger.groups().get(group);
        String samples = members.size() == 1
                ? members.getFirst().thing().name()
                : (group.isEmpty() ? "" : group + ", ") + members.size() + " samples";
        return List.of(
                used.method().name(), samples, main.title(), Figures.spread(statistics.mean(), statistics.halfWidth()));
    }
}
