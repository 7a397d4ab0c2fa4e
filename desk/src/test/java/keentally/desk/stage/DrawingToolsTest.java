package keentally.desk.stage;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicReference;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseButton;
import keentally.core.geometry.Point;
import keentally.core.hand.Dab;
import keentally.core.hand.Seeds;
import keentally.core.hand.Stroke;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;

/** Markers, strokes, paint and corrections, as the mouse draws them. */
class DrawingToolsTest {
    @Nested
    class Markers {
        private List<Point> kept = List.of();
        private final MarkerTool tool = new MarkerTool(() -> kept, this::take);
        private final Mouse mouse = new Mouse(tool);
        private int told;

        private void take(Seeds seeds) {
            kept = seeds.places();
            told++;
        }

        @Test
        void aClickPlacesADragMovesTheOtherButtonRemoves() {
            mouse.click(10, 10);
            mouse.click(50, 50);
            assertThat(kept).containsExactly(new Point(10, 10), new Point(50, 50));
            mouse.trace(11, 12, 30, 30);
            assertThat(kept).containsExactlyInAnyOrder(new Point(30, 30), new Point(50, 50));
            assertThat(told).isEqualTo(3);
            assertThat(mouse.with(MouseButton.SECONDARY).click(100, 100)).isTrue();
            assertThat(kept).hasSize(2);
            mouse.click(52, 49);
            assertThat(kept).containsExactly(new Point(30, 30));
        }

        @Test
        void theNearestOfTwoIsTaken() {
            kept = List.of(new Point(10, 10), new Point(13, 10));
            mouse.trace(12.5, 10, 40, 40);
            assertThat(kept).containsExactlyInAnyOrder(new Point(10, 10), new Point(40, 40));
        }

        @Test
        void aMarkerThatIsOnlyTouchedChangesNothing() {
            kept = List.of(new Point(10, 10));
            mouse.click(11, 11);
            assertThat(kept).containsExactly(new Point(10, 10));
            assertThat(told).isZero();
        }

        @Test
        void whatIsInTheHandIsGivenUp() {
            kept = List.of(new Point(10, 10));
            mouse.press(10, 10);
            mouse.drag(40, 40);
            assertThat(tool.giveUp()).isTrue();
            mouse.release(40, 40);
            assertThat(kept).containsExactly(new Point(10, 10));
            assertThat(tool.giveUp()).isFalse();
            assertThat(mouse.with(MouseButton.MIDDLE).click(1, 1)).isFalse();
            assertThat(mouse.with(MouseButton.PRIMARY).withShift(true).click(1, 1))
                    .isFalse();
        }
    }

    @Nested
    class Strokes {
        private final List<Stroke> moving = new ArrayList<>();
        private final List<Stroke> done = new ArrayList<>();
        private final AtomicInteger givenUp = new AtomicInteger();
        private final StrokeTool tool = new StrokeTool(List::of, moving::add, done::add, givenUp::incrementAndGet);
        private final Mouse mouse = new Mouse(tool);

        @Test
        void aStrokeIsToldWhileItIsDrawnAndOnceWhenItIsDone() {
            mouse.trace(0, 0, 20, 0);
            assertThat(moving).hasSize(4);
            assertThat(done).containsExactly(moving.getLast());
            assertThat(done.getFirst().unwanted()).isFalse();
            assertThat(done.getFirst().loop()).isFalse();
            assertThat(done.getFirst().path()).startsWith(new Point(0, 0)).endsWith(new Point(20, 0));
        }

        @Test
        void theOtherButtonSaysWhatIsNotWanted() {
            mouse.with(MouseButton.SECONDARY).click(5, 5);
            assertThat(done).containsExactly(new Stroke(List.of(new Point(5, 5)), false, true));
        }

        @Test
        void aStrokeIsGivenUpAndPlacesTooNearAreLeftOut() {
            mouse.press(0, 0);
            mouse.drag(0.1, 0);
            mouse.drag(0.2, 0);
            assertThat(moving).isEmpty();
            mouse.drag(20, 0);
            assertThat(tool.giveUp()).isTrue();
            mouse.drag(30, 0);
            mouse.release(30, 0);
            assertThat(done).isEmpty();
            assertThat(givenUp).hasValue(1);
            assertThat(tool.giveUp()).isFalse();
            assertThat(givenUp).hasValue(1);
        }

        @Test
        void theMouseLooksAboutWhereNoStrokesAreWanted() {
            AtomicBoolean wanted = new AtomicBoolean();
            tool.onlyWhile(wanted::get);
            assertThat(mouse.trace(0, 0, 20, 0)).isFalse();
            wanted.set(true);
            assertThat(mouse.trace(0, 0, 20, 0)).isTrue();
            assertThat(mouse.withShift(true).trace(0, 0, 20, 0)).isFalse();
            assertThat(done).hasSize(1);
            assertThat(tool.reach()).isEqualTo(Mouse.REACH);
        }
    }

    @Nested
    class Paint {
        private final AtomicReference<PaintTool.Mode> mode = new AtomicReference<>(PaintTool.Mode.BRUSH);
        private final List<Dab> dabs = new ArrayList<>();
        private final AtomicInteger tooShort = new AtomicInteger();
        private final PaintTool tool =
                new PaintTool(mode::get, () -> 7, List::of, dabs::add, tooShort::incrementAndGet);
        private final Mouse mouse = new Mouse(tool);

        @Test
        void aBrushFollowsTheHandAndALineIsStraight() {
            mouse.trace(0, 0, 20, 0, 20, 20);
            assertThat(((Dab.Brush) dabs.getFirst()).path()).hasSize(9);
            mode.set(PaintTool.Mode.LINE);
            mouse.with(MouseButton.SECONDARY).trace(0, 0, 20, 0, 20, 20);
            assertThat(dabs.getLast()).isEqualTo(new Dab.Brush(List.of(new Point(0, 0), new Point(20, 20)), 7, false));
        }

        @Test
        void anOutlineRoundNothingIsSaid() {
            mode.set(PaintTool.Mode.OUTLINE);
            mouse.click(5, 5);
            assertThat(tooShort).hasValue(1);
            mouse.trace(0, 0, 20, 0, 20, 20);
            assertThat(dabs).singleElement().isInstanceOf(Dab.Outline.class);
        }

        @Test
        void aClickFillsAndTheOtherButtonEmpties() {
            mode.set(PaintTool.Mode.FILL);
            mouse.click(5, 6);
            mouse.with(MouseButton.SECONDARY).click(7, 8);
            assertThat(dabs).containsExactly(new Dab.Fill(new Point(5, 6), true), new Dab.Fill(new Point(7, 8), false));
        }

        @Test
        void whatIsGivenUpLeavesNoPaint() {
            mouse.press(0, 0);
            mouse.drag(20, 0);
            assertThat(tool.giveUp()).isTrue();
            mouse.release(20, 0);
            assertThat(dabs).isEmpty();
            assertThat(mouse.withShift(true).click(1, 1)).isFalse();
            assertThat(mouse.withShift(false).with(MouseButton.MIDDLE).click(1, 1))
                    .isFalse();
        }
    }

    @Nested
    class Corrections implements EditTool.Hand {
        private final AtomicReference<EditTool.Mode> mode = new AtomicReference<>(EditTool.Mode.PICK);
        private final List<Point> turned = new ArrayList<>();
        private final List<EditTool.Mode> drawn = new ArrayList<>();
        private final EditTool tool = new EditTool(mode::get, () -> 9, this);
        private final Mouse mouse = new Mouse(tool);

        @Override
        public void turned(Point at) {
            turned.add(at);
        }

        @Override
        public void drawn(EditTool.Mode how, List<Point> path) {
            drawn.add(how);
        }

        @Override
        public boolean key(KeyEvent e) {
            return e.getCode() == KeyCode.J;
        }

        @Test
        void pickingLeavesTheFirstButtonToTheStage() {
            assertThat(mouse.click(5, 5)).isFalse();
            assertThat(mouse.with(MouseButton.SECONDARY).click(6, 6)).isTrue();
            assertThat(turned).containsExactly(new Point(6, 6));
            assertThat(drawn).isEmpty();
        }

        @Test
        void eachModeDrawsAndTheOtherButtonTurnsInAllOfThem() {
            for (EditTool.Mode each : List.of(EditTool.Mode.CUT, EditTool.Mode.DRAW, EditTool.Mode.ERASE)) {
                mode.set(each);
                assertThat(mouse.with(MouseButton.PRIMARY).trace(0, 0, 20, 0)).isTrue();
                assertThat(drawn.getLast()).isEqualTo(each);
                mouse.with(MouseButton.SECONDARY).click(3, 3);
            }
            assertThat(turned).hasSize(3);
            assertThat(drawn).hasSize(3);
        }

        @Test
        void shiftMovesThePictureAndEscapeDropsTheLine() {
            mode.set(EditTool.Mode.CUT);
            assertThat(mouse.withShift(true).trace(0, 0, 20, 0)).isFalse();
            mouse.withShift(false).press(0, 0);
            mouse.drag(20, 0);
            assertThat(tool.giveUp()).isTrue();
            mouse.release(20, 0);
            assertThat(drawn).isEmpty();
            assertThat(mouse.key(KeyCode.J)).isTrue();
            assertThat(mouse.key(KeyCode.K)).isFalse();
        }
    }
}
