package keentally.desk.look;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import keentally.core.reader.Reader;

/** The help as it comes with the program: headings, and the paragraphs below each. */
public final class HelpText {
    private HelpText() {}

    /** @param text paragraphs with an empty line between */
    public record Part(String heading, String text) {}

    /** The heading below which cautions are told of. */
    public static String cautions() {
        return Texts.of("help.cautions");
    }

    public static List<Part> parts() {
        return Arrays.stream(all().split("(?m)^# "))
                .filter(p -> !p.isBlank())
                .map(p -> p.split("\n", 2))
                .map(p -> new Part(p[0].strip(), p[1].strip()))
                .toList();
    }

    /** A line for each library that comes with the program. */
    public static String licences() {
        return read("licences.txt");
    }

    private static String all() {
        return read("help" + Reader.language().ending() + ".txt");
    }

    private static String read(String name) {
        try (InputStream in = HelpText.class.getResourceAsStream("/keentally/desk/" + name)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
