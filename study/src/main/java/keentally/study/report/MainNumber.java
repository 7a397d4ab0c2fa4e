package keentally.study.report;

import java.util.List;
import java.util.Optional;
import keentally.study.series.Ledger;
import keentally.study.series.LedgerColumn;

/** What a method's samples are about: the first number of their own, else the count, else the first share. */
final class MainNumber {
    private static final List<String> NOT_A_RESULT = List.of("hand_edits", "field_area");

    private MainNumber() {}

    static Optional<LedgerColumn> of(Ledger ledger) {
        return results(ledger).stream().findFirst();
    }

    /** Numbers of the sample itself that at least one has, without those that only tell how it was done. */
    static List<LedgerColumn> results(Ledger ledger) {
        return ledger.numbers().stream()
                .filter(c -> !c.isStatistic())
                .filter(c -> NOT_A_RESULT.stream().noneMatch(c.id()::startsWith))
                .filter(c -> ledger.entries().stream()
                        .anyMatch(e -> !Double.isNaN(c.value().applyAsDouble(e))))
                .toList();
    }
}
