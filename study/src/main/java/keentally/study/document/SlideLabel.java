package keentally.study.document;

import java.util.Optional;

/**
 * What stands on a slide's label end.
 *
 * @param name for people and tables
 * @param group samples that belong together, by a word; empty for none
 * @param amount a number that tells samples apart, such as a time or a dose
 */
public record SlideLabel(String name, String note, String group, Optional<Amount> amount) {
    public SlideLabel {
        if (name.isBlank()) {
            throw new IllegalArgumentException("a sample needs a name");
        }
    }

    public static SlideLabel of(String name) {
        return new SlideLabel(name, "", "", Optional.empty());
    }

    public SlideLabel named(String other) {
        return new SlideLabel(other, note, group, amount);
    }

    public SlideLabel noted(String other) {
        return new SlideLabel(name, other, group, amount);
    }

    public SlideLabel tagged(String otherGroup, Optional<Amount> otherAmount) {
        return new SlideLabel(name, note, otherGroup, otherAmount);
    }

    /** A number with its unit, as text {@code 30 min}. */
    public record Amount(double value, String unit) {
        public Amount {
            if (!Double.isFinite(value)) {
                throw new IllegalArgumentException("a tag needs a finite number, was " + value);
            }
        }

        /** @throws IllegalArgumentException in a sentence that says what was found and what is expected */
        public static Amount of(String text) {
            String[] parts = text.strip().split("\\s+", 2);
            try {
                return new Amount(Double.parseDouble(parts[0]), parts.length > 1 ? parts[1] : "");
            } catch (NumberFormatException e) {
                throw new IllegalArgumentException(
                        "'" + text.strip() + "' should be a number with its unit, such as '30 min' or '0.5 mg/l'", e);
            }
        }

        @Override
        public String toString() {
            String number = value == Math.rint(value) && Math.abs(value) < 1e15
                    ? String.valueOf((long) value)
                    : String.valueOf(value);
            return unit.isEmpty() ? number : number + " " + unit;
        }
    }
}
