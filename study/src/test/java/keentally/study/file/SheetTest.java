package keentally.study.file;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import keentally.core.reader.Language;
import keentally.core.reader.Reader;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class SheetTest {
    private static final String TABLE = Sheet.whole(
            List.of("sample", "area_um2", "cuts"),
            List.of(List.of("a, b.5", "1234.5", "2:0.5"), List.of("c;d", "-3E-7", "")));

    @TempDir
    private Path folder;

    @AfterEach
    void asItWas() {
        Sheet.useCommas(false);
        Reader.is(Language.ENGLISH, false);
    }

    private String written() throws Exception {
        Path file = folder.resolve("table.csv");
        Sheet.toFile(file, TABLE);
        return Files.readString(file);
    }

    @Test
    void filesHavePointsWhoeverReads() throws Exception {
        Reader.is(Language.GERMAN, true);
        assertThat(written()).isEqualTo("sample,area_um2,cuts\r\n\"a, b.5\",1234.5,2:0.5\r\nc;d,-3E-7,\r\n");
    }

    @Test
    void askedForTheyHaveCommasAndSemicolonsBetweenColumns() throws Exception {
        Sheet.useCommas(true);
        assertThat(written())
                .as("numbers alone, not what stands in words")
                .isEqualTo("sample;area_um2;cuts\r\na, b.5;1234,5;2:0.5\r\n\"c;d\";-3E-7;\r\n");
    }

    @Test
    void theClipboardHasWhatTheReaderReads() {
        assertThat(Sheet.copied(TABLE)).isEqualTo("sample\tarea_um2\tcuts\na, b.5\t1234.5\t2:0.5\nc;d\t-3E-7\t");
        Reader.is(Language.GERMAN, true);
        assertThat(Sheet.copied(TABLE)).contains("a, b.5\t1234,5\t2:0.5");
    }
}
