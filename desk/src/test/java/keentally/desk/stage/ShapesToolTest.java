package keentally.desk.stage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import keentally.core.geometry.Ellipse;
import keentally.core.geometry.Polygon;
import keentally.core.geometry.Rectangle;
import keentally.core.geometry.Shape;
import keentally.core.picture.Field;
import keentally.desk.stage.ShapesTool.Hand;
import org.junit.jupiter.api.Test;

/** Shapes of a field: drawn in each way, chosen, moved, reshaped, removed. */
class ShapesToolTest {
    private final AtomicInteger done = new AtomicInteger();
    private final ShapesTool tool = new ShapesTool(false, done::incrementAndGet);
    private final Mouse mouse = new Mouse(tool);

    private Shape shape(int i) {
        return tool.parts().get().get(i).shape();
    }

    private void box(double x, double y, double right, double bottom) {
        tool.hand().set(Hand.RECTANGLE);
        mouse.trace(x, y, right, bottom);
    }

    @Test
    void aRectangleIsDrawnFromAnyCornerAndWithShiftItIsASquare() {
        box(10, 20, 50, 40);
        assertThat(tool.hand().get()).isEqualTo(Hand.CHOOSE);
        box(150, 140, 110, 120);
        mouse.withShift(true);
        box(300, 300, 340, 310);
        assertThat(tool.parts().get().stream().map(Field.Part::shape))
                .containsExactly(
                        new Rectangle(10, 20, 40, 20),
                        new Rectangle(110, 120, 40, 20),
                        new Rectangle(300, 300, 40, 40));
        assertThat(done).hasValue(3);
        assertThat(tool.chosen().get()).isEqualTo(2);
    }

    @Test
    void anEllipseFillsItsBox() {
        tool.hand().set(Hand.ELLIPSE);
        mouse.trace(10, 20, 50, 40);
        assertThat(shape(0)).isEqualTo(new Ellipse(30, 30, 20, 10, 0));
    }

    @Test
    void aPressThatHardlyMovesDrawsNothing() {
        box(10, 20, 11, 21);
        tool.hand().set(Hand.FREEHAND);
        mouse.trace(10, 20, 11, 20);
        assertThat(tool.parts().get()).isEmpty();
        assertThat(done).hasValue(0);
    }

    /** Closed by the key, by a click on its first corner, or by a double click. */
    @Test
    void aPolygonIsClosedInThreeWays() {
        tool.hand().set(Hand.POLYGON);
        corners();
        assertThat(mouse.key(KeyCode.ENTER)).isTrue();
        tool.hand().set(Hand.POLYGON);
        corners();
        mouse.click(1, 2);
        tool.hand().set(Hand.POLYGON);
        mouse.click(0, 0);
        mouse.click(90, 0);
        mouse.clickTwice(90, 90);
        Polygon triangle = Polygon.of(0, 0, 90, 0, 90, 90);
        assertThat(tool.parts().get().stream().map(Field.Part::shape)).containsExactly(triangle, triangle, triangle);
    }

    private void corners() {
        mouse.click(0, 0);
        assertThat(mouse.key(KeyCode.ENTER)).isFalse();
        mouse.click(90, 0);
        mouse.click(90, 90);
    }

    @Test
    void aHalfDrawnPolygonIsGivenUpAndNothingIsLeftOfIt() {
        tool.hand().set(Hand.POLYGON);
        mouse.click(0, 0);
        mouse.click(90, 0);
        assertThat(tool.giveUp()).isTrue();
        assertThat(tool.hand().get()).isEqualTo(Hand.CHOOSE);
        assertThat(tool.giveUp()).isFalse();
        tool.hand().set(Hand.POLYGON);
        mouse.click(200, 200);
        mouse.click(290, 200);
        assertThat(mouse.key(KeyCode.ENTER)).isFalse();
        mouse.click(290, 290);
        mouse.key(KeyCode.ENTER);
        assertThat(shape(0)).isEqualTo(Polygon.of(200, 200, 290, 200, 290, 290));
    }

    /** Another hand drops what the one before has drawn by half. */
    @Test
    void cornersDoNotOutliveTheHandThatPutThem() {
        tool.hand().set(Hand.POLYGON);
        mouse.click(0, 0);
        mouse.click(90, 0);
        tool.hand().set(Hand.CHOOSE);
        tool.hand().set(Hand.POLYGON);
        mouse.click(200, 200);
        mouse.click(290, 200);
        mouse.click(290, 290);
        mouse.key(KeyCode.ENTER);
        assertThat(shape(0)).isEqualTo(Polygon.of(200, 200, 290, 200, 290, 290));
    }

    @Test
    void aFreehandLineIsClosedAndThinnedOut() {
        tool.hand().set(Hand.FREEHAND);
        mouse.trace(0, 0, 100, 0, 100, 80, 0, 80);
        Polygon drawn = (Polygon) shape(0);
        assertThat(drawn.area()).isCloseTo(8000, within(1.0));
        assertThat(drawn.corners()).hasSize(4);
    }

    @Test
    void theUppermostIsChosenMovedAndReshaped() {
        box(0, 0, 100, 100);
        box(50, 50, 150, 150);
        assertThat(mouse.click(75, 75)).isTrue();
        assertThat(tool.chosen().get()).isEqualTo(1);
        mouse.click(20, 20);
        assertThat(tool.chosen().get()).isZero();
        mouse.trace(20, 20, 30, 25);
        assertThat(shape(0)).isEqualTo(new Rectangle(10, 5, 100, 100));
        mouse.trace(110, 105, 60, 45);
        assertThat(shape(0)).isEqualTo(new Rectangle(10, 5, 50, 40));
        assertThat(shape(1)).isEqualTo(new Rectangle(50, 50, 100, 100));
        assertThat(mouse.click(400, 400)).as("the picture is moved there").isFalse();
        assertThat(tool.chosen().get()).isEqualTo(-1);
    }

    @Test
    void choosingAloneChangesNothing() {
        box(0, 0, 100, 100);
        mouse.click(20, 20);
        mouse.click(60, 60);
        assertThat(done).hasValue(1);
    }

    @Test
    void keysMoveAndRemoveTheChosenOne() {
        assertThat(mouse.key(KeyCode.DELETE)).isFalse();
        assertThat(mouse.key(KeyCode.LEFT)).isFalse();
        box(0, 0, 100, 100);
        box(200, 200, 250, 250);
        mouse.key(KeyCode.RIGHT);
        mouse.withShift(true).key(KeyCode.DOWN);
        mouse.withShift(false);
        assertThat(shape(1)).isEqualTo(new Rectangle(201, 210, 50, 50));
        assertThat(mouse.key(KeyCode.BACK_SPACE)).isTrue();
        assertThat(tool.parts().get()).containsExactly(new Field.Part(new Rectangle(0, 0, 100, 100), false));
        assertThat(mouse.key(KeyCode.DELETE)).as("none is chosen any more").isFalse();
    }

    @Test
    void whatIsTakenAwayStaysTakenAwayWhenItIsMoved() {
        tool.takingAway().set(true);
        box(0, 0, 100, 100);
        tool.takingAway().set(false);
        mouse.trace(50, 50, 60, 60);
        assertThat(tool.parts().get()).containsExactly(new Field.Part(new Rectangle(10, 10, 100, 100), true));
    }

    @Test
    void aPatchTakesThePlaceOfTheOneBeforeAndItsHandStays() {
        ShapesTool patch = new ShapesTool(true, done::incrementAndGet);
        patch.hand().set(Hand.RECTANGLE);
        Mouse other = new Mouse(patch);
        other.trace(0, 0, 10, 10);
        other.trace(50, 50, 90, 90);
        assertThat(patch.parts().get()).extracting(Field.Part::shape).containsExactly(new Rectangle(50, 50, 40, 40));
        assertThat(patch.hand().get()).isEqualTo(Hand.RECTANGLE);
        other.press(0, 0);
        other.drag(30, 30);
        assertThat(patch.giveUp()).isTrue();
        assertThat(patch.parts().get()).hasSize(1);
        assertThat(patch.hand().get()).isEqualTo(Hand.RECTANGLE);
    }

    @Test
    void onlyTheFirstButtonDraws() {
        tool.hand().set(Hand.RECTANGLE);
        assertThat(mouse.with(MouseButton.SECONDARY).trace(0, 0, 50, 50)).isFalse();
        assertThat(mouse.with(MouseButton.MIDDLE).trace(0, 0, 50, 50)).isFalse();
        assertThat(tool.parts().get()).isEmpty();
    }

    /** Undo may take the shape away while it is held. */
    @Test
    void aPartThatIsGoneMeanwhileIsNotReshaped() {
        box(0, 0, 100, 100);
        tool.chosen().set(5);
        assertThat(mouse.key(KeyCode.LEFT)).isFalse();
        tool.chosen().set(0);
        mouse.press(50, 50);
        tool.chosen().set(-1);
        tool.parts().set(List.of());
        mouse.drag(60, 60);
        assertThat(tool.parts().get()).isEmpty();
    }
}
