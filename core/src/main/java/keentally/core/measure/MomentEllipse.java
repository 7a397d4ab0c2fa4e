package keentally.core.measure;

/**
 * The ellipse with the same second moments as an object, each pixel counted as a unit square (1/12 added along x and y).
 *
 * @param major full length of the longer axis, in pixels
 * @param minor full length of the shorter axis, in pixels
 * @param angleDegrees of the longer axis, counter-clockwise from +x as seen, in (−90, 90]; not-a-number where both axes are
 *     the same
 */
record MomentEllipse(double major, double minor, double angleDegrees) {

    /** From the variances of x and y and their covariance, y running down. */
    static MomentEllipse of(double xx, double yy, double xy) {
        double middle = (xx + yy) / 2;
        double apart = Math.hypot((xx - yy) / 2, xy);
        double angle = apart == 0 ? Double.NaN : Math.toDegrees(StrictMath.atan2(-2 * xy, xx - yy)) / 2;
        return new MomentEllipse(
                4 * Math.sqrt(middle + apart), 4 * Math.sqrt(Math.max(0, middle - apart)), angle == -90 ? 90 : angle);
    }

    double eccentricity() {
        double ratio = minor / major;
        return Math.sqrt(Math.max(0, 1 - ratio * ratio));
    }
}
