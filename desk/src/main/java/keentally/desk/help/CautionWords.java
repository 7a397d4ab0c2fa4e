package keentally.desk.help;

import keentally.core.reader.Reader;
import keentally.core.words.Sentences;
import keentally.study.caution.CautionKind;

/** What each caution means and what to do, from {@code cautions.properties}. */
public final class CautionWords {
    private static final String BUNDLE = "keentally.desk.cautions";

    private CautionWords() {}

    public static String about(CautionKind kind) {
        return Reader.bundle(BUNDLE).getString(kind.id());
    }

    /** With a capital. */
    public static String title(CautionKind kind) {
        String title = Sentences.told(kind.title());
        return Character.toUpperCase(title.charAt(0)) + title.substring(1);
    }
}
