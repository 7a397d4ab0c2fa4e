package keentally.study.file;

import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import tools.jackson.core.JacksonException;
import tools.jackson.core.StreamReadFeature;
import tools.jackson.core.util.DefaultIndenter;
import tools.jackson.core.util.DefaultPrettyPrinter;
import tools.jackson.databind.ObjectWriter;
import tools.jackson.databind.json.JsonMapper;

/** JSON as trees of maps, lists, text, numbers and booleans; maps keep their order. */
public final class Json {
    private static final JsonMapper MAPPER = JsonMapper.builder()
            .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
            .build();
    private static final ObjectWriter PRETTY = MAPPER.writer()
            .with(new DefaultPrettyPrinter()
                    .withObjectIndenter(new DefaultIndenter("  ", "\n"))
                    .withArrayIndenter(new DefaultIndenter("  ", "\n")));

    private static final long MOST_BYTES = 64L << 20;

    private Json() {}

    /** @throws FileFault naming the file, line and column */
    public static Object read(Path file) throws FileFault {
        String text = text(file);
        try {
            return MAPPER.readValue(text, Object.class);
        } catch (JacksonException e) {
            String place = e.getLocation() == null
                    ? ""
                    : " at line " + e.getLocation().getLineNr() + ", column "
                            + e.getLocation().getColumnNr();
            throw new FileFault(
                    file + " is not well-formed JSON" + place
                            + "; look there and just before it for a missing comma, quote or bracket.",
                    e);
        }
    }

    /** Without the mark of byte order that some editors put in front. */
    private static String text(Path file) throws FileFault {
        byte[] bytes = WholeFile.read(file, MOST_BYTES);
        String text = new String(bytes, StandardCharsets.UTF_8);
        return text.startsWith("\ufeff") ? text.substring(1) : text;
    }

    /** @throws IllegalArgumentException where the text is no JSON */
    public static Object parse(String text) {
        try {
            return MAPPER.readValue(text, Object.class);
        } catch (JacksonException e) {
            throw new IllegalArgumentException("not well-formed JSON", e);
        }
    }

    /** For people: indented, ending in a new line. */
    public static String pretty(Object tree) {
        return PRETTY.writeValueAsString(tree) + "\n";
    }

    /** For hashes: nothing but what is needed. */
    public static String compact(Object tree) {
        return MAPPER.writeValueAsString(tree);
    }
}
