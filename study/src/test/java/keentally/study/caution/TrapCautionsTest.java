package keentally.study.caution;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import keentally.core.geometry.Point;
import keentally.core.hand.HandWork;
import keentally.core.hand.Seeds;
import keentally.core.measure.Measure;
import keentally.core.method.Method;
import keentally.core.picture.Channel;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane8;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.Scale;
import keentally.core.run.Runner;
import keentally.core.run.Sample;
import keentally.core.run.StateCache;
import keentally.core.work.Cancel;
import keentally.core.work.Workers;
import keentally.study.run.MovedPhases;
import keentally.study.run.SampleOrder;
import keentally.study.run.SampleRun;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Each trap that is cautioned of, on a picture where it is and on one where it is not. */
class TrapCautionsTest {
    private static final int W = 280;
    private static final int H = 160;
    private static final Method EMPTY = Method.empty("m", LengthUnit.PX).measuring(List.of(Measure.AREA));

    private interface Shape {
        boolean at(double x, double y);
    }

    private static Shape disc(double cx, double cy, double r) {
        return (x, y) -> Math.hypot(x - cx, y - cy) <= r;
    }

    private static Shape any(List<Shape> shapes) {
        return (x, y) -> shapes.stream().anyMatch(s -> s.at(x, y));
    }

    /** Pairs of discs on a lattice, so far apart, and the last ones alone. */
    private static Shape pairs(double apart, int alone) {
        return any(java.util.stream.IntStream.range(0, 15)
                .boxed()
                .flatMap(i -> {
                    double x = 35 + 50 * (i % 5);
                    double y = 30 + 50 * (i / 5);
                    Shape first = disc(x - apart / 2, y, 9);
                    return i >= 15 - alone
                            ? java.util.stream.Stream.of(first)
                            : java.util.stream.Stream.of(first, disc(x + apart / 2, y, 9));
                })
                .toList());
    }

    private static Plane8 plane(Shape shape, int in, int out) {
        byte[] values = new byte[W * H];
        for (int i = 0; i < values.length; i++) {
            values[i] = (byte) (shape.at(i % W + 0.5, i / W + 0.5) ? in : out);
        }
        return Plane8.of(W, H, values);
    }

    private static Picture colour(Shape shape, int in, int out) {
        return new Picture(List.of(
                new Channel(Channel.RED, plane(shape, in >> 16, out >> 16)),
                new Channel(Channel.GREEN, plane(shape, in >> 8 & 255, out >> 8 & 255)),
                new Channel(Channel.BLUE, plane(shape, in & 255, out & 255))));
    }

    private static List<Caution> of(Method method, Picture picture, Map<String, HandWork> hand, Background background) {
        Sample sample = Sample.of("k", picture, List.of(), Optional.of(Scale.of("1 um/px")))
                .with(hand);
        SampleOrder order = new SampleOrder("k", sample, background, true);
        SampleRun run = SampleRun.of(
                order,
                method,
                new Runner(Workers.alone(), new StateCache(0)),
                new PictureCautions(new Captions()),
                new Cancel());
        assertThat(run.fault()).isEmpty();
        return run.cautions();
    }

    private static Optional<Caution> find(CautionKind kind, Method method, Picture picture) {
        return of(method, picture, Map.of(), Background.NONE).stream()
                .filter(c -> c.kind() == kind)
                .findFirst();
    }

    private static Method otsu(String keep) {
        return EMPTY.then("threshold", "rule", "otsu", "keep", keep);
    }

    @Test
    void clumpsAreCountedAmongTheObjects() {
        Optional<Caution> clumps =
                find(CautionKind.TOUCHING, otsu("bright"), Picture.grey(plane(pairs(16, 5), 200, 40)));
        assertThat(clumps.orElseThrow().saw()).startsWith("At least 10 of 15 objects look like several");
        assertThat(find(CautionKind.TOUCHING, otsu("bright"), Picture.grey(plane(pairs(24, 5), 200, 40))))
                .isEmpty();
        Method joined = otsu("bright").then("label", "joinWithin", "7 px");
        assertThat(find(CautionKind.TOUCHING, joined, Picture.grey(plane(pairs(24, 5), 200, 40))))
                .as("joined on purpose")
                .isEmpty();
        Method parted = otsu("bright").then("split-touching", "by", "outline", "depth", "1 px");
        assertThat(find(CautionKind.TOUCHING, parted, Picture.grey(plane(pairs(16, 5), 200, 40))))
                .isEmpty();
    }

    @Test
    void clumpsThatLieSideBySideAreEachLookedAt() {
        Shape pairs = pairs(16, 5);
        Shape twice =
                (x, y) -> pairs.at(x, y) || pairs.at(x, y - 17.6); // held together by narrower necks than a pair is
        Method parted = otsu("bright").then("split-touching", "by", "outline", "depth", "5 px");
        assertThat(find(CautionKind.TOUCHING, parted, Picture.grey(plane(twice, 200, 40)))
                        .orElseThrow()
                        .saw())
                .startsWith("At least 20 of 30 objects look like several");
    }

    /** Threads, rings and stars of threads are hollow and not clumps. */
    @Test
    void threadsAndRingsAreNoClumps() {
        Shape crosses = (x, y) -> Math.abs(x % 60 - 30) < 2 && y % 50 < 44 || Math.abs(y % 50 - 22) < 2 && x % 60 > 4;
        Shape rings = (x, y) -> Math.abs(Math.hypot(x % 60 - 30, y % 50 - 25) - 18) < 2.5;
        for (Shape shape : List.of(crosses, rings)) {
            assertThat(find(CautionKind.TOUCHING, otsu("bright"), Picture.grey(plane(shape, 200, 40))))
                    .isEmpty();
        }
    }

    @Test
    void aGrownMaskSaysWhatItFusedAndAdded() {
        Picture near = Picture.grey(plane(pairs(22, 0), 200, 40));
        Optional<Caution> grown = find(CautionKind.GROWN_MASK, otsu("bright").then("dilate", "radius", "3 px"), near);
        assertThat(grown.orElseThrow().saw())
                .startsWith("What step 2 took in made 15 of 30 pieces (15 fused) and added ");
        assertThat(find(CautionKind.GROWN_MASK, otsu("bright").then("close", "radius", "3 px"), near)
                        .orElseThrow()
                        .saw())
                .contains("15 of 30 pieces");
        assertThat(find(CautionKind.GROWN_MASK, otsu("bright").then("close", "radius", "1 px"), near))
                .isEmpty();
        assertThat(find(CautionKind.GROWN_MASK, otsu("bright").then("erode", "radius", "1 px"), near))
                .isEmpty();
    }

    @ParameterizedTest
    @CsvSource({
        "red, blue, false",
        "red, red, true",
        "red, grey, true",
        "lightness, green, true",
        "hue, red, true",
    })
    void whatIsMadeOfTheSameLightIsTheSameSignal(String cut, String signal, boolean said) {
        Method method = EMPTY.then("channel", "of", cut)
                .then("threshold", "rule", "otsu")
                .measuring(List.of(Measure.MEAN))
                .of(signal);
        assertThat(find(CautionKind.SAME_SIGNAL, method, colour(pairs(24, 5), 0x905030, 0x40c080))
                        .isPresent())
                .isEqualTo(said);
    }

    @Test
    void coloursOfObjectsAreASignalTooAndSizesAreNot() {
        Picture picture = colour(pairs(24, 5), 0x905030, 0x40c080);
        Method red = EMPTY.then("colour-range", "space", "rgb", "red", List.of(100, 200));
        assertThat(find(CautionKind.SAME_SIGNAL, red.measuring(List.of(Measure.MEAN_RED)), picture)
                        .orElseThrow()
                        .saw())
                .isEqualTo("Step 1 parts by colour, and mean red is measured, which is made of the same light.");
        assertThat(find(CautionKind.SAME_SIGNAL, red.measuring(List.of(Measure.MEAN_BLUE)), picture))
                .isEmpty();
        assertThat(find(CautionKind.SAME_SIGNAL, red.measuring(List.of(Measure.MEAN_HUE)), picture))
                .isPresent();
        assertThat(find(CautionKind.SAME_SIGNAL, red, picture)).isEmpty();
        for (String step : List.of("levels", "cluster")) {
            Method parted =
                    step.equals("levels") ? EMPTY.then("channel").then("levels", "count", 1) : EMPTY.then(step, "k", 2);
            Method picked = parted.then("pick-phase", "phases", List.of(1)).measuring(List.of(Measure.MEAN));
            assertThat(find(CautionKind.SAME_SIGNAL, picked, picture)).as(step).isPresent();
        }
    }

    /** What became the whole is not what is measured, unless it is put back. */
    @Test
    void aCutThatIsTheWholeIsNoSignalUntilItsPartIsClosed() {
        Picture picture = Picture.grey(plane(pairs(24, 5), 200, 40));
        Method cut = otsu("bright").measuring(List.of(Measure.MEAN));
        assertThat(find(CautionKind.SAME_SIGNAL, cut, picture)).isPresent();
        assertThat(find(CautionKind.SAME_SIGNAL, cut.then("within"), picture)).isEmpty();
        assertThat(find(CautionKind.SAME_SIGNAL, cut.then("within").then("rejoin"), picture))
                .isPresent();
        Method drawn = cut.then("within", "part", "rectangle", "at", List.of(0, 0, 100, 100));
        assertThat(find(CautionKind.SAME_SIGNAL, drawn, picture))
                .as("the cut is not what the part is")
                .isPresent();
    }

    @Test
    void theGroundBesideASampleBelongsToNoShare() {
        Shape dough = disc(140, 80, 60);
        Shape dyed = disc(140, 80, 30);
        byte[][] rgb = new byte[3][W * H];
        int[] colours = {0xf4f2ee, 0xd9b9c9, 0x6f5a9c};
        for (int i = 0; i < W * H; i++) {
            double x = i % W + 0.5;
            double y = i / W + 0.5;
            int c = colours[dyed.at(x, y) ? 2 : dough.at(x, y) ? 1 : 0];
            for (int p = 0; p < 3; p++) {
                rgb[p][i] = (byte) (c >> 16 - 8 * p);
            }
        }
        Picture picture = new Picture(List.of(
                new Channel(Channel.RED, Plane8.of(W, H, rgb[0])),
                new Channel(Channel.GREEN, Plane8.of(W, H, rgb[1])),
                new Channel(Channel.BLUE, Plane8.of(W, H, rgb[2]))));
        Method shares = EMPTY.then("cluster", "k", 3);
        assertThat(find(CautionKind.WRONG_WHOLE, shares, picture).orElseThrow().saw())
                .startsWith("Shares are of the whole field, and 74.8 % of that is a light ground");
        Method inside = EMPTY.then("colour-range", "space", "hsv", "saturation", List.of(0.05, 1))
                .then("within")
                .then("cluster", "k", 2);
        assertThat(find(CautionKind.WRONG_WHOLE, inside, picture)).isEmpty();
        assertThat(find(CautionKind.WRONG_WHOLE, inside.then("rejoin"), picture))
                .as("the part is closed, and the whole is the field again")
                .isPresent();
        assertThat(find(CautionKind.WRONG_WHOLE, EMPTY.then("cluster", "k", 2), colour(dough, 0x6f5a9c, 0xa08060)))
                .isEmpty();
    }

    /** Four squares that meet at corners: as what is left over they are counted in one piece. */
    @Test
    void cornersThatHoldABackgroundTogetherAreSaid() {
        Shape chequers = (x, y) -> ((int) (x / 40) + (int) (y / 40)) % 2 == 0;
        Shape frames = (x, y) -> x % 40 < 30 && y % 40 < 30;
        Method inverted = otsu("bright").then("invert-mask");
        assertThat(find(CautionKind.OPENED_BACKGROUND, inverted, Picture.grey(plane(chequers, 200, 40)))
                        .orElseThrow()
                        .saw())
                .endsWith("by corners: 1 with eight neighbours, 14 with four.");
        assertThat(find(CautionKind.OPENED_BACKGROUND, inverted, Picture.grey(plane(frames, 40, 200))))
                .isEmpty();
        assertThat(find(CautionKind.OPENED_BACKGROUND, otsu("bright"), Picture.grey(plane(chequers, 200, 40))))
                .isEmpty();
        Method split = inverted.then("split-touching", "by", "outline", "depth", "1 px");
        assertThat(find(CautionKind.OPENED_BACKGROUND, split, Picture.grey(plane(chequers, 200, 40))))
                .as("a split does not go by neighbours")
                .isEmpty();
        Method four = inverted.then("label", "neighbours", "four");
        assertThat(find(CautionKind.OPENED_BACKGROUND, four, Picture.grey(plane(chequers, 200, 40))))
                .isEmpty();
    }

    @Test
    void markersWhereRegionsMeetAreNamed() {
        Method method = EMPTY.then("grow-regions", "markers", "placed", "over", "picture");
        String step = method.steps().getFirst().id();
        Picture halves = Picture.grey(plane((x, y) -> Math.abs(x - 120) < 1, 200, 40));
        List<Point> inside = List.of(new Point(40, 80), new Point(200, 80));
        List<Point> one = List.of(inside.getFirst(), inside.getLast(), new Point(119.5, 80.5));
        assertThat(of(method, halves, Map.of(step, new Seeds(one)), Background.NONE))
                .filteredOn(c -> c.kind() == CautionKind.MARKERS_ON_BORDERS)
                .singleElement()
                .satisfies(c -> assertThat(c.saw())
                        .startsWith("1 of 3 markers of step 1 lie where two regions meet, at x, y px 120, 81"));
        assertThat(of(method, halves, Map.of(step, new Seeds(inside)), Background.NONE))
                .noneMatch(c -> c.kind() == CautionKind.MARKERS_ON_BORDERS);
    }

    @Test
    void pagesThatWereLeftAreCounted() {
        Picture picture = Picture.grey(plane(pairs(24, 5), 200, 40));
        Background five = new Background(OptionalInt.empty(), Optional.empty(), 5);
        assertThat(of(otsu("bright"), picture, Map.of(), five))
                .filteredOn(c -> c.kind() == CautionKind.OTHER_PAGES)
                .singleElement()
                .satisfies(c -> assertThat(c.saw())
                        .isEqualTo("The file has 5 pages; the first was measured, and 4 were left."));
        assertThat(of(otsu("bright"), picture, Map.of(), Background.NONE))
                .noneMatch(c -> c.kind() == CautionKind.OTHER_PAGES);
    }

    /** Of two values nothing is lost; a drawn picture is told apart from one that was taken. */
    @Test
    void blackAndWhiteAloneAreNotClipped() {
        Plane8 two = plane(pairs(24, 5), 255, 0);
        assertThat(find(CautionKind.CLIPPED, otsu("bright"), Picture.grey(two))).isEmpty();
        byte[] three = two.values().clone();
        Arrays.fill(three, 0, 500, (byte) 90);
        Caution drawn = find(CautionKind.CLIPPED, otsu("bright"), Picture.grey(Plane8.of(W, H, three)))
                .orElseThrow();
        assertThat(drawn.why()).startsWith("Its 3 values look drawn rather than taken");
        byte[] taken = two.values().clone();
        for (int i = 0; i < 5000; i++) {
            taken[i] = (byte) (i % 200 + 20);
        }
        assertThat(find(CautionKind.CLIPPED, otsu("bright"), Picture.grey(Plane8.of(W, H, taken)))
                        .orElseThrow()
                        .why())
                .startsWith("What lies beyond black or white was lost");
    }

    private static SampleRun shades(Method method, int dark, int middle, int bright) {
        byte[] values = new byte[W * H];
        for (int i = 0; i < values.length; i++) {
            values[i] = (byte) (i % W < 80 ? dark : i % W < 160 ? middle : bright);
        }
        Sample sample = Sample.of("k", Picture.grey(Plane8.of(W, H, values)), List.of(), Optional.empty());
        return SampleRun.of(
                new SampleOrder("k", sample, Background.NONE, true),
                method,
                new Runner(Workers.alone(), new StateCache(0)),
                new PictureCautions(new Captions()),
                new Cancel());
    }

    @ParameterizedTest
    @CsvSource({"levels", "cluster"})
    void phasesThatMeanSomethingElseThanBeforeAreSaid(String step) {
        Method method = step.equals("levels") ? EMPTY.then("levels", "count", 2) : EMPTY.then("cluster", "k", 3);
        MovedPhases series = new MovedPhases(method);
        assertThat(series.next(shades(method, 20, 100, 180).record()).cautions())
                .noneMatch(c -> c.kind() == CautionKind.MOVED_PHASES);
        assertThat(series.next(shades(method, 30, 110, 190).record()).cautions())
                .noneMatch(c -> c.kind() == CautionKind.MOVED_PHASES);
        assertThat(series.next(shades(method, 90, 170, 250).record()).cautions())
                .filteredOn(c -> c.kind() == CautionKind.MOVED_PHASES)
                .singleElement()
                .satisfies(c -> assertThat(c.saw())
                        .endsWith("its phase 1 lies nearer to what phase 2 is on the 2 samples before it."));
    }
}
