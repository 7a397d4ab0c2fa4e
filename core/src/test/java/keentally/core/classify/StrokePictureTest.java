package keentally.core.classify;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import keentally.core.classify.Classifier.ClassLabel;
import keentally.core.classify.Lessons.Lesson;
import keentally.core.colour.Rgb;
import keentally.core.geometry.Point;
import keentally.core.hand.ClassStroke;
import keentally.core.hand.ClassStrokes;
import keentally.core.hand.LabelRuns;
import keentally.core.picture.Picture;
import keentally.core.work.Cancel;
import keentally.core.work.Work;
import keentally.core.work.Workers;
import org.junit.jupiter.api.Test;

class StrokePictureTest {
    private static final List<ClassLabel> CLASSES =
            List.of(new ClassLabel("ash", Rgb.from(0x112233)), new ClassLabel("bran", Rgb.from(0x445566)));

    private static ClassStroke.Brush brush(String as, double width, double... xy) {
        List<Point> path = new ArrayList<>();
        for (int i = 0; i < xy.length; i += 2) {
            path.add(new Point(xy[i], xy[i + 1]));
        }
        return new ClassStroke.Brush(path, width, as);
    }

    private static ClassPicture painted(double apart, ClassStroke... strokes) {
        return ClassPicture.of(100, 60, new ClassStrokes(List.of(strokes)), CLASSES, apart);
    }

    private static String at(ClassPicture picture, int x, int y) {
        return picture.values().get(picture.at(x, y)).name();
    }

    @Test
    void theLastStrokeOverAPixelCountsAndOneOfNothingRubsOut() {
        ClassPicture picture = painted(
                5,
                brush("ash", 6, 10, 30, 90, 30),
                brush("bran", 6, 50, 10, 50, 50),
                brush("", 6, 80, 30),
                brush("chaff", 6, 20, 30));
        assertThat(at(picture, 40, 30)).isEqualTo("ash");
        assertThat(at(picture, 50, 30)).isEqualTo("bran");
        assertThat(at(picture, 80, 30)).as("rubbed out").isEmpty();
        assertThat(at(picture, 20, 30)).as("a class that is not asked for").isEmpty();
        assertThat(at(picture, 40, 5)).isEmpty();
        assertThat(picture.classes(Optional.of(""))).isEqualTo(CLASSES);
        long ash = picture.values().get(1).pixels();
        long counted = IntStream.range(0, 6000)
                .filter(i -> at(picture, i % 100, i / 100).equals("ash"))
                .count();
        assertThat(ash).isEqualTo(counted).isPositive();
    }

    @Test
    void strokesOfAClassThatComeNearAreOneGroupAndOthersAreNot() {
        ClassPicture picture = painted(
                10,
                brush("ash", 4, 5, 5, 30, 5),
                brush("bran", 4, 5, 12, 30, 12),
                brush("ash", 4, 60, 5, 90, 5),
                brush("ash", 4, 36, 10, 40, 20));
        assertThat(picture.strokeAt(10, 5)).isEqualTo(0);
        assertThat(picture.strokeAt(38, 15)).as("within 10 px of the first").isEqualTo(0);
        assertThat(picture.strokeAt(10, 12)).as("another class").isEqualTo(1);
        assertThat(picture.strokeAt(70, 5)).isEqualTo(2);
        assertThat(picture.strokeAt(70, 40)).isEqualTo(ClassPicture.NO_STROKE);
    }

    @Test
    void aPaintedPictureLiesBelowTheStrokesThatCameAfterIt() {
        int[] values = new int[6000];
        Arrays.fill(values, 0, 3000, 2);
        ClassStroke.Painted brought =
                new ClassStroke.Painted(LabelRuns.of(100, 60, values), List.of("ash", "bran"), "classes.png");
        ClassPicture picture = painted(5, brought, brush("ash", 6, 50, 10));
        assertThat(at(picture, 50, 10)).isEqualTo("ash");
        assertThat(at(picture, 5, 5)).isEqualTo("bran");
        assertThat(at(picture, 5, 50)).isEmpty();
        assertThat(picture.strokeAt(5, 5)).as("held out in blocks").isEqualTo(ClassPicture.NO_STROKE);
        assertThatThrownBy(() -> ClassPicture.of(50, 60, new ClassStrokes(List.of(brought)), CLASSES, 5))
                .hasMessage("the class picture classes.png is 100 × 60 px, but its picture is 50 × 60 px");
    }

    @Test
    void strokesAreHeldOutAsWholesAndDrawnTheSameWhenMoreArePainted() {
        int side = 320;
        FeatureSet set = new FeatureSet(List.of(FeatureGroup.GABOR), false, 1);
        Picture weave = Picture.grey(Weaves.drawn(side, 1));
        List<ClassStroke> strokes = List.of(
                brush("ash", 9, 20, 40, 120, 40),
                brush("ash", 9, 20, 260, 120, 260),
                brush("bran", 9, 200, 40, 300, 40),
                brush("bran", 9, 200, 260, 300, 260));
        PixelFeatures features = PixelFeatures.of(set, weave, weave);
        Examples few = examples(features, strokes);
        assertThat(Arrays.stream(few.groups()).distinct().toArray()).containsExactlyInAnyOrder(0, 1, 2, 3);
        List<ClassStroke> more = new ArrayList<>(strokes);
        more.add(brush("bran", 9, 200, 150, 300, 150));
        Examples again = examples(features, more);
        Examples fresh = examples(PixelFeatures.of(set, weave, weave), more);
        assertThat(again).usingRecursiveComparison().isEqualTo(fresh);
        long ash = Arrays.stream(again.classOf()).filter(c -> c == 0).count();
        assertThat(ash)
                .as("what was drawn of the other class")
                .isEqualTo(Arrays.stream(few.classOf()).filter(c -> c == 0).count());
        Confusion scores =
                HeldOut.of(again, new ForestPlan(8, 8, 2, 1), Work.alone()).confusion();
        assertThat(scores.f1(0)).isGreaterThan(0.9);
    }

    private static Examples examples(PixelFeatures features, List<ClassStroke> strokes) {
        ClassPicture painted = ClassPicture.of(
                320,
                320,
                new ClassStrokes(strokes),
                CLASSES,
                features.rows().set().reach());
        Lessons lessons = Lessons.of(List.of(new Lesson(features, painted)), Optional.of(""));
        try (Workers two = Workers.of(2)) {
            return lessons.examples(1000, 1, new Work(two, new Cancel()));
        }
    }
}
