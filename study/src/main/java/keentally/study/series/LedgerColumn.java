package keentally.study.series;

import java.util.function.Function;
import java.util.function.ToDoubleFunction;

/**
 * A column of the ledger.
 *
 * @param id as in files, its unit behind it
 * @param title for people, with its unit
 * @param value not-a-number where a sample has none; of a column of words, of all
 * @param text what stands in a cell; of a column of numbers, nothing
 */
public record LedgerColumn(
        String id,
        String title,
        ToDoubleFunction<LedgerEntry> value,
        Function<LedgerEntry, String> text,
        boolean isNumber) {
    static LedgerColumn words(String id, String title, Function<LedgerEntry, String> text) {
        return new LedgerColumn(id, title, e -> Double.NaN, text, false);
    }

    static LedgerColumn number(String id, String title, ToDoubleFunction<LedgerEntry> value) {
        return new LedgerColumn(id, title, value, e -> "", true);
    }
}
