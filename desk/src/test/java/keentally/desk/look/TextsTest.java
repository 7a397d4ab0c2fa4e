package keentally.desk.look;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

class TextsTest {
    /** Of two sentences with one key the first would never be seen. */
    @Test
    void everyKeyStandsOnce() throws IOException {
        List<String> keys = keys("/keentally/desk/desk.properties");
        assertThat(keys).hasSizeGreaterThan(500).doesNotHaveDuplicates();
        assertThat(keys("/keentally/core/words/words.properties"))
                .hasSizeGreaterThan(300)
                .doesNotHaveDuplicates();
    }

    private static List<String> keys(String resource) throws IOException {
        try (var in = TextsTest.class.getResourceAsStream(resource)) {
            Stream<String> lines = new String(in.readAllBytes(), StandardCharsets.UTF_8).lines();
            return lines.filter(l -> l.contains("=") && !l.startsWith("#"))
                    .map(l -> l.substring(0, l.indexOf('=')))
                    .toList();
        }
    }
}
