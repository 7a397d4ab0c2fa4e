package keentally.core.measure;

import java.util.Arrays;
import java.util.Optional;

/**
 * What a formula about a sample may name.
 *
 * @param of the phase, class or typed number that is named; empty where the quantity needs none
 * @param column what a statistic is of
 * @param all whether a statistic is of all objects, not of the kept ones alone
 */
public record SampleTerm(Quantity quantity, String of, Optional<Column> column, boolean all) implements Term {
    /** By what follows the word. */
    enum Follows {
        NOTHING,
        NAME,
        NAME_OR_NOTHING,
        COLUMN
    }

    /** What there is of a sample, by the words of formulas. Areas are of pixels, shares parts of 1, masses in grams. */
    public enum Quantity {
        COUNT("count", Follows.NAME_OR_NOTHING, Kind.PLAIN),
        ALL_COUNT("all-count", Follows.NOTHING, Kind.PLAIN),
        FIELD_AREA("field-area", Follows.NOTHING, Kind.of(Dimension.AREA)),
        KEPT_AREA("kept-area", Follows.NOTHING, Kind.of(Dimension.AREA)),
        KEPT_SHARE("kept-share", Follows.NOTHING, Kind.PLAIN),
        AREA("area", Follows.NAME, Kind.of(Dimension.AREA)),
        SHARE("share", Follows.NAME, Kind.PLAIN),
        MASS("mass", Follows.NAME, Kind.MASS),
        SAMPLE_MASS("sample-mass", Follows.NOTHING, Kind.MASS),
        TAG("tag", Follows.NOTHING, Kind.PLAIN),
        MEAN("mean", Follows.COLUMN, Kind.PLAIN),
        MEDIAN("median", Follows.COLUMN, Kind.PLAIN),
        SD("sd", Follows.COLUMN, Kind.PLAIN),
        LEAST("least", Follows.COLUMN, Kind.PLAIN),
        GREATEST("greatest", Follows.COLUMN, Kind.PLAIN),
        SUM("sum", Follows.COLUMN, Kind.PLAIN),
        /** A number that was typed for the sample, by its name. */
        TYPED("", Follows.NAME, Kind.PLAIN);

        private final String id;
        private final Follows follows;
        private final Kind kind;

        Quantity(String id, Follows follows, Kind kind) {
            this.id = id;
            this.follows = follows;
            this.kind = kind;
        }

        /** As it is written. */
        public String id() {
            return id;
        }

        Follows follows() {
            return follows;
        }

        static Optional<Quantity> find(String word) {
            return Arrays.stream(values())
                    .filter(q -> q != TYPED && q.id.equals(word))
                    .findFirst();
        }
    }

    static SampleTerm named(Quantity quantity, String of) {
        return new SampleTerm(quantity, of, Optional.empty(), false);
    }

    static SampleTerm statistic(Quantity quantity, Column column, boolean all) {
        return new SampleTerm(quantity, "", Optional.of(column), all);
    }

    @Override
    public Kind kind() {
        return column.map(c -> switch (c) {
                    case Measure m -> Kind.of(m.dimension());
                    case OwnColumn own -> own.formula().kind();
                })
                .orElse(quantity.kind);
    }

    /** As it is written. */
    @Override
    public String toString() {
        String behind = column.map(Column::id).orElse(of);
        return quantity == Quantity.TYPED
                ? of
                : quantity.id + (behind.isEmpty() ? "" : " of " + (all ? "all " : "") + behind);
    }
}
