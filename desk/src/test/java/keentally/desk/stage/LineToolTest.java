package keentally.desk.stage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import java.util.concurrent.atomic.AtomicInteger;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import keentally.core.geometry.Point;
import keentally.core.geometry.Segment;
import org.junit.jupiter.api.Test;

/** The line that a scale bar is measured with. */
class LineToolTest {
    private final AtomicInteger done = new AtomicInteger();
    private final LineTool tool = new LineTool(done::incrementAndGet);
    private final Mouse mouse = new Mouse(tool);

    private Segment line() {
        return tool.line().get().orElseThrow();
    }

    @Test
    void aLineThatIsNearlyLevelOrUprightSnaps() {
        mouse.trace(10, 20, 110, 24);
        assertThat(line()).isEqualTo(new Segment(new Point(10, 20), new Point(110, 20)));
        mouse.trace(200, 20, 204, 120);
        assertThat(line()).isEqualTo(new Segment(new Point(200, 20), new Point(200, 120)));
        mouse.trace(10, 60, 110, 75);
        assertThat(line().to()).isEqualTo(new Point(110, 75));
        mouse.withAlt(true).trace(300, 20, 400, 24);
        assertThat(line().to()).isEqualTo(new Point(400, 24));
        assertThat(done).hasValue(4);
    }

    @Test
    void eitherEndIsTakenHoldOf() {
        mouse.trace(10, 20, 110, 20);
        mouse.trace(12, 21, 30, 20);
        assertThat(line()).isEqualTo(new Segment(new Point(30, 20), new Point(110, 20)));
        mouse.trace(108, 18, 110, 90);
        assertThat(line()).isEqualTo(new Segment(new Point(30, 20), new Point(110, 90)));
    }

    /** Somebody who clicks beside the line by mistake has not lost it. */
    @Test
    void aClickBesideTheLineLeavesIt() {
        assertThat(mouse.click(50, 50)).isTrue();
        assertThat(tool.line().get()).isEmpty();
        mouse.trace(10, 20, 110, 20);
        Segment drawn = line();
        mouse.click(60, 80);
        assertThat(line()).isEqualTo(drawn);
        assertThat(mouse.with(MouseButton.SECONDARY).click(60, 80)).isFalse();
        assertThat(mouse.with(MouseButton.MIDDLE).click(10, 20)).isFalse();
        assertThat(line()).isEqualTo(drawn);
    }

    @Test
    void arrowKeysMoveTheEndThatWasTouchedLast() {
        assertThat(mouse.key(KeyCode.LEFT)).isFalse();
        mouse.trace(10, 20, 110, 20);
        assertThat(mouse.key(KeyCode.RIGHT)).isTrue();
        mouse.key(KeyCode.DOWN);
        assertThat(line().to().x()).isCloseTo(110.1, within(1e-9));
        assertThat(line().to().y()).isCloseTo(20.1, within(1e-9));
        mouse.trace(10, 20, 12, 20);
        mouse.withShift(true).key(KeyCode.UP);
        mouse.key(KeyCode.LEFT);
        assertThat(line().from()).isEqualTo(new Point(11, 19.1));
        assertThat(line().to().x()).isCloseTo(110.1, within(1e-9));
        assertThat(mouse.key(KeyCode.ENTER)).isFalse();
        tool.line().set(Optional.empty());
        assertThat(mouse.key(KeyCode.UP)).isFalse();
    }

    /** Tenths that are added up stay tenths. */
    @Test
    void aHundredStepsOfATenthAreTenPixels() {
        mouse.trace(0, 0, 100, 0);
        for (int i = 0; i < 100; i++) {
            mouse.key(KeyCode.RIGHT);
        }
        assertThat(line().length()).isEqualTo(110);
    }

    @Test
    void aLineInTheHandIsGivenUp() {
        mouse.trace(10, 20, 110, 20);
        Segment drawn = line();
        mouse.press(110, 20);
        mouse.drag(300, 300);
        assertThat(tool.giveUp()).isTrue();
        assertThat(line()).isEqualTo(drawn);
        assertThat(tool.giveUp()).isFalse();
    }
}
