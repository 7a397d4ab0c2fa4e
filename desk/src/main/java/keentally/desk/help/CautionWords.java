package keentally.desk.help;

import java.util.ResourceBundle;
import keentally.study.caution.CautionKind;

/** What each caution means and what to do, from {@code cautions.properties}. */
public final class CautionWords {
    private static final ResourceBundle BUNDLE = ResourceBundle.getBundle("keentally.desk.cautions");

    private CautionWords() {}

    public static String about(CautionKind kind) {
        return BUNDLE.getString(kind.id());
    }

    /** With a capital. */
    public static String title(CautionKind kind) {
        return Character.toUpperCase(kind.title().charAt(0)) + kind.title().substring(1);
    }
}
