package keentally.core.words;

import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Endings of words by the number before them: {@code 3 object[s]} is 3 objects, {@code 1 object[s]} one object; where the word itself changes,
 * both stand there: {@code 3 [Loch/Löcher]}. What people typed is {@link
 * #kept} before it is put into such a text, so that its own brackets stay.
 */
public final class Plural {
    private static final Pattern PLACE = Pattern.compile(
            "(?<number>[0-9]+(?:[,.\u00a0][0-9]+)*)(?<between>[^0-9\\[\\]]*)\\[(?:(?<one>\\p{L}*)/)?(?<many>\\p{L}+)]");

    private static final char OPENING = '\ue000';
    private static final char CLOSING = '\ue001';

    private Plural() {}

    /** A text whose brackets are its own, and are there again after {@link #fit}. */
    public static String kept(String text) {
        return text.replace('[', OPENING).replace(']', CLOSING);
    }

    /** With every ending put in, or left out behind a bare 1. */
    public static String fit(String text) {
        Matcher place = PLACE.matcher(text);
        StringBuilder out = new StringBuilder();
        while (place.find()) {
            String one = place.group("one") == null ? "" : place.group("one");
            String ending = place.group("number").equals("1") ? one : place.group("many");
            place.appendReplacement(
                    out, Matcher.quoteReplacement(place.group("number") + place.group("between") + ending));
        }
        return place.appendTail(out).toString().replace(OPENING, '[').replace(CLOSING, ']');
    }
}
