package keentally.core.measure;

import java.util.List;
import java.util.Optional;
import java.util.function.DoubleBinaryOperator;
import java.util.function.DoubleUnaryOperator;
import java.util.function.ToDoubleFunction;
import keentally.core.quantity.Limit;
import keentally.core.quantity.PixelSize;
import keentally.core.quantity.Scale;

/** A part of a formula. Questions are 1, 0, or not-a-number where they cannot be answered, which counts as no. */
sealed interface FormulaNode {
    /**
     * What a formula is worked out from.
     *
     * @param of what each word stands for, in pixels
     * @param told the unit to work in
     */
    record Inputs(ToDoubleFunction<Term> of, PixelSize told, Optional<Scale> scale) {}

    Kind kind();

    double value(Inputs given);

    default boolean isQuestion() {
        return false;
    }

    default void addTerms(List<Term> into) {
        parts().forEach(p -> p.addTerms(into));
    }

    List<FormulaNode> parts();

    /** What a word stands for. */
    record Named(Term term) implements FormulaNode {
        @Override
        public Kind kind() {
            return term.kind();
        }

        @Override
        public double value(Inputs given) {
            return given.told.power(given.of.applyAsDouble(term), kind().length());
        }

        @Override
        public void addTerms(List<Term> into) {
            into.add(term);
        }

        @Override
        public List<FormulaNode> parts() {
            return List.of();
        }
    }

    /** A number, or one with the unit of a length or an area. */
    record Amount(Limit amount, Kind kind) implements FormulaNode {
        @Override
        public double value(Inputs given) {
            return amount.in(given.told, given.scale);
        }

        @Override
        public List<FormulaNode> parts() {
            return List.of();
        }
    }

    /** One part put through a function. */
    record Through(FormulaNode part, DoubleUnaryOperator function, Kind kind) implements FormulaNode {
        @Override
        public double value(Inputs given) {
            return function.applyAsDouble(part.value(given));
        }

        @Override
        public List<FormulaNode> parts() {
            return List.of(part);
        }
    }

    /** Two parts put together. */
    record Together(FormulaNode left, FormulaNode right, DoubleBinaryOperator function, Kind kind)
            implements FormulaNode {
        @Override
        public double value(Inputs given) {
            return function.applyAsDouble(left.value(given), right.value(given));
        }

        @Override
        public List<FormulaNode> parts() {
            return List.of(left, right);
        }
    }

    /** A question about parts. */
    record FunctionCall(List<FormulaNode> parts, ToDoubleFunction<double[]> answer) implements FormulaNode {
        @Override
        public Kind kind() {
            return Kind.PLAIN;
        }

        @Override
        public boolean isQuestion() {
            return true;
        }

        @Override
        public double value(Inputs given) {
            return answer.applyAsDouble(
                    parts.stream().mapToDouble(p -> p.value(given)).toArray());
        }
    }
}
