package keentally.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.File;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javafx.scene.input.KeyCode;
import javax.imageio.ImageIO;
import keentally.core.hand.Corrections;
import keentally.core.hand.HandWork;
import keentally.core.region.ObjectSet;
import keentally.core.step.Steps;
import keentally.desk.station.StationActions;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Into objects: corrected by hand with mouse and keys, at the real screen. */
class EditWindowTest {
    @TempDir
    private Path folder;

    private DeskDriver desk;

    /** Four bright things on dark: two squares side by side, a bar, and a small one. */
    @BeforeEach
    void start() throws Exception {
        desk = DeskDriver.drawn(folder, pen -> {
            pen.fillRect(40, 40, 60, 60);
            pen.fillRect(110, 40, 60, 60);
            pen.fillRect(40, 180, 200, 60);
            pen.fillRect(320, 60, 12, 12);
        });
        desk.stations("threshold", "label", "gate", "edit-objects");
    }

    @AfterEach
    void close() {
        desk.close();
    }

    private long area(double x, double y) {
        ObjectSet objects = desk.table().objects();
        return objects.regions().pixels(objects.regions().at((int) x, (int) y));
    }

    private int corrections() {
        Optional<HandWork> work = desk.onFx(() -> Optional.ofNullable(desk.model()
                .study()
                .get()
                .hand(desk.model().sampleId().get(), desk.model().methodId())
                .get("edit-objects-1")));
        return ((Corrections) work.orElseThrow()).list().size();
    }

    private void choose(double... places) {
        desk.clickPicture(places[0], places[1]);
        desk.hold(KeyCode.CONTROL);
        for (int i = 2; i < places.length; i += 2) {
            desk.clickPicture(places[i], places[i + 1]);
        }
        desk.letGo(KeyCode.CONTROL);
    }

    @Test
    void objectsAreJoinedAndCutAndAllOfItIsUndone() {
        assertThat(desk.count()).isEqualTo(4);
        assertThat(desk.text("edit-sum")).isEqualTo("0 of 4 objects changed by hand, 0 taken away");
        choose(70, 70, 140, 70);
        assertThat(desk.onFx(() -> desk.model().selection().get())).hasSize(2);
        desk.click("edit-join");
        assertThat(desk.count()).isEqualTo(3);
        assertThat(area(70, 70)).isEqualTo(2 * 3600);
        desk.click("edit-mode-cut");
        desk.dragPicture(100, 160, 100, 260);
        assertThat(desk.count()).isEqualTo(4);
        assertThat(area(60, 200) + area(200, 200)).isEqualTo(200 * 60);
        assertThat(desk.text("edit-sum")).isEqualTo("3 of 4 objects changed by hand, 0 taken away");
        assertThat(desk.text("correction-0")).isEqualTo("1  join 2 objects");
        assertThat(desk.text("correction-1")).isEqualTo("2  cut along a line");
        desk.click("view-objects");
        assertThat(desk.text("object-count")).isEqualTo("4 objects · 3 by hand");
        desk.click("view-bench");
        desk.focusStage();
        desk.keys(KeyCode.CONTROL, KeyCode.Z);
        desk.keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(desk.count()).isEqualTo(4);
        assertThat(corrections()).isZero();
        desk.keys(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.Z);
        assertThat(desk.count()).isEqualTo(3);
    }

    @Test
    void theOtherButtonDropsAndBringsBackAndKeysWorkOnTheChosen() {
        desk.clickPictureOther(140, 70);
        assertThat(desk.count()).isEqualTo(3);
        assertThat(desk.text("edit-sum")).isEqualTo("0 of 3 objects changed by hand, 1 taken away");
        desk.clickPictureOther(140, 70);
        assertThat(desk.count()).isEqualTo(4);
        desk.clickPictureOther(10, 10);
        assertThat(desk.text("message")).isEqualTo("There is no object at that place.");
        desk.clickPicture(325, 65);
        desk.keys(KeyCode.DELETE);
        assertThat(desk.count()).isEqualTo(3);
        choose(70, 70, 140, 70);
        desk.keys(KeyCode.K);
        assertThat(desk.count()).isEqualTo(2);
        assertThat(corrections()).isEqualTo(4);
        desk.click("remove-correction-3");
        assertThat(desk.count()).isEqualTo(3);
    }

    @Test
    void objectsAreDrawnAndErased() {
        desk.click("edit-mode-draw");
        desk.tracePicture(280, 200, 340, 200, 340, 260, 280, 260);
        assertThat(desk.count()).isEqualTo(5);
        assertThat(area(310, 230)).isBetween(3300L, 3900L);
        desk.click("edit-mode-erase");
        desk.type("edit-width", "20");
        desk.dragPicture(70, 20, 70, 120);
        assertThat(desk.count()).isEqualTo(6);
        assertThat(area(50, 70)).isEqualTo(20 * 60);
        assertThat(area(90, 70)).isEqualTo(20 * 60);
        desk.type("edit-width", "0");
        assertThat(desk.text("message")).contains("above 0");
    }

    /** Escape in the middle of a line gives it up; the next one counts. */
    @Test
    void aLineIsGivenUpHalfWay() {
        desk.click("edit-mode-cut");
        desk.pointAt(100, 160);
        desk.pressMouse();
        desk.pointAt(100, 220);
        desk.keys(KeyCode.ESCAPE);
        desk.release();
        assertThat(corrections()).isZero();
        desk.dragPicture(10, 10, 12, 10);
        assertThat(desk.node("unfit-0").isVisible()).isTrue();
        assertThat(desk.count()).isEqualTo(4);
    }

    /** Nothing is found in them, so there is nothing to correct and nothing to spread; neither stops the desk. */
    @Test
    void aBlackPictureAndOneOfASinglePixelAreSaidToHoldNothing() throws Exception {
        for (int side : new int[] {1, 60}) {
            File file = folder.resolve("black" + side + ".png").toFile();
            ImageIO.write(new BufferedImage(side, side, BufferedImage.TYPE_BYTE_GRAY), "png", file);
            desk.open(file.toPath());
            desk.onFx(() -> {
                StationActions actions = new StationActions(desk.model());
                for (String step : List.of("threshold", "invert-mask", "edit-objects")) {
                    actions.add(Steps.find(step).orElseThrow());
                }
                return null;
            });
            desk.quiet();
            desk.click("view-objects");
            desk.click("together-summary");
            desk.click("together-spread");
            assertThat(desk.text("distribution-numbers")).isEqualTo("No object has this measure.");
            desk.click("view-bench");
            desk.onFx(() -> {
                desk.model().station().set("edit-objects-1");
                return null;
            });
            desk.quiet();
            desk.clickPictureOther(0.5, 0.5);
            assertThat(desk.text("message")).isNotEmpty();
        }
    }

    /** The small one is dropped by hand; with a gate that drops it already, that correction has nothing to do any more. */
    @Test
    void whatNoLongerFitsIsNamedAndFitsAgainWhenTheMethodIsPutBack() {
        desk.clickPictureOther(325, 65);
        desk.clickPictureOther(70, 70);
        assertThat(desk.count()).isEqualTo(2);
        desk.onFx(() -> {
            desk.model().station().set("gate-1");
            return null;
        });
        desk.quiet();
        desk.type("setting-atLeast", "500 px2");
        desk.show(desk.onFx(() -> desk.model().sampleId().get()), "edit-objects-1");
        assertThat(desk.node("unfit-0").isVisible()).isTrue();
        assertThat(desk.node("unfit-1").isVisible()).isFalse();
        assertThat(desk.text("headline")).isEqualTo("2 kept · 0 by hand, 1 taken away · 1 no longer fit");
        desk.focusStage();
        desk.keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(desk.node("unfit-0").isVisible()).isFalse();
        assertThat(Set.of(corrections())).containsExactly(2);
    }
}
