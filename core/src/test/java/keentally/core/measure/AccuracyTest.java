package keentally.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import keentally.core.Chance;
import keentally.core.draw.ShapeRenderer;
import keentally.core.filter.Gaussian;
import keentally.core.geometry.Ellipse;
import keentally.core.geometry.Point;
import keentally.core.geometry.Polygon;
import keentally.core.geometry.Shape;
import keentally.core.label.Labeller;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.Neighbours;
import keentally.core.picture.PlaneF;
import keentally.core.region.Objects;
import keentally.core.threshold.Cut;
import keentally.core.work.Work;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Drawn shapes, blurred a little and cut at half level, against what is true of them. */
class AccuracyTest {
    private static final int SIDE = 160;
    private static final List<Measure> ALL = List.of(Measure.values());

    private static double[] measured(Shape shape, double blur) {
        PlaneF drawn = new ShapeRenderer(SIDE, SIDE).add(shape).plane(0, 100);
        PlaneF blurred = Gaussian.of(drawn, blur, Work.alone());
        Field field = Field.whole(SIDE, SIDE);
        Mask mask = Cut.bright(50).mask(blurred, field, Work.alone());
        Objects objects = Objects.of(Labeller.regions(mask, Neighbours.EIGHT, Work.alone()));
        ObjectTable table = ObjectTable.of(objects, ALL, blurred, field, Work.alone());
        assertThat(table.rows()).isEqualTo(1);
        double[] row = new double[ALL.size()];
        for (int m = 0; m < row.length; m++) {
            row[m] = table.at(0, m);
        }
        return row;
    }

    private static double get(double[] row, Measure measure) {
        return row[ALL.indexOf(measure)];
    }

    @ParameterizedTest
    @ValueSource(doubles = {0, 0.6, 1})
    void discs(double blur) {
        Chance chance = new Chance(6);
        double sum = 0;
        int n = 40;
        for (int i = 0; i < n; i++) {
            double r = chance.between(20.0, 70);
            double x = chance.between(78.0, 82);
            double y = chance.between(78.0, 82);
            double[] row = measured(Ellipse.disc(x, y, r), blur);
            double area = get(row, Measure.AREA) / (Math.PI * r * r);
            sum += area;
            assertThat(area).isCloseTo(1, within(0.01));
            assertThat(get(row, Measure.PERIMETER) / (2 * Math.PI * r)).isCloseTo(1, within(0.015));
            assertThat(get(row, Measure.ECD) / (2 * r)).isCloseTo(1, within(0.01));
            assertThat(get(row, Measure.FERET_MAX)).isCloseTo(2 * r, within(1.5));
            assertThat(get(row, Measure.FERET_MIN)).isCloseTo(2 * r, within(1.5));
            assertThat(get(row, Measure.X)).isCloseTo(x, within(0.1));
            assertThat(get(row, Measure.Y)).isCloseTo(y, within(0.1));
            assertThat(get(row, Measure.CIRCULARITY)).isCloseTo(1, within(0.04));
            assertThat(get(row, Measure.SOLIDITY)).isBetween(0.96, 1.0);
        }
        assertThat(sum / n).isCloseTo(1, within(0.005));
    }

    @Test
    void ellipsesAtAnyAngle() {
        Chance chance = new Chance(7);
        for (int i = 0; i < 60; i++) {
            double a = chance.between(40.0, 70);
            double b = chance.between(20.0, 34);
            double angle = chance.between(-89.0, 90);
            double[] row = measured(new Ellipse(80.3, 79.8, a, b, angle), 0.7);
            assertThat(get(row, Measure.AREA) / (Math.PI * a * b)).isCloseTo(1, within(0.01));
            assertThat(get(row, Measure.ELLIPSE_MAJOR) / (2 * a)).isCloseTo(1, within(0.01));
            assertThat(get(row, Measure.ELLIPSE_MINOR) / (2 * b)).isCloseTo(1, within(0.01));
            double apart = Math.abs(get(row, Measure.ORIENTATION) - angle);
            assertThat(Math.min(apart, 180 - apart)).isLessThan(0.5);
            assertThat(get(row, Measure.ECCENTRICITY)).isCloseTo(Math.sqrt(1 - b * b / (a * a)), within(0.01));
        }
    }

    @Test
    void turnedRectangles() {
        Chance chance = new Chance(8);
        for (int i = 0; i < 60; i++) {
            double halfA = chance.between(35.0, 60);
            double halfB = chance.between(20.0, 30);
            double angle = Math.toRadians(chance.between(0.0, 90));
            double c = Math.cos(angle);
            double s = Math.sin(angle);
            Polygon shape = new Polygon(List.of(
                    new Point(80 + halfA * c - halfB * s, 80 + halfA * s + halfB * c),
                    new Point(80 - halfA * c - halfB * s, 80 - halfA * s + halfB * c),
                    new Point(80 - halfA * c + halfB * s, 80 - halfA * s - halfB * c),
                    new Point(80 + halfA * c + halfB * s, 80 + halfA * s - halfB * c)));
            double[] row = measured(shape, 0.7);
            assertThat(get(row, Measure.AREA) / (4 * halfA * halfB)).isCloseTo(1, within(0.01));
            assertThat(get(row, Measure.FERET_MIN)).isCloseTo(2 * halfB, within(1.5));
            assertThat(get(row, Measure.FERET_MAX)).isCloseTo(2 * Math.hypot(halfA, halfB), within(1.5));
        }
    }
}
