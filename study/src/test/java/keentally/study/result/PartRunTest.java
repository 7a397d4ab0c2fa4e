package keentally.study.result;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Stream;
import keentally.core.method.Method;
import keentally.core.picture.Plane8;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.Scale;
import keentally.core.work.Cancel;
import keentally.core.work.CancelledException;
import keentally.core.work.Workers;
import keentally.study.document.PictureRef;
import keentally.study.file.FileFault;
import keentally.study.file.Sha256;
import keentally.study.picture.PictureWriter;
import keentally.study.result.PartRun.Part;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class PartRunTest {
    private static final int SAMPLES = 10;
    private static final int PARTS = 3;

    @TempDir
    Path folder;

    private final Workers workers = Workers.of(2);
    private final List<PictureOrder> samples = new ArrayList<>();
    private final Method method = Method.empty("Dots", LengthUnit.UM)
            .then("threshold", "rule", "otsu")
            .then("remove-specks", "below", "4 px2");

    @BeforeEach
    void pictures() throws Exception {
        for (int i = 0; i < SAMPLES; i++) {
            Path file = folder.resolve("p" + i + ".png");
            byte[] values = new byte[60 * 40];
            for (int d = 0; d <= i; d++) {
                for (int p = 0; p < 9; p++) {
                    values[(4 + d / 5 * 8 + p / 3) * 60 + 4 + d % 5 * 8 + p % 3] = (byte) 180;
                }
            }
            if (i == 4) {
                Files.writeString(file, "no picture");
            } else {
                PictureWriter.png(file, Plane8.of(60, 40, values));
            }
            samples.add(new PictureOrder(
                    Optional.empty(), PictureRef.of(file, 1), Optional.of(Scale.of("2 um/px")), false, List.of()));
        }
    }

    @AfterEach
    void close() {
        workers.close();
    }

    private RunOrder order(Path out, int jobs) {
        return new RunOrder(method, samples, out, jobs, false);
    }

    private int part(Path out, int number, int jobs) throws FileFault {
        return PartRun.run(order(out, jobs), new Part(number, PARTS), workers, new Cancel(), BatchRun.Watcher.SILENT);
    }

    private static Map<String, String> files(Path out) throws IOException, FileFault {
        Map<String, String> files = new TreeMap<>();
        try (Stream<Path> all = Files.walk(out)) {
            for (Path file : all.filter(Files::isRegularFile).toList()) {
                files.put(out.relativize(file).toString(), Sha256.of(Files.readAllBytes(file)));
            }
        }
        return files;
    }

    /** Stopped after some samples, and some half files left as a killed process leaves them. */
    private void killed(Path out, int number) throws Exception {
        Cancel cancel = new Cancel();
        BatchRun.Watcher watcher = new BatchRun.Watcher() {
            @Override
            public void started(int turn, int of, String sample) {
                if (turn == 2) {
                    cancel.ask();
                }
            }
        };
        assertThatThrownBy(() -> PartRun.run(order(out, 1), new Part(number, PARTS), workers, cancel, watcher))
                .isInstanceOf(CancelledException.class);
        Files.writeString(out.resolve("overlay/.x.keen-tally-part"), "half a file");
    }

    @Test
    void partsKilledAndCalledAgainMergeToTheBytesOfOneRun() throws Exception {
        Path whole = folder.resolve("whole");
        assertThat(BatchRun.run(order(whole, 1), workers, new Cancel(), BatchRun.Watcher.SILENT))
                .isEqualTo(1);
        Path parts = folder.resolve("parts");
        part(parts, 3, 2);
        killed(parts, 1);
        assertThatThrownBy(() -> PartMerge.merge(parts, false))
                .hasMessageContaining("samples have no record yet: p1, ");
        part(parts, 2, 1);
        part(parts, 1, 1);
        assertThat(PartMerge.standing(parts).missing()).isEmpty();
        assertThat(PartMerge.merge(parts, false)).isEqualTo(1);
        assertThat(files(parts)).isEqualTo(files(whole));
    }

    @Test
    void whatHasARecordIsNotRunAgainUnlessItFailed() throws Exception {
        Path out = folder.resolve("out");
        for (int number = 1; number <= PARTS; number++) {
            part(out, number, 1);
        }
        Path overlay = out.resolve("overlay/p0.png");
        Files.delete(overlay);
        PictureWriter.png(folder.resolve("p4.png"), Plane8.of(60, 40, new byte[60 * 40]));
        assertThat(part(out, 1, 1)).isZero();
        assertThat(overlay).as("it has its record").doesNotExist();
        part(out, 2, 1);
        assertThat(Files.readString(out.resolve("records/p4.json"))).doesNotContain("no picture");
    }

    @Test
    void partsOfAnotherRunAndForeignFilesAreRefused() throws Exception {
        Path out = folder.resolve("out");
        part(out, 1, 1);
        RunOrder other = new RunOrder(method.then("fill-holes"), samples, out, 1, false);
        assertThatThrownBy(() -> PartRun.run(other, new Part(1, 2), workers, new Cancel(), BatchRun.Watcher.SILENT))
                .hasMessageContaining("holds parts of another run");
        Path foreign = Files.createDirectory(folder.resolve("foreign"));
        Files.writeString(foreign.resolve("letter.txt"), "mine");
        assertThatThrownBy(() -> part(foreign, 1, 1)).hasMessageContaining("holds letter.txt");
        assertThatThrownBy(() -> PartMerge.merge(foreign, false)).hasMessageContaining("holds no parts of a run");
    }

    @Test
    void everySampleIsInOnePart() {
        List<Integer> all = new ArrayList<>();
        for (int number = 1; number <= 4; number++) {
            all.addAll(new Part(number, 4).places(11));
        }
        assertThat(all).hasSize(11).doesNotHaveDuplicates();
        assertThat(Part.of("2/12")).isEqualTo(new Part(2, 12));
        for (String wrong : List.of("0/3", "4/3", "2", "a/b", "1/0", "1/2/3")) {
            assertThatThrownBy(() -> Part.of(wrong)).isInstanceOf(IllegalArgumentException.class);
        }
    }
}
