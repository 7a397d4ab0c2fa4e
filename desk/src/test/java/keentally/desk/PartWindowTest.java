package keentally.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.Color;
import java.nio.file.Path;
import javafx.geometry.Bounds;
import javafx.scene.input.KeyCode;
import keentally.core.method.MethodStep;
import keentally.core.picture.Mask;
import keentally.core.step.State;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** One part of a picture treated by itself, drawn on the stage, and put back. */
class PartWindowTest {
    @TempDir
    private Path folder;

    private DeskDriver desk;

    @BeforeEach
    void start() throws Exception {
        desk = DeskDriver.drawn(folder, g -> {
            g.setColor(new Color(60, 60, 60));
            g.fillRect(0, 0, 400, 300);
            g.setColor(new Color(120, 120, 120));
            g.fillOval(40, 40, 80, 80);
            g.fillOval(250, 150, 80, 80);
            g.setColor(new Color(200, 200, 200));
            g.fillOval(256, 156, 68, 68);
        });
    }

    @AfterEach
    void close() {
        desk.close();
    }

    private State after(String station) {
        return desk.model().reached(station).orElseThrow().after();
    }

    /** Everywhere what is lighter than the ground, but on the right only what is lightest. */
    @Test
    void aDrawnPartHasItsOwnCut() {
        desk.stations("threshold", "within");
        String within = desk.model().station().get();
        desk.choose("setting-part", "a rectangle");
        assertThat(desk.text("fault")).contains("draw it on the picture");
        desk.dragPicture(220, 120, 360, 260);
        assertThat(desk.text("fault")).isEmpty();
        assertThat(after(within).field().pixels()).isBetween(137L * 137, 143L * 143);
        desk.stations("threshold", "rejoin");
        String rejoin = desk.model().station().get();
        State end = after(rejoin);
        assertThat(end.field().isWhole()).isTrue();
        Mask mask = end.needMask();
        assertThat(mask.at(80, 80)).as("left disc").isTrue();
        assertThat(mask.at(290, 190)).as("light middle").isTrue();
        assertThat(mask.at(253, 190)).as("its grey rim").isFalse();
        Bounds bracket = desk.onFx(
                () -> desk.node("bracket-2").localToScene(desk.node("bracket-2").getBoundsInLocal()));
        Bounds opens = desk.onFx(
                () -> desk.node("card-2").localToScene(desk.node("card-2").getBoundsInLocal()));
        Bounds closes = desk.onFx(
                () -> desk.node("card-4").localToScene(desk.node("card-4").getBoundsInLocal()));
        Bounds line = desk.onFx(() ->
                desk.node("method-line").localToScene(desk.node("method-line").getBoundsInLocal()));
        assertThat(bracket.getMinX()).isBetween(opens.getMinX(), opens.getCenterX());
        assertThat(bracket.getMaxX()).isBetween(closes.getCenterX(), closes.getMaxX());
        assertThat(bracket.getMinY()).isGreaterThanOrEqualTo(opens.getMaxY() - 6);
        assertThat(bracket.getMaxY()).as("in sight").isLessThanOrEqualTo(line.getMaxY());
        MethodStep second = desk.model().method().steps().get(2);
        desk.click("card-3");
        assertThat(desk.texts("station-panel")).anyMatch(l -> l.contains("In the part that station 2, Within, opens"));
        assertThat(desk.model().method().parts(second.id())).hasSize(1);

        desk.click("card-2");
        desk.click("within-again");
        desk.dragPicture(20, 20, 140, 140);
        assertThat(after(rejoin).needMask().at(253, 190)).isTrue();
        desk.keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(after(rejoin).needMask().at(253, 190)).isFalse();
        desk.focusStage();
        desk.keys(KeyCode.DELETE);
        assertThat(desk.text("fault")).contains("draw it on the picture");
        desk.keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(desk.text("fault")).isEmpty();
        desk.click("station-mute");
        assertThat(desk.text("message")).contains("closes a part, but none is open");
    }
}
