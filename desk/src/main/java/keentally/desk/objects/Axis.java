package keentally.desk.objects;

/**
 * Where numbers lie along one side of a plot.
 *
 * @param extent its least and greatest number
 * @param log whether equal ratios are equally far apart
 * @param from where the least number lies, in pixels of the window
 * @param to where the greatest does
 */
record Axis(MeasureGate.Range extent, boolean log, double from, double to) {
    double at(double value) {
        double share = log
                ? Math.log(value / extent.low()) / Math.log(extent.high() / extent.low())
                : (value - extent.low()) / (extent.high() - extent.low());
        return from + share * (to - from);
    }

    double valueAt(double place) {
        double share = Math.clamp((place - from) / (to - from), 0, 1);
        return log
                ? extent.low() * Math.pow(extent.high() / extent.low(), share)
                : extent.low() + share * (extent.high() - extent.low());
    }

    /** Where an end of a gate lies; an open one at the plot's side. */
    double end(double value) {
        return at(Math.clamp(value, extent.low(), extent.high()));
    }
}
