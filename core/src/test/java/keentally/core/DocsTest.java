package keentally.core;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** Whoever calls core reads what it takes and in which units. */
class DocsTest {
    private static final Pattern OPEN_METHOD = Pattern.compile(
            "(?:^|\\n)(?<before>[^\\n]*)\\n(?<marks>(?: +@[^\\n]+\\n)*) +public (?!record|enum)[^=;{(]*\\((?!\\))[^{;]*[{;]");

    @Test
    void publicMethodsWithParametersHaveDocs() throws IOException {
        try (Stream<Path> files = Files.walk(Path.of("src/main/java"))) {
            assertThat(files.filter(f -> f.toString().endsWith(".java")).flatMap(DocsTest::lacking))
                    .isEmpty();
        }
    }

    @Test
    void aMethodWithoutDocsIsFound() {
        String bare = "class A {\n\n    @Deprecated\n    public int b(int c) {";
        assertThat(lacking("A", bare)).hasSize(1);
        assertThat(lacking("A", bare.replace("{\n\n", "{\n    /** D. */\n"))).isEmpty();
        assertThat(lacking("A", bare.replace("Deprecated", "Override"))).isEmpty();
    }

    private static Stream<String> lacking(Path file) {
        try {
            return lacking(file.getFileName().toString(), Files.readString(file)).stream();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static List<String> lacking(String name, String source) {
        return OPEN_METHOD
                .matcher(source)
                .results()
                .filter(m -> !m.group("marks").contains("@Override"))
                .filter(m -> !m.group("before").strip().endsWith("*/"))
                .map(m -> name + ": " + m.group().strip())
                .toList();
    }
}
