package keentally.desk.stage;

import keentally.core.region.ObjectSet;
import keentally.core.region.Regions;
import keentally.core.view.ObjectColours;

/**
 * Objects filled by a measure.
 *
 * @param title of the measure, with its unit
 * @param regions that the values are of
 * @param values by region; not-a-number for those without one
 * @param from what has the darkest colour
 * @param to what has the lightest
 */
public record MeasureFill(String title, Regions regions, double[] values, double from, double to) {
    /** Whether these are the objects that were measured, whatever was dropped of them since. */
    boolean isOf(ObjectSet objects) {
        return objects.regions() == regions;
    }

    ObjectColours colours() {
        return ObjectColours.ramp(values, from, to);
    }
}
