package keentally.core.starter;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.Random;
import keentally.core.geometry.Ellipse;
import keentally.core.label.Labeller;
import keentally.core.method.Method;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.Neighbours;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane;
import keentally.core.picture.Plane16;
import keentally.core.picture.Plane8;
import keentally.core.quantity.LengthUnit;
import keentally.core.starter.Trail.Px;
import keentally.core.step.State;
import keentally.core.step.StepFault;
import keentally.core.work.Work;
import org.junit.jupiter.api.Test;

/** What a first look is made of: a picture made small, methods that grow with it, the two sides of a cut, specks, and neighbours. */
class FirstLookTest {
    private static final Work WORK = Work.alone();

    private static State state(Plane plane) {
        return State.of(Picture.grey(plane), Field.whole(plane.width(), plane.height()), Optional.empty());
    }

    private static Plane8 plane(int width, int height, Value value) {
        byte[] values = new byte[width * height];
        for (int i = 0; i < values.length; i++) {
            values[i] = (byte) value.at(i % width, i / width);
        }
        return Plane8.of(width, height, values);
    }

    @FunctionalInterface
    private interface Value {
        int at(int x, int y);
    }

    @Test
    void aSmallPictureIsItselfAndALargeOneIsAveraged() {
        State tiny = state(plane(40, 30, (x, y) -> x));
        assertThat(Small.of(tiny, WORK).state()).isSameAs(tiny);
        short[] values = new short[1400 * 1001];
        for (int i = 0; i < values.length; i++) {
            values[i] = (short) (i % 1400);
        }
        Small small = Small.of(state(Plane16.of(1400, 1001, values)), WORK);
        assertThat(small.factor()).isEqualTo(3);
        Plane averaged = small.state().original().single().orElseThrow();
        assertThat(List.of(averaged.width(), averaged.height())).containsExactly(466, 333);
        assertThat(averaged.at(10, 5)).as("of 30, 31 and 32").isEqualTo(31);
    }

    @Test
    void aFieldIsMadeSmallWithItsPicture() {
        byte[] chosen = new byte[1200 * 900];
        for (int i = 0; i < chosen.length; i++) {
            chosen[i] = (byte) (i % 1200 >= 600 ? 1 : 0);
        }
        Mask right = Mask.from(chosen, 1200, 900);
        State half = State.of(Picture.grey(plane(1200, 900, (x, y) -> 1)), Field.of(right), Optional.empty());
        Small small = Small.of(half, WORK);
        assertThat(small.factor()).isEqualTo(2);
        assertThat(small.state().field().pixels()).isEqualTo(300 * 450);
        Small middle = Small.middle(half, 1, 600, 450, WORK);
        assertThat(middle.state().field().contains(0, 0)).isFalse();
        assertThat(middle.state().field().pixels()
                        / (double) middle.state().field().width()
                        / middle.state().field().height())
                .isCloseTo(0.5, within(0.01));
    }

    private static Small fourth(State state) {
        return new Small(state, 4, 100, 40);
    }

    @Test
    void aShapeIsTheSameOnEverySmallPictureOfTheSample() throws Exception {
        State start = state(plane(60, 50, (x, y) -> x));
        Ellipse rim = new Ellipse(30, 25, 20, 18, 0);
        Small part = new Small(start, 2, 60, 50);
        assertThat(part.here(rim, new Small(start, 4, 0, 0))).isEqualTo(new Ellipse(30, 25, 40, 36, 0));
        Method within = Trail.from(start, WORK).within(rim).lay(Method.empty("new", LengthUnit.PX), fourth(start));
        assertThat(within)
                .isEqualTo(Method.empty("new", LengthUnit.PX)
                        .then("within", "part", "ellipse", "at", List.of(220.0, 140.0, 80.0, 72.0)));
    }

    @Test
    void aMethodGrowsWithThePicture() throws Exception {
        State start = state(plane(60, 50, (x, y) -> x / 20 == 1 && y / 20 == 1 ? 200 : 10));
        Trail trail = Trail.from(start, WORK)
                .then("threshold", "rule", "otsu", "keep", "bright")
                .then("remove-specks", "below", Px.area(7))
                .then("split-touching", "by", "outline", "depth", Px.length(1.25));
        Method method = trail.lay(Method.empty("new", LengthUnit.PX), fourth(start));
        Method empty = Method.empty("new", LengthUnit.PX);
        assertThat(method)
                .as("calmed as much as averages of 4 × 4 pixels are, then as on the small picture")
                .isEqualTo(empty.then("smooth", "sigma", "1.13 px")
                        .then("threshold", "rule", "otsu", "keep", "bright")
                        .then("remove-specks", "below", "112 px2")
                        .then("split-touching", "by", "outline", "depth", "5 px"));
        Trail smooth = Trail.from(start, WORK).then("smooth", "sigma", Px.length(1));
        assertThat(smooth.lay(empty, fourth(start))).isEqualTo(empty.then("smooth", "sigma", "4 px"));
    }

    @Test
    void theSidesOfACutAreTold() {
        Random chance = new Random(5);
        Plane8 calm = plane(200, 100, (x, y) -> (x < 50 ? 180 : 60) + (int) Math.round(chance.nextGaussian()));
        TwoSides sides = TwoSides.of(calm, Field.whole(200, 100), WORK).orElseThrow();
        assertThat(sides.dark()).isCloseTo(60, within(0.1));
        assertThat(sides.apart()).isCloseTo(120, within(0.1));
        assertThat(sides.explained()).isGreaterThan(0.99);
        assertThat(sides.areNoisy(calm, Field.whole(200, 100))).isFalse();
        Plane8 noisy = plane(200, 100, (x, y) -> (x < 50 ? 180 : 60) + (int) Math.round(12 * chance.nextGaussian()));
        assertThat(TwoSides.of(noisy, Field.whole(200, 100), WORK).orElseThrow().areNoisy(noisy, Field.whole(200, 100)))
                .as("12 of 120")
                .isTrue();
        assertThat(TwoSides.of(plane(9, 9, (x, y) -> 7), Field.whole(9, 9), WORK))
                .isEmpty();
    }

    @Test
    void aCutIsNotMovedOverASide() {
        Plane8 two = plane(20, 10, (x, y) -> x < 5 ? 200 : 0);
        TwoSides sides = TwoSides.of(two, Field.whole(20, 10), WORK).orElseThrow();
        assertThat(sides.moved(-0.05)).isZero();
        assertThat(sides.moved(0.05)).isEqualTo(10);
    }

    /** Ten things of 49 pixels at 200, thirty of 6 pixels at 110, cut at 100: the small ones hardly reach over it. */
    @Test
    void whatHardlyReachesOverTheCutIsASpeck() {
        Plane8 plane = plane(400, 60, (x, y) -> {
            if (y >= 5 && y < 12 && x % 40 < 7) {
                return 200;
            }
            return y >= 30 && y < 32 && x % 13 < 3 && x < 390 ? 110 : 100;
        });
        byte[] chosen = new byte[400 * 60];
        for (int i = 0; i < chosen.length; i++) {
            chosen[i] = (byte) (plane.at(i % 400, i / 400) > 100 ? 1 : 0);
        }
        Mask over = Mask.from(chosen, 400, 60);
        assertThat(Specks.below(Labeller.regions(over, Neighbours.EIGHT, WORK), plane, true))
                .isBetween(7L, 49L);
        Plane8 alike = plane(400, 60, (x, y) -> plane.at(x, y) > 100 ? 200 : 100);
        assertThat(Specks.below(Labeller.regions(over, Neighbours.EIGHT, WORK), alike, true))
                .as("small ones that stand out as much are things")
                .isLessThanOrEqualTo(6);
    }

    /** Of two squares joined by a bridge 9 pixels wide, deeper splits leave one. */
    @Test
    void neighbouringSettingsShowHowFarANumberMayBeOff() throws StepFault {
        State start = state(plane(120, 60, (x, y) -> {
            boolean squares = y >= 15 && y < 45 && (x >= 10 && x < 40 || x >= 60 && x < 90);
            boolean bridge = y >= 25 && y < 34 && x >= 40 && x < 60;
            return squares || bridge ? 200 : 20;
        }));
        Method method = Method.empty("new", LengthUnit.PX)
                .then("threshold", "rule", "otsu", "keep", "bright")
                .then("split-touching", "by", "outline", "depth", "8 px");
        assertThat(Neighbourhood.of(method, start, WORK))
                .as("two cuts, two depths")
                .extracting(s -> s.needObjects().count())
                .containsExactly(2, 2, 2, 1);
        assertThat(Spread.of(2, List.of(2.0, 2.0, 2.0, 1.0))).isEqualTo(new Spread(0.5, 1));
    }
}
