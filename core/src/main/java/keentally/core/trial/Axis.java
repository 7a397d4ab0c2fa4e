package keentally.core.trial;

import java.util.List;
import keentally.core.setting.Values;

/**
 * What is varied.
 *
 * @param id of the setting, or a word of its own where several settings move together
 * @param label for people
 * @param usual the values that are tried where a person names none, as typed text
 * @param reading makes alternatives of typed text
 */
public record Axis(String id, String label, String usual, Reading reading) {
    /** Makes alternatives of typed text. */
    @FunctionalInterface
    public interface Reading {
        /**
         * @param now the step's values, of which all others are kept
         * @throws IllegalArgumentException in a sentence, where the text makes no sense
         */
        List<Variant> read(String text, Values now);
    }

    /**
     * The settings to try.
     *
     * @param text values as typed
     * @param now the settings of which all others are kept
     * @throws IllegalArgumentException with a sentence where the text makes no sense
     */
    public List<Variant> variants(String text, Values now) {
        return reading.read(text, now);
    }
}
