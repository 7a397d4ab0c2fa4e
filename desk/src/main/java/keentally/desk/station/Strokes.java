package keentally.desk.station;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import keentally.core.setting.Values;
import keentally.desk.stage.Stroke;

/**
 * The strokes that stations' numbers were fitted to, as long as the desk is open: by station, and with what each led to, so that undoing
 * takes the stroke back too.
 */
final class Strokes {
    private final Map<String, List<Taken>> taken = new HashMap<>();

    /**
     * A stroke with the colours under it.
     *
     * @param sample that it was drawn on
     * @param before the station's values before it
     * @param after what was made of it and those before
     */
    record Taken(Stroke stroke, String sample, List<double[]> colours, Values before, Values after) {}

    /** Those that led to where the station is now. */
    List<Taken> of(String station, Values now) {
        List<Taken> all = taken.getOrDefault(station, List.of());
        for (int i = 0; i < all.size(); i++) {
            if (all.get(i).before().equals(now)) {
                return List.copyOf(all.subList(0, i));
            }
        }
        return List.copyOf(all);
    }

    void add(String station, List<Taken> before, Taken newest) {
        List<Taken> all = new ArrayList<>(before);
        all.add(newest);
        taken.put(station, all);
    }

    void clear(String station) {
        taken.remove(station);
    }
}
