package keentally.desk.find;

import java.util.MissingResourceException;
import keentally.core.reader.Language;
import keentally.core.reader.Reader;

/** What people call things that are called otherwise here, from {@code find.properties}. */
final class Synonyms {
    private static final String BUNDLE = "keentally.desk.find";

    private Synonyms() {}

    /** Words for what has this id, separated by blanks, the English ones too; empty where no more are needed than it says itself. */
    static String of(String id) {
        try {
            String english = Reader.bundle(BUNDLE, Language.ENGLISH).getString(id);
            return Reader.language() == Language.ENGLISH
                    ? english
                    : Reader.bundle(BUNDLE).getString(id) + " " + english;
        } catch (MissingResourceException e) {
            return "";
        }
    }
}
