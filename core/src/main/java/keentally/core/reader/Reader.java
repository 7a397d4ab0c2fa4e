package keentally.core.reader;

import java.util.Map;
import java.util.ResourceBundle;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;

/**
 * Whoever reads what the program says. Chosen once, when the window opens; what is written into files is said {@link #plainly}, in English and
 * with points, whoever reads.
 */
public final class Reader {
    private static final ScopedValue<Boolean> PLAINLY = ScopedValue.newInstance();
    private static final Map<String, ResourceBundle> BUNDLES = new ConcurrentHashMap<>();
    private static final ResourceBundle.Control NO_FALLBACK =
            ResourceBundle.Control.getNoFallbackControl(ResourceBundle.Control.FORMAT_PROPERTIES);

    /** A number in a sentence, not one in a name such as v1.2, 3.tif or 10.1000/182. */
    private static final Pattern NUMBER = Pattern.compile(
            "(?<![\\p{L}\\d.,_/])(\\d{1,3}(,\\d{3})+|\\d+)(\\.\\d+)?(?![\\p{L}\\d_/]|[.,]\\d|\\.\\p{L})");

    /** Keeps its place between the digits, in every typeface. */
    private static final char THOUSANDS = '\u00a0';

    private static volatile Language language = Language.ENGLISH;
    private static volatile boolean comma;

    private Reader() {}

    /** From now on it is this reader. */
    public static void is(Language language, boolean decimalComma) {
        Reader.language = language;
        Reader.comma = decimalComma;
    }

    public static Language language() {
        return PLAINLY.isBound() ? Language.ENGLISH : language;
    }

    public static boolean decimalComma() {
        return comma && !PLAINLY.isBound();
    }

    /** Something that is said for a file: in English and with points. It holds for this thread alone. */
    public static <T, X extends Throwable> T plainly(ScopedValue.CallableOp<? extends T, X> said) throws X {
        return ScopedValue.where(PLAINLY, true).call(said);
    }

    /** Texts in the reader's language. */
    public static ResourceBundle bundle(String name) {
        return bundle(name, language());
    }

    /** Texts in a language; what it lacks is in English. */
    public static ResourceBundle bundle(String name, Language language) {
        return BUNDLES.computeIfAbsent(
                name + language.ending(), n -> ResourceBundle.getBundle(name, language.locale(), NO_FALLBACK));
    }

    /** A figure that is written with a point and with commas between thousands, as the reader writes it. */
    public static String marks(String figure) {
        return decimalComma() ? figure.replace(',', THOUSANDS).replace('.', ',') : figure;
    }

    /** A sentence that holds such figures. */
    public static String marksIn(String sentence) {
        return decimalComma() ? NUMBER.matcher(sentence).replaceAll(Reader::marks) : sentence;
    }

    private static String marks(MatchResult figure) {
        return marks(figure.group());
    }
}
