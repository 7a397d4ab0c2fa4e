package keentally.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javafx.scene.control.TableView;
import javafx.scene.layout.VBox;
import keentally.study.result.PhaseShares;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Shares as a result: named, of another whole, side by side, and taken away. */
class PhaseSharesWindowTest {
    @TempDir
    private Path folder;

    private DeskDriver desk;

    @BeforeEach
    void start() throws Exception {
        desk = DeskDriver.proving(folder);
    }

    @AfterEach
    void close() {
        desk.close();
    }

    private List<PhaseShares.Row> rows() {
        TableView<?> table = (TableView<?>) desk.node("phases-table");
        return desk.onFx(
                () -> table.getItems().stream().map(r -> (PhaseShares.Row) r).toList());
    }

    @Test
    void sharesOfOneSampleAndOfAllWithItsMethod() throws Exception {
        desk.click("view-phases");
        desk.settleBeside();
        assertThat(rows()).extracting(r -> r.phase().name()).containsExactly("pores", "crumb", "plate");
        assertThat(rows().stream().mapToDouble(PhaseShares.Row::share).sum()).isBetween(99.999, 100.001);
        assertThat(desk.text("phases-note")).startsWith("Shares are of the field. Bars are of the field: 307,200 px");
        double pores = rows().getFirst().share();
        double crumb = rows().get(1).share();
        desk.choose("phases-whole", "the phase crumb");
        assertThat(rows().getFirst().share()).isCloseTo(100 * pores / crumb, within(1e-9));
        assertThat(desk.text("phases-note")).startsWith("Shares are of the phase crumb. Bars are of the field");

        desk.click("phases-of-all");
        desk.click("phases-run");
        desk.settleBeside();
        int samples = desk.model().study().get().samples().size();
        assertThat(rows()).hasSize(3 * samples);
        VBox bars = (VBox) desk.node("phases-bars");
        assertThat(desk.onFx(() -> bars.getChildren().size())).isEqualTo(samples);
        Path out = folder.resolve("shares.csv");
        desk.saveTo(out);
        desk.click("phases-take");
        desk.settleBeside();
        assertThat(Files.readAllLines(out))
                .hasSize(3 * samples + 1)
                .first()
                .asString()
                .startsWith("sample,name,share_percent,whole");
        desk.click("phases-copy");
        assertThat(desk.text("message")).isEqualTo(3 * samples + " rows copied.");
    }
}
