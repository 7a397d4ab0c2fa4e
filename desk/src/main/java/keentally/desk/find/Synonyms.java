package keentally.desk.find;

import java.util.MissingResourceException;
import java.util.ResourceBundle;

/** What people call things that are called otherwise here, from {@code find.properties}. */
final class Synonyms {
    private static final ResourceBundle BUNDLE = ResourceBundle.getBundle("keentally.desk.find");

    private Synonyms() {}

    /** Words for what has this id, separated by blanks; empty where no more are needed than it says itself. */
    static String of(String id) {
        try {
            return BUNDLE.getString(id);
        } catch (MissingResourceException e) {
            return "";
        }
    }
}
