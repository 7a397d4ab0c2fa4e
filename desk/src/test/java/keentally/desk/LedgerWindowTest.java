package keentally.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import javafx.scene.control.TableView;
import keentally.core.picture.Plane8;
import keentally.desk.ledger.LedgerModel;
import keentally.study.picture.PictureWriter;
import keentally.study.series.LedgerEntry;
import keentally.study.series.LedgerEntry.Standing;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A series run, stopped and resumed; rows that no longer hold; a row left out with a reason; a row gone to; tables taken away. */
class LedgerWindowTest {
    private static final int SAMPLES = 6;
    private static final int MORE = 10;

    @TempDir
    Path folder;

    private DeskDriver desk;

    @BeforeEach
    void samplesOfOneMethod() throws Exception {
        desk = DeskDriver.start(folder);
        List<Path> files = new ArrayList<>();
        for (int i = 0; i < SAMPLES; i++) {
            files.add(folder.resolve("p" + i + ".png"));
            PictureWriter.png(files.get(i), dots(i + 2));
        }
        desk.open(files.toArray(Path[]::new));
        desk.quiet();
        desk.stations("threshold");
        desk.settle();
        desk.click("view-ledger");
        desk.quiet();
    }

    @AfterEach
    void stop() {
        desk.close();
    }

    private static Plane8 dots(int count) {
        return dots(count, 120, 90);
    }

    private static Plane8 dots(int count, int width, int height) {
        byte[] values = new byte[width * height];
        for (int d = 0; d < count; d++) {
            for (int y = 0; y < 6; y++) {
                for (int x = 0; x < 6; x++) {
                    values[(5 + y) * width + 5 + d * 14 + x] = (byte) 200;
                }
            }
        }
        return Plane8.of(width, height, values);
    }

    @SuppressWarnings("unchecked") // the table has entries alone
    private TableView<LedgerEntry> table() {
        return (TableView<LedgerEntry>) desk.node("ledger-table");
    }

    private List<Standing> standings() {
        return desk.onFx(
                () -> table().getItems().stream().map(LedgerEntry::standing).toList());
    }

    private void choose(int... rows) {
        desk.onFx(() -> {
            table().getSelectionModel().clearSelection();
            for (int row : rows) {
                table().getSelectionModel().select(row);
            }
            return null;
        });
    }

    @Test
    void aSeriesIsRunAndOnlyWhatChangedIsRunAgain() {
        assertThat(standings()).hasSize(SAMPLES).containsOnly(Standing.NOT_RUN);
        choose(0, 2);
        desk.fire("ledger-run-chosen");
        desk.settleBeside();
        assertThat(standings()).filteredOn(s -> s == Standing.DONE).hasSize(2);
        desk.fire("ledger-run-all");
        desk.settleBeside();
        assertThat(standings()).containsOnly(Standing.DONE);
        assertThat(desk.onFx(() -> table().getItems().stream()
                        .map(e -> e.row().orElseThrow().objects().orElseThrow().count())
                        .toList()))
                .containsExactly(2, 3, 4, 5, 6, 7);
        desk.fire("ledger-run-all");
        desk.settleBeside();
        assertThat(desk.onFx(() -> desk.model().message().get()))
                .startsWith("Every sample that was asked for has its row");
        desk.onFx(() -> desk.model().change("other", m -> m.then("fill-holes")));
        desk.settleBeside();
        assertThat(standings()).as("no row holds any more").containsOnly(Standing.CHANGED);
        desk.command("undo");
        desk.settleBeside();
        assertThat(standings()).as("they hold again").containsOnly(Standing.DONE);
    }

    @Test
    void aRowIsLeftOutForAReasonAndGoneTo() {
        desk.fire("ledger-run-all");
        desk.settleBeside();
        assertThat(desk.text("group-1-fields")).isEqualTo("6");
        choose(5);
        desk.command("leave-out");
        desk.answer(true);
        assertThat(desk.asked()).as("a reason is needed").isPresent();
        desk.fill("leave-out-reason", "out of focus");
        desk.answer(true);
        desk.settleBeside();
        assertThat(desk.text("group-1-fields")).isEqualTo("5");
        assertThat(desk.onFx(() -> table().getItems().get(5).thing().leftOut())).contains("out of focus");
        desk.command("undo");
        desk.settleBeside();
        assertThat(desk.text("group-1-fields")).isEqualTo("6");
        desk.onFx(() -> {
            table().getOnKeyPressed()
                    .handle(new javafx.scene.input.KeyEvent(
                            javafx.scene.input.KeyEvent.KEY_PRESSED,
                            "",
                            "",
                            javafx.scene.input.KeyCode.ENTER,
                            false,
                            false,
                            false,
                            false));
            return null;
        });
        desk.settleBeside();
        assertThat(desk.onFx(() -> desk.model().sampleId().get())).isEqualTo("s6");
        assertThat(desk.has("station-panel")).as("it is on the Bench").isTrue();
    }

    @Test
    void aSampleThatWantsWorkByHandSaysSoBeforeItIsRun() {
        desk.click("view-bench");
        desk.onFx(() -> desk.model().change("paint", m -> m.then("paint")));
        desk.settle();
        desk.click("view-ledger");
        desk.quiet();
        desk.settleBeside();
        assertThat(desk.onFx(() -> table().getItems().stream()
                        .filter(e -> e.wants().isPresent())
                        .map(e -> e.wants().get())
                        .distinct()
                        .toList()))
                .containsExactly("2 Paint");
        long wanting = desk.onFx(() ->
                table().getItems().stream().filter(e -> e.wants().isPresent()).count());
        desk.fire("ledger-run-all");
        desk.settleBeside();
        assertThat(desk.onFx(() -> desk.model().message().get()))
                .contains("Not run, for it wants work by hand first: ", "p5 (2 Paint)");
        assertThat(standings()).filteredOn(s -> s == Standing.NOT_RUN).hasSize((int) wanting);
    }

    @Test
    void aPictureThatIsGoneIsARowWithItsReason() throws Exception {
        Files.delete(folder.resolve("p3.png"));
        desk.fire("ledger-run-all");
        desk.settleBeside();
        assertThat(standings().get(3)).isEqualTo(Standing.FAILED);
        assertThat(standings()).filteredOn(s -> s == Standing.DONE).hasSize(SAMPLES - 1);
    }

    /** The last of the samples are so large that the series is at work on them when the word to stop comes, however late that is. */
    @Test
    void aSeriesIsStoppedAndGoesOnWhereItStood() throws Exception {
        List<Path> more = new ArrayList<>();
        for (int i = 0; i < MORE; i++) {
            more.add(folder.resolve("more" + i + ".png"));
            PictureWriter.png(more.get(i), dots(3 + i, 2000, 1500));
        }
        desk.open(more.toArray(Path[]::new));
        desk.quiet();
        desk.click("view-ledger");
        desk.onFx(() -> {
            series().progress().addListener((o, was, is) -> {
                if (is.filter(p -> p.done() >= 4).isPresent()) {
                    series().stop();
                }
            });
            return null;
        });
        desk.fire("ledger-run-all");
        desk.settleBeside();
        long done = standings().stream().filter(s -> s == Standing.DONE).count();
        assertThat(done).as("rows that are done stay").isBetween(4L, SAMPLES + MORE - 1L);
        List<Object> rows = rows();
        desk.fire("ledger-run-all");
        desk.settleBeside();
        assertThat(rows().stream().filter(rows::contains).count())
                .as("none of them was run again")
                .isGreaterThanOrEqualTo(done);
        while (standings().contains(Standing.NOT_RUN)) {
            desk.fire("ledger-run-all");
            desk.settleBeside();
        }
        assertThat(standings()).hasSize(SAMPLES + MORE).containsOnly(Standing.DONE);
    }

    private LedgerModel series() {
        return desk.window().series();
    }

    private List<Object> rows() {
        return desk.onFx(() -> table().getItems().stream()
                .flatMap(e -> e.row().stream())
                .map(r -> (Object) System.identityHashCode(r))
                .toList());
    }

    @Test
    void aWatchedFolderBringsSamplesThatAreRun() throws Exception {
        Path incoming = Files.createDirectory(folder.resolve("incoming"));
        PictureWriter.png(incoming.resolve("first.png"), dots(4));
        desk.readFrom(incoming);
        desk.command("watch-folder");
        desk.until("the first picture has come", () -> standings().size() == SAMPLES + 1);
        PictureWriter.png(incoming.resolve("second.png"), dots(7));
        desk.until(
                "the second is run",
                () -> standings().size() == SAMPLES + 2
                        && standings().subList(SAMPLES, SAMPLES + 2).equals(List.of(Standing.DONE, Standing.DONE)));
        assertThat(desk.text("watched")).contains("a folder, not a camera", "2 have come");
        assertThat(desk.onFx(() -> table().getItems().stream()
                        .skip(SAMPLES)
                        .map(e -> e.row().orElseThrow().objects().orElseThrow().count())
                        .toList()))
                .containsExactly(4, 7);
        desk.fire("watch-stop");
        PictureWriter.png(incoming.resolve("third.png"), dots(2));
        assertThat(desk.onFx(() -> desk.window().watching().watched().get())).isEmpty();
        assertThat(desk.node("watch-stop").getParent().isVisible()).isFalse();
        desk.command("undo");
        desk.settleBeside();
        assertThat(standings()).as("a sample that came can be taken back").hasSize(SAMPLES + 1);
    }

    @Test
    void tablesAreTakenAway() throws Exception {
        desk.fire("ledger-run-all");
        desk.settleBeside();
        Path csv = folder.resolve("rows.csv");
        desk.saveTo(csv);
        desk.click("ledger-take");
        desk.clickInPopup("ledger-take-table");
        desk.settleBeside();
        List<String> lines = Files.readAllLines(csv);
        assertThat(lines).hasSize(SAMPLES + 1);
        assertThat(lines.getFirst()).startsWith("sample,status,group,tag,method,count");
        desk.fire("ledger-shown-sheet");
        desk.quiet();
        assertThat(desk.node("contact-sheet").isVisible()).isTrue();
        desk.fire("ledger-against-tag");
        desk.quiet();
        assertThat(desk.text("ledger-trend")).contains("two samples or more");
    }
}
