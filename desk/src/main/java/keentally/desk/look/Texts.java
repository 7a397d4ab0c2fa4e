package keentally.desk.look;

import java.text.MessageFormat;
import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import java.util.ResourceBundle;
import keentally.core.words.Plural;
import keentally.core.words.Words;

/** Everything the desk says, from {@code desk.properties}; what it says about steps and measures stands in core's words. */
public final class Texts {
    private static final ResourceBundle BUNDLE = ResourceBundle.getBundle("keentally.desk.desk");

    private Texts() {}

    public static String of(String key) {
        return BUNDLE.getString(key);
    }

    /** Empty where nothing is said under this key. */
    public static Optional<String> find(String key) {
        return BUNDLE.containsKey(key) ? Optional.of(BUNDLE.getString(key)) : Optional.empty();
    }

    /** With {0}, {1}, ... filled in, numbers coming as text, and the plural endings that stand in the text in brackets fitted. */
    public static String of(String key, Object... parts) {
        Object[] kept =
                Arrays.stream(parts).map(p -> Plural.kept(String.valueOf(p))).toArray();
        return Plural.fit(new MessageFormat(BUNDLE.getString(key), Locale.ROOT).format(kept));
    }

    /** What is wrong with something that was typed or drawn, as a sentence for people. */
    public static String complaint(String reason) {
        return Words.spoken(of("complaint", reason));
    }
}
