package keentally.core.method;

import java.time.LocalDate;
import java.util.List;
import keentally.core.setting.Values;

/**
 * That a step's values are what it found somewhere, and nobody set them by hand.
 *
 * @param free the values with which it fits itself to each picture
 * @param samples the names of those that it was fitted to, taken together
 * @param on when
 */
public record Held(Values free, List<String> samples, LocalDate on) {
    public Held {
        samples = List.copyOf(samples);
    }
}
