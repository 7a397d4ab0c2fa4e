package keentally.core.reader;

import java.util.Locale;

/** What the program can be read in. English is what it is written in, and what files and the command line keep to. */
public enum Language {
    ENGLISH(Locale.ROOT),
    GERMAN(Locale.GERMAN);

    private final Locale locale;

    Language(Locale locale) {
        this.locale = locale;
    }

    Locale locale() {
        return locale;
    }

    /** As pages name it: {@code de}. */
    public String tag() {
        return locale.getLanguage().isEmpty() ? "en" : locale.getLanguage();
    }

    /** What stands behind the name of a text's file: nothing, or {@code _de}. */
    public String ending() {
        return locale.getLanguage().isEmpty() ? "" : "_" + locale.getLanguage();
    }
}
