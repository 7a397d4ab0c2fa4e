package keentally.study.result;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Deque;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Stream;
import keentally.core.method.Method;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.Scale;
import keentally.core.work.Cancel;
import keentally.core.work.CancelledException;
import keentally.core.work.Workers;
import keentally.study.DotSamples;
import keentally.study.document.PictureRef;
import keentally.study.file.FileFault;
import keentally.study.file.Sha256;
import keentally.study.picture.PictureWriter;
import keentally.study.run.SampleRecord;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class WatchRunTest {
    @TempDir
    Path folder;

    private final Workers workers = Workers.of(2);
    private final List<String> ran = new ArrayList<>();
    private Method method;
    private Path incoming;
    private Path out;

    @BeforeEach
    void folders() throws Exception {
        method = DotSamples.study(folder, 0).method("m1");
        incoming = Files.createDirectory(folder.resolve("incoming"));
        out = folder.resolve("out");
    }

    @AfterEach
    void close() {
        workers.close();
    }

    /** What happens in the folder between two looks. */
    @FunctionalInterface
    private interface Happening {
        void now() throws IOException, FileFault;
    }

    /** Ends when nothing happens any more and nothing is on its way. */
    private final class Script implements WatchRun.Watcher {
        private final Deque<Happening> left;

        Script(Happening... happenings) {
            left = new ArrayDeque<>(Arrays.asList(happenings));
        }

        @Override
        public void ran(SampleRecord record) {
            ran.add(record.sample() + (record.error().isPresent() ? " failed" : ""));
        }

        @Override
        public boolean pause(int coming) {
            if (left.isEmpty()) {
                return coming > 0;
            }
            try {
                left.removeFirst().now();
            } catch (IOException | FileFault e) {
                throw new IllegalStateException(e);
            }
            return true;
        }
    }

    private PictureOrder order(String name, PictureRef picture) {
        return new PictureOrder(Optional.of(name), picture, Optional.of(Scale.of("2 um/px")), false, List.of());
    }

    private RunOrder empty(Method of) {
        return new RunOrder(of, List.of(), out, 1, true);
    }

    private int watch(WatchRun.Watcher script) throws FileFault {
        return WatchRun.run(incoming, empty(method), this::order, workers, new Cancel(), script);
    }

    private void put(String name, int dots) throws FileFault {
        PictureWriter.png(incoming.resolve(name), DotSamples.dots(dots));
    }

    private static Map<String, String> files(Path of) throws IOException, FileFault {
        Map<String, String> files = new TreeMap<>();
        try (Stream<Path> all = Files.walk(of)) {
            for (Path file : all.filter(Files::isRegularFile)
                    .filter(f -> !f.getFileName().toString().matches("run.json|order.json"))
                    .toList()) {
                files.put(of.relativize(file).toString(), Sha256.of(file));
            }
        }
        return files;
    }

    @Test
    void eachPictureIsRunOnceItIsWholeAndTheTablesAreThoseOfOneRun() throws Exception {
        put("b.png", 2);
        PictureWriter.png(folder.resolve("whole.png"), DotSamples.dots(3));
        byte[] whole = Files.readAllBytes(folder.resolve("whole.png"));
        int failed = watch(new Script(
                () -> Files.write(incoming.resolve("a.png"), Arrays.copyOf(whole, whole.length / 2)),
                () -> Files.write(incoming.resolve("a.png"), whole),
                () -> Files.writeString(incoming.resolve("notes.txt"), "not a picture"),
                () -> put(".hidden.png", 9)));
        assertThat(failed).isZero();
        assertThat(ran).as("in the order in which they came").containsExactly("b", "a");
        Path plain = folder.resolve("plain");
        List<PictureOrder> both = List.of(
                order("b", PictureRef.of(incoming.resolve("b.png"), 1)),
                order("a", PictureRef.of(incoming.resolve("a.png"), 1)));
        BatchRun.run(new RunOrder(method, both, plain, 1, true), workers, new Cancel(), BatchRun.Watcher.SILENT);
        assertThat(files(out)).isEqualTo(files(plain));
    }

    @Test
    void calledAgainItGoesOnWithWhatCameMeanwhile() throws Exception {
        put("one.png", 2);
        watch(new Script());
        put("two.png", 4);
        put("one.jpeg.png", 3);
        watch(new Script());
        assertThat(ran).containsExactly("one", "one.jpeg", "two");
        assertThat(Files.readAllLines(out.resolve("samples.csv"))).hasSize(4);
        assertThat(PartMerge.merge(out, true))
                .as("it can be closed as parts are")
                .isZero();
        assertThat(out.resolve(OrderFile.NAME)).doesNotExist();
    }

    @Test
    void picturesOfOneNameAreToldApart() throws Exception {
        put("one.png", 2);
        watch(new Script(() -> Files.copy(incoming.resolve("one.png"), incoming.resolve("one.PNG"))));
        assertThat(ran).containsExactly("one", "one.PNG");
        assertThat(out.resolve("records/one.PNG.json")).exists();
    }

    @Test
    void aPictureThatCannotBeReadIsARowAndTheNextIsRun() throws Exception {
        assertThat(watch(new Script(
                        () -> Files.writeString(incoming.resolve("bad.png"), "no picture"), () -> put("good.png", 2))))
                .isEqualTo(1);
        assertThat(ran).containsExactlyInAnyOrder("bad failed", "good");
    }

    @Test
    void stoppedItKeepsWhatWasRun() throws Exception {
        put("one.png", 2);
        Cancel cancel = new Cancel();
        assertThatThrownBy(() -> WatchRun.run(
                        incoming,
                        empty(method),
                        this::order,
                        workers,
                        cancel,
                        new Script(() -> {}, () -> {}, cancel::ask)))
                .isInstanceOf(CancelledException.class);
        assertThat(Files.readAllLines(out.resolve("samples.csv"))).hasSize(2);
    }

    /** Stopped while a picture is run, and called again: nothing stands in the way, and nothing is lost. */
    @Test
    void stoppedInTheMiddleOfAPictureItGoesOn() throws Exception {
        put("one.png", 2);
        put("two.png", 3);
        Cancel cancel = new Cancel();
        WatchRun.Watcher stopping = new WatchRun.Watcher() {
            @Override
            public void ran(SampleRecord record) {
                ran.add(record.sample());
                cancel.ask(); // the second is begun, and given up
            }

            @Override
            public boolean pause(int coming) {
                return true;
            }
        };
        assertThatThrownBy(() -> WatchRun.run(incoming, empty(method), this::order, workers, cancel, stopping))
                .isInstanceOf(CancelledException.class);
        assertThat(Files.readAllLines(out.resolve("samples.csv"))).hasSize(2);
        watch(new Script());
        assertThat(ran).containsExactly("one", "two");
        assertThat(Files.readAllLines(out.resolve("samples.csv"))).hasSize(3);
    }

    @Test
    void aPictureWhoseWriterPausedIsRunAgainWhenItIsWhole() throws Exception {
        PictureWriter.png(folder.resolve("whole.png"), DotSamples.dots(3));
        byte[] whole = Files.readAllBytes(folder.resolve("whole.png"));
        int failed = watch(new Script(
                () -> Files.write(incoming.resolve("a.png"), Arrays.copyOf(whole, whole.length / 2)),
                () -> {},
                () -> {},
                () -> Files.write(incoming.resolve("a.png"), whole),
                () -> {}));
        assertThat(ran).containsExactly("a failed", "a");
        assertThat(failed).isZero();
        assertThat(Files.readAllLines(out.resolve("samples.csv")))
                .as("one sample, not two")
                .hasSize(2);
    }

    @Test
    void whatDoesNotBelongTogetherIsRefused() throws Exception {
        put("one.png", 2);
        watch(new Script());
        Method other = Method.empty("Other", LengthUnit.PX).then("threshold", "rule", "triangle");
        assertThatThrownBy(() -> WatchRun.run(incoming, empty(other), this::order, workers, new Cancel(), new Script()))
                .isInstanceOf(FileFault.class)
                .hasMessageContaining("holds what another method or other options came to");
        assertThatThrownBy(() -> WatchRun.run(
                        out,
                        new RunOrder(method, List.of(), out, 1, true),
                        this::order,
                        workers,
                        new Cancel(),
                        new Script()))
                .isInstanceOf(FileFault.class)
                .hasMessageContaining("cannot go into the folder that is watched");
        assertThatThrownBy(() -> WatchRun.run(
                        folder.resolve("nowhere"), empty(method), this::order, workers, new Cancel(), new Script()))
                .isInstanceOf(FileFault.class)
                .hasMessageContaining("is no folder");
    }
}
