package keentally.core.measure;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeSet;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.MissingScaleException;
import keentally.core.quantity.PixelSize;
import keentally.core.quantity.Scale;

/**
 * A number of a sample: a formula over what there is of it, such as {@code area of pores / area of crumb} or
 * {@code count * dilution / field-area}. It has the language of {@link Formula}, and the words of {@link SampleTerm}.
 */
public final class SampleNumber {
    private static final Pattern NAME = Pattern.compile("\\p{L}[\\p{L}\\p{Nd}-]{0,39}");

    private final String name;
    private final String formula;
    private final FormulaNode root;
    private final Limits limits;

    private SampleNumber(String name, String formula, FormulaNode root, Limits limits) {
        this.name = name;
        this.formula = formula;
        this.root = root;
        this.limits = limits;
    }

    /** Between what a sample's number is as expected, as it is told in the method's unit; both ends included. */
    public record Limits(OptionalDouble atLeast, OptionalDouble atMost) {
        public static final Limits NONE = new Limits(OptionalDouble.empty(), OptionalDouble.empty());

        public Limits {
            if (atLeast.isPresent() && atMost.isPresent() && atLeast.getAsDouble() > atMost.getAsDouble()) {
                throw new IllegalArgumentException("a least limit above the greatest lets nothing through");
            }
        }

        /** Whether a number lies between them; one that is not there does. */
        public boolean hold(double value) {
            return !(value < atLeast.orElse(Double.NEGATIVE_INFINITY)
                    || value > atMost.orElse(Double.POSITIVE_INFINITY));
        }
    }

    /** What a formula about a sample is worked out from. */
    public interface Facts {
        /** A number in pixels and grams. @throws Missing where the sample has none such */
        double of(SampleTerm term) throws Missing;
    }

    /** Why a sample has no such number; the message is a clause without a full stop. */
    public static final class Missing extends Exception {
        /** @param why a clause without a full stop */
        public Missing(String why) {
            super(why);
        }
    }

    /**
     * What a sample's number came to.
     *
     * @param px in pixels; not-a-number where it is empty
     * @param why it is empty, where it is
     */
    public record Reading(SampleNumber number, double px, Optional<String> why) {
        /** As it is told. */
        public double told(PixelSize size) {
            return size.power(px, number.kind().length());
        }
    }

    /**
     * @param name letters, digits and hyphens
     * @param own columns that statistics may be of
     * @throws IllegalArgumentException in a sentence that says what is wrong where
     */
    public static SampleNumber of(String name, String formula, List<OwnColumn> own, Limits limits) {
        if (!NAME.matcher(name).matches()) {
            throw new IllegalArgumentException(
                    "a number's name is made of letters, digits and hyphens, but found \"" + name + "\"");
        }
        FormulaNode root = new FormulaParser(formula, Vocabulary.ofSamples(own)).whole();
        if (root.isQuestion()) {
            throw new IllegalArgumentException("\"" + formula + "\" asks a question, where a number is wanted");
        }
        root.kind().check(formula);
        return new SampleNumber(name, formula.strip(), root, limits);
    }

    /** @throws IllegalArgumentException where a number that is typed for a sample cannot be called so, since formulas mean something else */
    public static void checkTyped(String name) {
        if (!NAME.matcher(name).matches()) {
            throw new IllegalArgumentException(
                    "a number's name is made of letters, digits and hyphens, but found \"" + name + "\"");
        }
        if (SampleTerm.Quantity.find(name).isPresent() || Vocabulary.MEANT.contains(name)) {
            throw new IllegalArgumentException("'" + name + "' means something else in formulas; take another name");
        }
    }

    public String name() {
        return name;
    }

    /** As it was written. */
    public String formula() {
        return formula;
    }

    public Limits limits() {
        return limits;
    }

    /** What it is made of, and so its unit. */
    public Kind kind() {
        return root.kind();
    }

    /** As in names of columns: {@code per_mm2}, or nothing. */
    public String unitId(LengthUnit unit) {
        return root.kind().unitId(unit);
    }

    /** As on screen: 1/mm², or nothing. */
    public String unitSymbol(LengthUnit unit) {
        return root.kind().unitSymbol(unit);
    }

    /** What it names, in the order in which it is named. */
    public List<SampleTerm> terms() {
        List<Term> terms = new ArrayList<>();
        root.addTerms(terms);
        return terms.stream().map(SampleTerm.class::cast).toList();
    }

    /** The number, or why there is none: something that it names is not there, or what is there cannot be put together. */
    public Reading read(Facts facts, Optional<Scale> scale) {
        TreeSet<String> missing = new TreeSet<>();
        try {
            double value = root.value(new FormulaNode.Inputs(t -> find(facts, t, missing), PixelSize.PIXELS, scale));
            if (Double.isFinite(value)) {
                return new Reading(this, value, Optional.empty());
            }
            String why = missing.isEmpty()
                    ? "what it names is there, but the formula divides by 0, or takes a root or a logarithm that there is not"
                    : missing.stream().collect(Collectors.joining("; "));
            return new Reading(this, Double.NaN, Optional.of(why));
        } catch (MissingScaleException e) {
            return new Reading(this, Double.NaN, Optional.of(e.getMessage()));
        }
    }

    private static double find(Facts facts, Term term, TreeSet<String> missing) {
        try {
            return facts.of((SampleTerm) term);
        } catch (Missing e) {
            missing.add(e.getMessage());
            return Double.NaN;
        }
    }

    @Override
    public boolean equals(Object o) {
        return o instanceof SampleNumber n
                && n.name.equals(name)
                && n.formula.equals(formula)
                && n.limits.equals(limits);
    }

    @Override
    public int hashCode() {
        return 31 * name.hashCode() + formula.hashCode();
    }

    @Override
    public String toString() {
        return name + " = " + formula;
    }
}
