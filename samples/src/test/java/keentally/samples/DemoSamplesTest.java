package keentally.samples;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import keentally.core.agree.Agreement;
import keentally.core.agree.MaskOverlap;
import keentally.core.agree.Matching;
import keentally.core.bring.MaskPicture;
import keentally.core.classify.Classifier;
import keentally.core.hand.Marks;
import keentally.core.hand.Painting;
import keentally.core.measure.Measure;
import keentally.core.measure.ObjectTable;
import keentally.core.method.Method;
import keentally.core.picture.Depth;
import keentally.core.picture.Mask;
import keentally.core.picture.Picture;
import keentally.core.run.Progress;
import keentally.core.run.Readings;
import keentally.core.run.Run;
import keentally.core.run.Runner;
import keentally.core.run.Sample;
import keentally.core.run.StateCache;
import keentally.core.setting.Reference;
import keentally.core.stats.Distribution;
import keentally.core.step.References;
import keentally.core.work.Cancel;
import keentally.core.work.Work;
import keentally.core.work.Workers;
import keentally.study.caution.Background;
import keentally.study.caution.Captions;
import keentally.study.caution.Caution;
import keentally.study.caution.PictureCautions;
import keentally.study.run.MovedPhases;
import keentally.study.run.SampleOrder;
import keentally.study.run.SampleRecord;
import keentally.study.run.SampleRun;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

/** The demo methods find what is true of the demo pictures. */
class DemoSamplesTest {
    private static final List<DemoSample> DRAWN = new ArrayList<>();

    static Stream<DemoSample> samples() {
        if (DRAWN.isEmpty()) {
            DemoSamples.all(Work.alone()).stream().map(Supplier::get).forEach(DRAWN::add);
        }
        return DRAWN.stream();
    }

    private static Readings run(DemoSample demo) throws Exception {
        Runner runner = new Runner(Workers.alone(), new StateCache(0), models(demo));
        List<Measure> all = List.of(Measure.AREA, Measure.ECD, Measure.X, Measure.Y, Measure.TOUCHES_EDGE);
        Sample sample = Sample.of(demo.id(), demo.picture(), demo.field(), Optional.of(demo.scale()))
                .with(demo.hand());
        Run run = runner.run(demo.method().measuring(all), sample, 99, new Cancel(), Progress.SILENT);
        return runner.readings(run, new Cancel());
    }

    /** Which cautions the demo methods give, each looked at: docs/cautions.md tells why. */
    @Test
    void theCautionsOfEachAreThoseThatAreTold() throws Exception {
        Path page = Path.of(System.getProperty("user.dir")).getParent().resolve("docs/cautions.md");
        StringBuilder told = new StringBuilder();
        Map<String, MovedPhases> series = new HashMap<>();
        for (DemoSample demo : samples().toList()) {
            Sample sample = Sample.of(demo.id(), demo.picture(), demo.field(), Optional.of(demo.scale()))
                    .with(demo.hand());
            SampleRun run = SampleRun.of(
                    new SampleOrder(demo.id(), sample, Background.NONE, true),
                    demo.method(),
                    new Runner(Workers.alone(), new StateCache(0), models(demo)),
                    new PictureCautions(new Captions()),
                    new Cancel());
            SampleRecord record = series.computeIfAbsent(demo.method().name(), m -> new MovedPhases(demo.method()))
                    .next(run.record());
            for (Caution caution : record.cautions()) {
                told.append("| ")
                        .append(demo.title())
                        .append(" | ")
                        .append(caution.id())
                        .append(" | ");
                told.append(caution.saw()).append(" |\n");
            }
        }
        assertThat(Files.readString(page)).as("the table, now\n" + told).contains(told);
    }

    /** What the sample's method was taught, without files. */
    private static References models(DemoSample demo) {
        return new References() {
            @Override
            public Picture picture(Reference reference) {
                throw new AssertionError("no demo method refers to a picture");
            }

            @Override
            public Classifier classifier(Reference reference) {
                return demo.learning().models().get(reference.file());
            }
        };
    }

    private static double at(ObjectTable table, int row, Measure measure) {
        return table.at(row, table.columns().indexOf(measure));
    }

    static Stream<DemoSample> apart() {
        return samples().filter(s -> s.truth().apart());
    }

    @ParameterizedTest
    @MethodSource("apart")
    void everyWholeThingIsFoundWhereItIsAndNothingElse(DemoSample demo) throws Exception {
        ObjectTable table = run(demo).objects().orElseThrow();
        int[] whole = IntStream.range(0, table.rows())
                .filter(i -> at(table, i, Measure.TOUCHES_EDGE) == 0)
                .toArray();
        List<Truth.Thing> things = new ArrayList<>(demo.truth().countable());
        assertThat(whole).hasSize(things.size());
        double area = 0;
        for (int i : whole) {
            double x = at(table, i, Measure.X);
            double y = at(table, i, Measure.Y);
            area += at(table, i, Measure.AREA);
            Truth.Thing nearest = things.stream()
                    .min((a, b) -> Double.compare(Math.hypot(a.x() - x, a.y() - y), Math.hypot(b.x() - x, b.y() - y)))
                    .orElseThrow();
            assertThat(Math.hypot(nearest.x() - x, nearest.y() - y)).isLessThan(2);
            things.remove(nearest);
        }
        double truth = demo.truth().countable().stream()
                .mapToDouble(Truth.Thing::areaPx2)
                .sum();
        assertThat(area / truth).isCloseTo(1, within(0.015));
    }

    @ParameterizedTest
    @MethodSource("samples")
    void theShareOfThePictureIsFoundWhereNothingIsDropped(DemoSample demo) throws Exception {
        boolean drops = demo.method().steps().stream()
                .anyMatch(s -> s.description().id().equals("edge-objects"));
        Readings readings = run(demo);
        for (Truth.Share share : demo.truth().shares()) {
            double percent = readings.fractions().get(share.phase()).percent();
            if (drops) {
                assertThat(percent).isLessThan(share.percent());
            } else {
                assertThat(percent).as(share.name()).isCloseTo(share.percent(), within(mostOff(demo)));
            }
        }
    }

    /** Where a learner tells by surroundings, a band as wide as these along every border is anybody's guess. */
    private static double mostOff(DemoSample demo) {
        return demo.learning().models().isEmpty() ? 0.5 : 2;
    }

    /** From granules that only touch to those that reach so far into each other that small ones begin to lose their necks. */
    @ParameterizedTest
    @ValueSource(doubles = {0.8, 1.6, 2.5})
    void granulesThatTouchOrOverlapAreCountedAndSized(double overlap) throws Exception {
        DemoSample starch = StarchGranules.draw(overlap, Work.alone());
        double[] truth = starch.truth().countable().stream()
                .mapToDouble(Truth.Thing::ecdPx)
                .sorted()
                .toArray();
        ObjectTable table = run(starch).objects().orElseThrow();
        double[] found = IntStream.range(0, table.rows())
                .mapToDouble(i -> at(table, i, Measure.ECD))
                .sorted()
                .toArray();
        assertThat((double) found.length / truth.length).isCloseTo(1, within(0.02));
        assertThat(d50(found) / d50(truth)).isCloseTo(1, within(0.03));
    }

    private static double d50(double[] diameters) {
        return byArea(diameters).at(50);
    }

    private static Distribution byArea(double[] diameters) {
        return Distribution.of(
                diameters, Arrays.stream(diameters).map(d -> d * d).toArray(), false, 10);
    }

    @Test
    void theSizesOfFlourAreSpreadAsTheyWereDrawn() throws Exception {
        DemoSample flour = called("flour-dispersion");
        double[] truth = flour.truth().countable().stream()
                .mapToDouble(Truth.Thing::ecdPx)
                .toArray();
        ObjectTable table = run(flour).objects().orElseThrow();
        double[] found = table.column(table.columns().indexOf(Measure.ECD));
        assertThat(found).hasSameSizeAs(truth);
        for (double percent : new double[] {10, 50, 90}) {
            assertThat(byArea(found).at(percent) / byArea(truth).at(percent)).isCloseTo(1, within(0.03));
        }
    }

    private static DemoSample called(String id) {
        return samples().filter(s -> s.id().equals(id)).findFirst().orElseThrow();
    }

    /** As the others, but every one of them where it is. */
    @Test
    void nearlyEveryCellBetweenWallsIsFound() throws Exception {
        DemoSample walls = called("cell-walls");
        ObjectTable table = run(walls).objects().orElseThrow();
        List<Truth.Thing> cells = walls.truth().countable();
        assertThat((double) table.rows() / cells.size()).isCloseTo(1, within(0.01));
        double area = Arrays.stream(table.column(table.columns().indexOf(Measure.AREA)))
                .sum();
        double truth = cells.stream().mapToDouble(Truth.Thing::areaPx2).sum();
        assertThat(area / truth).isCloseTo(1, within(0.015));
    }

    @Test
    void everyCrackOfTheBiscuitIsFoundAndNothingElseInOrderOfTheirAngles() throws Exception {
        DemoSample biscuit = called("cracked-biscuit");
        ObjectTable table = run(biscuit).objects().orElseThrow();
        List<Truth.Thing> cracks = new ArrayList<>(biscuit.truth().countable());
        assertThat(table.rows()).isEqualTo(cracks.size());
        double before = 0;
        for (int i = 0; i < table.rows(); i++) {
            double x = at(table, i, Measure.X);
            double y = at(table, i, Measure.Y);
            assertThat(cracks.removeIf(c -> Math.hypot(c.x() - x, c.y() - y) < 30))
                    .as("a crack at %s, %s", x, y)
                    .isTrue();
            double angle = (Math.toDegrees(Math.atan2(502 - y, x - 552)) + 360) % 360;
            assertThat(angle).isGreaterThan(before);
            before = angle;
        }
        assertThat(cracks).isEmpty();
    }

    /** What the hand does there: without it torn cells hang together. */
    @Test
    void tornCrumbIsMendedByHand() throws Exception {
        DemoSample torn = called("torn-crumb");
        int mended = run(torn).objects().orElseThrow().rows();
        DemoSample bare = new DemoSample(
                torn.id(),
                torn.title(),
                torn.picture(),
                torn.scale(),
                torn.field(),
                torn.truth(),
                torn.method().mute("paint-1", true));
        int tears = ((Painting) torn.hand().get("paint-1")).dabs().size();
        assertThat(tears).isGreaterThan(20);
        assertThat(run(bare).objects().orElseThrow().rows()).isEqualTo(mended - tears);
    }

    @Test
    void levelsFindTheShadesOfCrustInGreyToo() throws Exception {
        DemoSample crust = called("crust-chart");
        Method levels = new MethodMaker("levels", crust.method().unit())
                .step("channel", "of", "grey")
                .step("smooth", "by", "median", "radius", "2 px")
                .step("levels", "count", 4)
                .make(List.of(Measure.AREA));
        Readings readings = run(new DemoSample(
                crust.id(), crust.title(), crust.picture(), crust.scale(), crust.field(), crust.truth(), levels));
        for (Truth.Share share : crust.truth().shares()) {
            assertThat(readings.fractions().get(share.phase()).percent())
                    .as(share.name())
                    .isCloseTo(share.percent(), within(0.5));
        }
    }

    @ParameterizedTest
    @MethodSource("samples")
    void picturesAreSmallEnoughAndUseTheirDepth(DemoSample demo) {
        assertThat(demo.picture().width() * demo.picture().height()).isLessThanOrEqualTo(1_500_000);
        assertThat(demo.picture().depth()).isIn(Depth.BITS_8, Depth.BITS_16);
        if (demo.field().isEmpty() && demo.truth().apart()) {
            assertThat(demo.truth().things()).anyMatch(Truth.Thing::cutByEdge);
            assertThat(demo.truth().things())
                    .anyMatch(t -> t.areaPx2() < demo.truth().speckBelowPx2());
        }
        assertThat(demo.method().refusal()).isEmpty();
    }

    private static DemoSample drawn(String id) {
        return samples().filter(s -> s.id().equals(id)).findFirst().orElseThrow();
    }

    /** The second counter passes over every 40th seed, takes some wheat for rye, and marks two pumpkin seeds twice. */
    @Test
    void theTwoCountsOfTheTrayDifferAsTheyAreSaidTo() {
        Beside beside = drawn("grain-tray").beside();
        Marks first = beside.tallies().get(TrayCount.FIRST);
        Marks second = beside.tallies().get(TrayCount.SECOND);
        assertThat(first.counts().values()).containsExactly(30, 130, 95, 120);
        Agreement agreement = Matching.between(first.places(), second.places(), 8);
        assertThat(agreement.missed()).hasSize(first.list().size() / TrayCount.PASSED_OVER);
        assertThat(agreement.extra()).hasSize(30 / TrayCount.TWICE);
        int[] partner = agreement.partner();
        long mistaken = IntStream.range(0, partner.length)
                .filter(i -> partner[i] >= 0)
                .filter(i -> !first.list()
                        .get(i)
                        .kind()
                        .equals(second.list().get(partner[i]).kind()))
                .count();
        assertThat(mistaken).isBetween(4L, 130L / TrayCount.TAKEN_FOR_RYE);
    }

    @Test
    void theRoughMaskCoversMostOfTheRyeAndMore() throws Exception {
        DemoSample tray = drawn("grain-tray");
        MaskPicture rough = MaskPicture.of(Picture.grey(tray.beside().rough().orElseThrow()));
        Mask brought = rough.read(
                        rough.usual(), tray.picture().width(), tray.picture().height(), "")
                .runs()
                .mask();
        Readings ours = run(tray);
        MaskOverlap overlap =
                MaskOverlap.of(ours.state().needMask(), brought, ours.state().field());
        assertThat(overlap.iou()).isBetween(0.4, 0.85);
        assertThat(overlap.onlyFirst()).isGreaterThan(8 * 300L); // eight grains were forgotten
    }

    @Test
    void theOtherMethodOfTheStarchPartsLess() throws Exception {
        DemoSample starch = drawn("starch-granules");
        DemoSample other = new DemoSample(
                starch.id(),
                starch.title(),
                starch.picture(),
                starch.scale(),
                starch.field(),
                starch.truth(),
                starch.beside().methods().getFirst());
        int more = run(starch).objects().orElseThrow().objects().count();
        int fewer = run(other).objects().orElseThrow().objects().count();
        assertThat(fewer).isBetween(more * 3 / 4, more - 10);
    }
}
