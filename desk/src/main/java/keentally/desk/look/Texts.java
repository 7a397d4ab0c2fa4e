package keentally.desk.look;

import java.text.MessageFormat;
import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import java.util.ResourceBundle;
import keentally.core.reader.Reader;
import keentally.core.words.Plural;
import keentally.core.words.Words;

/** Everything the desk says, from {@code desk.properties}; what it says about steps and measures stands in core's words. */
public final class Texts {
    private static final String BUNDLE = "keentally.desk.desk";

    private Texts() {}

    private static ResourceBundle bundle() {
        return Reader.bundle(BUNDLE);
    }

    public static String of(String key) {
        return bundle().getString(key);
    }

    /** Empty where nothing is said under this key. */
    public static Optional<String> find(String key) {
        return bundle().containsKey(key) ? Optional.of(bundle().getString(key)) : Optional.empty();
    }

    /** With {0}, {1}, ... filled in, numbers coming as text, and the plural endings that stand in the text in brackets fitted. */
    public static String of(String key, Object... parts) {
        Object[] kept =
                Arrays.stream(parts).map(p -> Plural.kept(String.valueOf(p))).toArray();
        return Plural.fit(new MessageFormat(bundle().getString(key), Locale.ROOT).format(kept));
    }

    /** What is wrong with something that was typed or drawn, as a sentence for people. */
    public static String complaint(String reason) {
        return of("complaint", Words.spoken(reason));
    }

    /** What went wrong, as the reader is told it. */
    public static String fault(Exception wrong) {
        return Words.spoken(wrong.getMessage());
    }
}
