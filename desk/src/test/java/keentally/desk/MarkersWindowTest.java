package keentally.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.Arrays;
import javafx.scene.input.KeyCode;
import keentally.core.hand.Seeds;
import keentally.core.view.Look;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Where regions begin: seen, taken over, moved and taken away. */
class MarkersWindowTest {
    private static final int CROSS = 0xffffffff;

    @TempDir
    private Path folder;

    private DeskDriver desk;

    @BeforeEach
    void start() throws Exception {
        desk = DeskDriver.darkDiscs(folder);
    }

    @AfterEach
    void close() {
        desk.close();
    }

    private long crosses() {
        return Arrays.stream(desk.colours("stage")).filter(c -> c == CROSS).count();
    }

    private void toggle() {
        desk.onFx(() -> {
            desk.window().stageModel().toggle(Look.Mark.MARKERS);
            return null;
        });
        desk.quiet();
    }

    private Seeds placed(String station) {
        return (Seeds) desk.model()
                .study()
                .get()
                .hand(desk.model().sampleId().get(), desk.model().methodId())
                .get(station);
    }

    @Test
    void foundMarkersBecomePlacedOnesAndCanBeMoved() {
        desk.stations("grow-regions");
        String station = desk.model().station().get();
        assertThat(desk.text("markers-count")).isEqualTo("7 markers: where regions begin");
        long with = crosses();
        toggle();
        assertThat(crosses()).isLessThan(with - 100);

        desk.reach("markers-place");
        assertThat(placed(station).places()).hasSize(7);
        assertThat(desk.count()).isEqualTo(7);
        desk.clickPictureOther(
                placed(station).places().getFirst().x(),
                placed(station).places().getFirst().y());
        assertThat(placed(station).places()).hasSize(6);
        desk.clickPicture(200, 20);
        assertThat(placed(station).places()).hasSize(7);
        desk.keys(KeyCode.CONTROL, KeyCode.Z);
        desk.keys(KeyCode.CONTROL, KeyCode.Z);
        desk.keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(desk.has("markers-place")).isTrue();
    }

    @Test
    void markersOfASplitAreSeenToo() {
        desk.stations("threshold");
        desk.choose("setting-keep", "dark");
        desk.stations("split-touching");
        assertThat(desk.text("markers-count")).isEqualTo("6 markers: where regions begin");
        long with = crosses();
        toggle();
        assertThat(crosses()).isLessThan(with - 90);
    }

    /** A disc is parted because somebody says that it is two; one without a marker stays what it is. */
    @Test
    void aSplitBeginsWhereMarkersWerePlaced() {
        desk.stations("threshold");
        desk.choose("setting-keep", "dark");
        desk.stations("split-touching");
        String station = desk.model().station().get();
        assertThat(desk.has("depth-slider")).isTrue();
        desk.reach("markers-place");
        assertThat(placed(station).places()).hasSize(6);
        assertThat(desk.count()).isEqualTo(6);
        assertThat(desk.has("depth-slider")).isFalse();
        desk.clickPicture(55, 75);
        desk.clickPicture(95, 75);
        assertThat(desk.count()).isEqualTo(8);
        desk.reach("markers-clear");
        assertThat(desk.text("fault")).contains("none were placed on this sample");
        desk.clickPicture(60, 75);
        assertThat(desk.count()).isEqualTo(6);
        desk.choose("setting-by", "light");
        desk.clickPicture(90, 75);
        assertThat(desk.count()).isEqualTo(7);
        desk.choose("setting-markers", "what is deep enough");
        assertThat(desk.has("depth-slider")).isTrue();
    }

    @Test
    void aMaskThatWasSetAsideGivesTheMarkers() {
        desk.stations("threshold");
        desk.choose("setting-keep", "dark");
        desk.stations("set-aside", "grow-regions");
        desk.choose("setting-markers", "a mask set aside");
        assertThat(desk.text("markers-count")).isEqualTo("6 markers: where regions begin");
        desk.type("setting-of", "nobody");
        assertThat(desk.text("fault")).contains("finds no mask set aside as");
    }
}
