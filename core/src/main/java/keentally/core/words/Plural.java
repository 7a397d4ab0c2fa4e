package keentally.core.words;

import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Endings of words by the number before them: {@code 3 object[s]} is 3 objects, {@code 1 object[s]} one object. */
public final class Plural {
    private static final Pattern PLACE =
            Pattern.compile("(?<number>[0-9][0-9,.]*)(?<between>[^0-9\\[\\]]*)\\[(?<ending>[a-z]+)]");

    private Plural() {}

    /** With every ending put in, or left out behind a bare 1. */
    public static String fit(String text) {
        Matcher place = PLACE.matcher(text);
        StringBuilder out = new StringBuilder();
        while (place.find()) {
            String ending = place.group("number").equals("1") ? "" : place.group("ending");
            place.appendReplacement(
                    out, Matcher.quoteReplacement(place.group("number") + place.group("between") + ending));
        }
        return place.appendTail(out).toString();
    }
}
