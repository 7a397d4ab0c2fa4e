package keentally.desk.stage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import keentally.core.geometry.Ellipse;
import keentally.core.geometry.Point;
import keentally.core.geometry.Polygon;
import keentally.core.geometry.Rectangle;
import keentally.core.geometry.Shape;
import org.junit.jupiter.api.Test;

class ShapeHandlesTest {
    private static final Rectangle BOX = new Rectangle(10, 20, 30, 40);
    private static final Ellipse OVAL = new Ellipse(50, 60, 20, 10, 30);
    private static final Polygon CORNERS = Polygon.of(0, 0, 9, 0, 9, 9);

    @Test
    void everyHandleLiesOnTheOutlineAndFollowsTheHand() {
        for (Shape shape : List.of(BOX, OVAL, CORNERS)) {
            List<Point> handles = ShapeHandles.of(shape);
            for (int i = 0; i < handles.size(); i++) {
                Point at = handles.get(i);
                assertThat(shape.contains(
                                at.x() + 1e-7 * (50 - at.x()) * (shape == OVAL ? 1 : 0),
                                at.y() + 1e-7 * (60 - at.y()) * (shape == OVAL ? 1 : 0)))
                        .as("%s, handle %d", shape, i)
                        .isTrue();
                Shape same = ShapeHandles.moved(shape, i, at);
                assertThat(same.area()).isCloseTo(shape.area(), within(1e-6));
            }
        }
    }

    @Test
    void aCornerMovesTwoSidesAndAMiddleMovesOne() {
        assertThat(ShapeHandles.moved(BOX, 0, new Point(5, 6))).isEqualTo(new Rectangle(5, 6, 35, 54));
        assertThat(ShapeHandles.moved(BOX, 3, new Point(50, 999))).isEqualTo(new Rectangle(10, 20, 40, 40));
        assertThat(ShapeHandles.moved(BOX, 5, new Point(999, 50))).isEqualTo(new Rectangle(10, 20, 30, 30));
        Shape turnedOver = ShapeHandles.moved(BOX, 4, new Point(0, 0));
        assertThat(turnedOver).isEqualTo(new Rectangle(0, 0, 10, 20));
        assertThat(((Rectangle) ShapeHandles.moved(BOX, 3, new Point(10, 0))).width())
                .isEqualTo(1);
    }

    @Test
    void anAxisOfATurnedEllipseIsDrawnOutAlone() {
        Point end = ShapeHandles.of(OVAL).getFirst();
        Point twice = new Point(2 * end.x() - 50, 2 * end.y() - 60);
        Ellipse longer = (Ellipse) ShapeHandles.moved(OVAL, 0, twice);
        assertThat(longer.a()).isCloseTo(40, within(1e-9));
        assertThat(longer.b()).isEqualTo(10);
        assertThat(longer.angleDegrees()).isEqualTo(30);
    }

    @Test
    void shapesAreShiftedWhole() {
        assertThat(ShapeHandles.shifted(BOX, 1, -2)).isEqualTo(new Rectangle(11, 18, 30, 40));
        assertThat(ShapeHandles.shifted(OVAL, 1, -2)).isEqualTo(new Ellipse(51, 58, 20, 10, 30));
        assertThat(ShapeHandles.shifted(CORNERS, 1, 2)).isEqualTo(Polygon.of(1, 2, 10, 2, 10, 11));
    }

    @Test
    void aHandDrawnLineKeepsItsShapeWithFewerPoints() {
        SplittableRandom random = new SplittableRandom(8);
        List<Point> drawn = new ArrayList<>();
        for (int i = 0; i <= 400; i++) {
            double angle = 2 * Math.PI * i / 400;
            drawn.add(new Point(
                    100 + 80 * Math.cos(angle) + random.nextDouble(-0.2, 0.2),
                    100 + 80 * Math.sin(angle) + random.nextDouble(-0.2, 0.2)));
        }
        List<Point> few = ShapeHandles.simplified(drawn, 0.7);
        assertThat(few).hasSizeBetween(15, 80).startsWith(drawn.getFirst()).endsWith(drawn.getLast());
        assertThat(new Polygon(few).area()).isCloseTo(Math.PI * 80 * 80, within(200.0));
        assertThat(new Polygon(few).crossesItself()).isFalse();
        assertThat(ShapeHandles.of(new Polygon(drawn))).isEmpty();
        assertThat(ShapeHandles.simplified(List.of(new Point(0, 0), new Point(5, 0.1), new Point(10, 0)), 0.5))
                .hasSize(2);
    }
}
