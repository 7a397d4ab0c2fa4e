package keentally.samples;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;

class AccuracyTest {
    private static final List<Accuracy.Row> ROWS = Accuracy.rows();

    @Test
    void drawnShapesAreMeasuredAsNearAsWeHoldOurselvesTo() {
        assertThat(ROWS).hasSizeGreaterThan(30).allMatch(Accuracy.Row::holds);
    }

    /** 'build/accuracy' writes it again. */
    @Test
    void theTableInTheDocumentsIsWhatIsMeasured() throws IOException {
        assertThat(Files.readString(Path.of("../docs/accuracy.md"))).isEqualTo(Accuracy.page(ROWS));
    }
}
