package keentally.core.measure;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.ToDoubleFunction;
import java.util.stream.Collectors;
import keentally.core.quantity.PixelSize;
import keentally.core.quantity.Scale;

/**
 * A number worked out from measures, such as {@code feret-max / feret-min}, or a question about them, such as
 * {@code area > 35 um2 and circularity < 0.8}.
 *
 * <p>Written with measures by their ids, numbers, numbers with a length's or an area's unit, {@code + - * / ^}, brackets, {@code pi}, and
 * {@code sqrt}, {@code abs}, {@code ln}, {@code log10}, {@code exp}, {@code min(a, b)}, {@code max(a, b)}; questions with
 * {@code < <= > >= =}, {@code and}, {@code or} and {@code not}. Units are checked: only like may be added, compared or taken the least
 * of; logarithms and exponents want plain numbers. Worked out in pixels; where a measure is empty, so is the number, and no question
 * about it is true. What is divided by 0 is empty.
 */
public final class Formula {
    private final String text;
    private final FormulaNode root;
    private final Kind kind;

    private Formula(String text, FormulaNode root) {
        this.text = text;
        this.root = root;
        this.kind = root.kind();
    }

    /**
     * A number.
     *
     * @throws IllegalArgumentException in a sentence that says what is wrong where
     */
    public static Formula of(String text) {
        FormulaNode root = new FormulaParser(text, Vocabulary.OF_OBJECTS).whole();
        if (root.isQuestion()) {
            throw new IllegalArgumentException("\"" + text + "\" asks a question, where a number is wanted");
        }
        Formula formula = new Formula(text.strip(), root);
        formula.kind.check(text);
        return formula;
    }

    /**
     * A question.
     *
     * @throws IllegalArgumentException in a sentence that says what is wrong where
     */
    public static Formula question(String text) {
        FormulaNode root = new FormulaParser(text, Vocabulary.OF_OBJECTS).whole();
        if (!root.isQuestion()) {
            throw new IllegalArgumentException(
                    "\"" + text + "\" is a number, where a question such as \"area > 35 um2\" is wanted");
        }
        return new Formula(text.strip(), root);
    }

    Kind kind() {
        return kind;
    }

    /** The measure that the formula is, where it is nothing else. */
    Optional<Measure> onlyMeasure() {
        return root instanceof FormulaNode.Named(Term.OfObject(Measure measure))
                ? Optional.of(measure)
                : Optional.empty();
    }

    /** The measures that it needs. */
    public Set<Measure> measures() {
        List<Term> terms = new ArrayList<>();
        root.addTerms(terms);
        return terms.stream()
                .map(t -> ((Term.OfObject) t).measure())
                .collect(Collectors.toCollection(() -> EnumSet.noneOf(Measure.class)));
    }

    /**
     * The number, in pixels; not-a-number where it is empty.
     *
     * @param of each measure in pixels
     * @throws keentally.core.quantity.MissingScaleException where a number has a real unit and there is no scale
     */
    public double value(ToDoubleFunction<Measure> of, Optional<Scale> scale) {
        double value = root.value(inputs(of, PixelSize.PIXELS, scale));
        return Double.isInfinite(value) ? Double.NaN : value;
    }

    /**
     * The answer to a question.
     *
     * @param of each measure in pixels
     * @param told what lengths are told in: an amount in that unit is held against measures as a table tells them
     * @throws keentally.core.quantity.MissingScaleException where a number has a real unit and there is no scale
     */
    public boolean holds(ToDoubleFunction<Measure> of, PixelSize told, Optional<Scale> scale) {
        return root.value(inputs(of, told, scale)) == 1;
    }

    private static FormulaNode.Inputs inputs(ToDoubleFunction<Measure> of, PixelSize told, Optional<Scale> scale) {
        return new FormulaNode.Inputs(t -> of.applyAsDouble(((Term.OfObject) t).measure()), told, scale);
    }

    /** As it was written. */
    @Override
    public String toString() {
        return text;
    }

    @Override
    public boolean equals(Object o) {
        return o instanceof Formula f && f.text.equals(text);
    }

    @Override
    public int hashCode() {
        return text.hashCode();
    }
}
