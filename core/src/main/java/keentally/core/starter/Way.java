package keentally.core.starter;

/**
 * One way to count the things on a picture, tried on it.
 *
 * @param inRoundField whether only what lies in the round field is counted
 * @param light what was done to it
 * @param parted whether what touches was parted
 * @param firmness how well what it finds holds together
 * @param likely how likely such a way is before it is tried, 1 where nothing speaks for it or against
 */
record Way(
        boolean inRoundField,
        Structure structure,
        Light light,
        boolean parted,
        Trail trail,
        Firmness firmness,
        double likely) {
    private static final double ALIKE = 0.03;

    /** Of areas. */
    private static final double SIZES_ALIKE = 0.1;

    /** What a cut is held against. */
    enum Light {
        AS_IT_IS,
        MADE_EVEN,
        LOCAL
    }

    /** Whether it finds as many of about the same size. */
    boolean isLike(Way other) {
        return Math.abs(firmness.count() - other.firmness.count())
                        <= Math.max(1, ALIKE * Math.max(firmness.count(), other.firmness.count()))
                && Math.abs(firmness.usual() - other.firmness.usual())
                        <= SIZES_ALIKE * Math.max(firmness.usual(), other.firmness.usual());
    }

    /** So many times as likely. */
    Way times(double times) {
        return new Way(inRoundField, structure, light, parted, trail, firmness, likely * times);
    }

    double score() {
        return firmness.score() * likely;
    }
}
