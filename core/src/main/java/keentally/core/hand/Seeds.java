package keentally.core.hand;

import java.util.ArrayList;
import java.util.List;
import keentally.core.geometry.Point;

/** Places that something must hang together with. */
public record Seeds(List<Point> places) implements HandWork {
    public static final Seeds NONE = new Seeds(List.of());

    public Seeds {
        places = List.copyOf(places);
    }

    @Override
    public List<Point> parts() {
        return places;
    }

    /** With one more at the end; places in px. */
    public Seeds and(Point place) {
        List<Point> more = new ArrayList<>(places);
        more.add(place);
        return new Seeds(more);
    }

    /** Without the markers at exactly this place. */
    public Seeds without(Point place) {
        return new Seeds(places.stream().filter(p -> !p.equals(place)).toList());
    }
}
