package keentally.core.step;

import java.util.List;
import keentally.core.geometry.Point;
import keentally.core.hand.Seeds;
import keentally.core.picture.Mask;

/** Markers placed by hand, for the steps that begin at them. */
final class PlacedMarkers {
    private PlacedMarkers() {}

    /**
     * @param within where at least one of them must lie
     * @param does such as "grows"
     * @param called such as "the field"
     */
    static List<Point> of(Mask within, String does, String called, Site site) throws StepFault {
        List<Point> places = site.hand().orElse(null) instanceof Seeds seeds ? seeds.places() : List.of();
        if (places.isEmpty()) {
            throw new StepFault(does + " from markers placed by hand, and none were placed on this sample;"
                    + " click where regions are to begin");
        }
        if (places.stream().noneMatch(p -> holds(within, p))) {
            throw new StepFault(does + " from markers placed by hand, and all of them lie outside " + called);
        }
        return places;
    }

    private static boolean holds(Mask mask, Point place) {
        int x = (int) Math.floor(place.x());
        int y = (int) Math.floor(place.y());
        return x >= 0 && x < mask.width() && y >= 0 && y < mask.height() && mask.at(x, y);
    }
}
