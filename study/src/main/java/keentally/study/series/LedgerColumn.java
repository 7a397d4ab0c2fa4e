package keentally.study.series;

import java.util.function.Function;
import java.util.function.Supplier;
import java.util.function.ToDoubleFunction;
import keentally.core.reader.Reader;

/**
 * A column of the ledger, its words said plainly, as they go into files.
 *
 * @param id as in files, its unit behind it
 * @param title for people, with its unit
 * @param value not-a-number where a sample has none; of a column of words, of all
 * @param text what stands in a cell; of a column of numbers, nothing
 * @param about what its numbers are, in the words of who reads; of a column of words, nothing
 */
public record LedgerColumn(
        String id,
        String title,
        ToDoubleFunction<LedgerEntry> value,
        Function<LedgerEntry, String> text,
        Supplier<String> about,
        Kind kind) {
    /** What a column holds. */
    enum Kind {
        WORDS,
        NUMBER,
        /** Of a measure over the objects. */
        STATISTIC,
        /** A number that a person gave and no run changes. */
        BY_HAND
    }

    static LedgerColumn words(String id, String title, Function<LedgerEntry, String> text) {
        return new LedgerColumn(
                id, title, e -> Double.NaN, e -> Reader.plainly(() -> text.apply(e)), () -> "", Kind.WORDS);
    }

    static LedgerColumn number(String id, String title, Supplier<String> about, ToDoubleFunction<LedgerEntry> value) {
        return new LedgerColumn(id, title, value, e -> "", about, Kind.NUMBER);
    }

    static LedgerColumn byHand(String id, String title, Supplier<String> about, ToDoubleFunction<LedgerEntry> value) {
        return new LedgerColumn(id, title, value, e -> "", about, Kind.BY_HAND);
    }

    static LedgerColumn statistic(
            String id, String title, Supplier<String> about, ToDoubleFunction<LedgerEntry> value) {
        return new LedgerColumn(id, title, value, e -> "", about, Kind.STATISTIC);
    }

    public boolean isNumber() {
        return kind != Kind.WORDS;
    }

    /** Whether other settings could make another number of it. */
    public boolean isWorkedOut() {
        return kind == Kind.NUMBER || kind == Kind.STATISTIC;
    }

    /** Whether it sums up a measure of the objects. */
    public boolean isStatistic() {
        return kind == Kind.STATISTIC;
    }
}
