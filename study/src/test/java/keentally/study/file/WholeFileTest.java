package keentally.study.file;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class WholeFileTest {
    @TempDir
    private Path folder;

    @Test
    void whatFailsHalfWayLeavesTheFileAsItWasAndIsOneSentence() throws Exception {
        Path file = Files.writeString(folder.resolve("a.csv"), "old");
        assertThatThrownBy(() -> WholeFile.write(file, out -> {
                    out.write(1);
                    throw new IOException("I/O error writing PNG file!");
                }))
                .isInstanceOf(FileFault.class)
                .hasMessage(
                        file + " cannot be written: I/O error writing PNG file; choose another place or make room.");
        assertThat(file).hasContent("old");
        try (Stream<Path> left = Files.list(folder)) {
            assertThat(left).containsExactly(file);
        }
    }
}
