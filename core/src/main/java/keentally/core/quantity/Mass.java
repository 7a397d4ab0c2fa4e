package keentally.core.quantity;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/**
 * How much of a sample there is.
 *
 * @param amount above 0
 */
public record Mass(double amount, Unit unit) {
    private static final double LEAST = 1e-12;
    private static final double MOST = 1e12;

    public Mass {
        if (!(amount > 0) || !Double.isFinite(amount)) {
            throw new IllegalArgumentException("a mass must be above 0, was " + Amounts.text(amount));
        }
        if (amount < LEAST || amount > MOST) {
            throw new IllegalArgumentException(
                    "a mass must be between 1e-12 and 1e12 of its unit, was " + Amounts.text(amount) + " " + unit.id);
        }
    }

    /** Units that laboratories weigh in. A troy ounce is 31.1034768 g exactly (international yard and pound agreement, 1959). */
    public enum Unit {
        MG("mg", 0.001),
        G("g", 1),
        KG("kg", 1000),
        TROY_OUNCE("ozt", 31.1034768);

        private final String id;
        private final double grams;

        Unit(String id, double grams) {
            this.id = id;
            this.grams = grams;
        }

        public String id() {
            return id;
        }

        /** The unit that a word stands for, such as {@code kg}. */
        public static Optional<Unit> find(String word) {
            String plain = word.strip().toLowerCase(Locale.ROOT);
            return Arrays.stream(values()).filter(u -> u.id.equals(plain)).findFirst();
        }
    }

    /**
     * Reads {@code "12 g"} or {@code "0.4 troy oz"}.
     *
     * @throws IllegalArgumentException saying what was found and what is expected
     */
    public static Mass of(String text) {
        return Amounts.split(text.strip().replaceFirst("(?i)troy oz$", "ozt"))
                .flatMap(s -> Unit.find(s.unit()).map(unit -> new Mass(s.amount(), unit)))
                .orElseThrow(() -> new IllegalArgumentException(
                        "expected a mass in mg, g, kg or ozt, such as \"12 g\", but found \"" + text + "\""));
    }

    public double grams() {
        return amount * unit.grams;
    }

    /**
     * What each part of the sample weighs, in this mass's unit: mᵢ = M·fᵢρᵢ ÷ Σfⱼρⱼ. A share of area stands for a share of volume, which
     * holds for cuts laid through a sample at random.
     *
     * @param shares of each part, in any unit, 0 or more
     * @param densities of each part, in any unit, above 0
     */
    public double[] of(double[] shares, double[] densities) {
        if (shares.length != densities.length) {
            throw new IllegalArgumentException(
                    shares.length + " shares need as many densities, were " + densities.length);
        }
        double whole = 0;
        for (int i = 0; i < shares.length; i++) {
            if (!(densities[i] > 0)) {
                throw new IllegalArgumentException("a density must be above 0, was " + Amounts.text(densities[i]));
            }
            whole += shares[i] * densities[i];
        }
        double[] masses = new double[shares.length];
        for (int i = 0; i < shares.length; i++) {
            masses[i] = whole == 0 ? Double.NaN : amount * shares[i] * densities[i] / whole;
        }
        return masses;
    }

    /** As it is read: {@code 12 g}. */
    @Override
    public String toString() {
        return Amounts.text(amount) + " " + unit.id;
    }
}
