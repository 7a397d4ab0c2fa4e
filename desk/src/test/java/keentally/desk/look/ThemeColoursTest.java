package keentally.desk.look;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Text can be read on what it stands on: a contrast of 4.5 to 1 at least, as WCAG 2.2 (1.4.3) defines and asks for it. */
class ThemeColoursTest {
    private static final Pattern TOKEN = Pattern.compile("(-kt-[a-z-]+): (#[0-9A-Fa-f]{6})");
    private static final double LEAST = 4.5;

    private static Map<String, String> tokens(String sheet) throws IOException {
        try (InputStream in = Theme.class.getResourceAsStream("/keentally/desk/" + sheet + ".css")) {
            Matcher found = TOKEN.matcher(new String(in.readAllBytes(), StandardCharsets.UTF_8));
            Map<String, String> tokens = new HashMap<>();
            while (found.find()) {
                tokens.put(found.group(1), found.group(2));
            }
            return tokens;
        }
    }

    /** Relative luminance of WCAG 2.2. */
    private static double luminance(String colour) {
        int rgb = Integer.parseInt(colour.substring(1), 16);
        double sum = 0;
        double[] weights = {0.2126, 0.7152, 0.0722};
        for (int c = 0; c < 3; c++) {
            double v = (rgb >> 8 * (2 - c) & 0xff) / 255.0;
            sum += weights[c] * (v <= 0.04045 ? v / 12.92 : Math.pow((v + 0.055) / 1.055, 2.4));
        }
        return sum;
    }

    private static double contrast(String one, String other) {
        double a = luminance(one);
        double b = luminance(other);
        return (Math.max(a, b) + 0.05) / (Math.min(a, b) + 0.05);
    }

    @ParameterizedTest
    @CsvSource({
        "-kt-ink, -kt-window",
        "-kt-ink, -kt-sheet",
        "-kt-soft, -kt-window",
        "-kt-soft, -kt-sheet",
        "-kt-accent, -kt-window",
        "-kt-accent, -kt-sheet",
        "-kt-on-accent, -kt-accent",
        "-kt-ink, -kt-accent-pale",
        "-kt-ink, -kt-select-pale",
        "-kt-on-caution, -kt-caution",
        "-kt-bad, -kt-window",
        "-kt-bad, -kt-sheet"
    })
    void textIsReadInBothThemes(String text, String ground) throws IOException {
        for (String sheet : new String[] {"day", "night"}) {
            Map<String, String> tokens = tokens(sheet);
            assertThat(contrast(tokens.get(text), tokens.get(ground)))
                    .as("%s on %s by %s", text, ground, sheet)
                    .isGreaterThanOrEqualTo(LEAST);
        }
    }

    @ParameterizedTest
    @CsvSource({"day", "night"})
    void whiteIsReadOnTheGroundAroundThePicture(String sheet) throws IOException {
        assertThat(contrast("#FFFFFF", tokens(sheet).get("-kt-around"))).isGreaterThanOrEqualTo(LEAST);
    }
}
