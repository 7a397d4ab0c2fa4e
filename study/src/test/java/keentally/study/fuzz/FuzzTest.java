package keentally.study.fuzz;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A bounded number of damaged files, the same ones each time. */
class FuzzTest {
    @TempDir
    private Path scratch;

    @Test
    void damagedFilesGiveSentences() throws Exception {
        Fuzz fuzz = new Fuzz(Path.of("target/fuzz"));
        for (Fuzz.Target target : Targets.all(scratch)) {
            long most = target.name().equals("studies") ? 60 : 1500;
            fuzz.run(target, 1, n -> n < most);
        }
        assertThat(fuzz.found()).isEmpty();
    }
}
