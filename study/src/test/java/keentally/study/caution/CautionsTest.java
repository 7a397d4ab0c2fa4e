package keentally.study.caution;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.SplittableRandom;
import keentally.core.geometry.Ellipse;
import keentally.core.geometry.Rectangle;
import keentally.core.measure.Measure;
import keentally.core.method.Departures;
import keentally.core.method.Departures.Departure;
import keentally.core.method.Method;
import keentally.core.picture.Field;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane8;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.Scale;
import keentally.core.run.RunFault;
import keentally.core.run.Runner;
import keentally.core.run.Sample;
import keentally.core.run.StateCache;
import keentally.core.setting.Values;
import keentally.core.step.StepDescription;
import keentally.core.step.Steps;
import keentally.core.work.Cancel;
import keentally.core.work.Work;
import keentally.core.work.Workers;
import keentally.study.run.RecordFile;
import keentally.study.run.SampleOrder;
import keentally.study.run.SampleRecord;
import keentally.study.run.SampleRun;
import keentally.study.run.TypedNumbers;
import keentally.study.run.Weighing;
import org.junit.jupiter.api.Test;

class CautionsTest {
    private static final int SIDE = 120;

    /** Squares of a side on a lattice, bright on dark, some pixels clipped. */
    private static Plane8 squares(int side, int offset, int bright) {
        byte[] values = new byte[SIDE * SIDE];
        for (int i = 0; i < values.length; i++) {
            int x = i % SIDE - offset;
            int y = i / SIDE - offset;
            boolean in = x >= 0 && y >= 0 && x % 20 < side && y % 20 < side && x < 100 && y < 100;
            values[i] = (byte) (in ? bright : 30);
        }
        return Plane8.of(SIDE, SIDE, values);
    }

    private static List<Caution> cautions(Plane8 plane, Optional<Scale> scale) throws RunFault {
        return cautions(
                Method.empty("m", LengthUnit.PX)
                        .add(0, Steps.find("threshold").orElseThrow())
                        .measuring(List.of(Measure.AREA)),
                plane,
                scale,
                true);
    }

    private static List<Caution> cautions(Method method, Plane8 plane, Optional<Scale> scale, boolean several)
            throws RunFault {
        Runner runner = new Runner(Workers.alone(), new StateCache(0));
        Sample sample = Sample.of("k", Picture.grey(plane), List.of(), scale);
        SampleOrder order = new SampleOrder("k", sample, Background.NONE, several);
        return SampleRun.of(order, method, runner, new PictureCautions(new Captions()), new Cancel())
                .cautions();
    }

    /** The sample's own settings are told in its record and in a caution, also those that have no effect any more. */
    @Test
    void aSampleWithSettingsOfItsOwnSaysSo() {
        Departures own = new Departures(List.of(
                new Departure("threshold-1", "keep", Optional.of("dark")),
                new Departure("gate-1", "atMost", Optional.empty())));
        Method method = own.on(Method.empty("k", LengthUnit.PX).then("threshold", "rule", "otsu"));
        Sample sample = Sample.of("k", Picture.grey(squares(10, 5, 200)), List.of(), SCALE);
        SampleOrder order = new SampleOrder("k", sample, Background.NONE, true, Weighing.NONE, TypedNumbers.NONE, own);
        Runner runner = new Runner(Workers.alone(), new StateCache(0));
        SampleRecord record = SampleRun.of(order, method, runner, new PictureCautions(new Captions()), new Cancel())
                .record();
        assertThat(record.cautions())
                .filteredOn(c -> c.id().equals("departures"))
                .singleElement()
                .satisfies(c -> assertThat(c.saw())
                        .isEqualTo("2 settings are this sample's own: 1 Threshold, Keep: dark; gate-1, atMost: not set."
                                + " Where the station is gone, this has no effect."));
        SampleRecord back = RecordFile.read(RecordFile.text(record));
        assertThat(back.origin().departures()).isEqualTo(own);
        assertThat(RecordFile.text(back)).isEqualTo(RecordFile.text(record));
    }

    private static final Optional<Scale> SCALE = Optional.of(Scale.of("1 um/px"));

    @Test
    void aSoundSampleHasNone() throws RunFault {
        assertThat(cautions(squares(10, 5, 200), SCALE)).isEmpty();
    }

    @Test
    void eachSaysWhatItSawInNumbers() throws RunFault {
        assertThat(Cautions.ids(cautions(squares(10, 5, 200), Optional.empty())))
                .isEqualTo("no-scale");
        assertThat(cautions(squares(10, 0, 200), SCALE))
                .singleElement()
                .satisfies(c -> assertThat(c.saw()).isEqualTo("9 of 25 objects are cut by the field's edge."));
        List<Caution> specks = cautions(squares(3, 5, 200), SCALE);
        assertThat(Cautions.ids(specks)).isEqualTo("mostly-specks;few-pixels");
        assertThat(specks.getFirst().saw()).isEqualTo("25 of 25 objects have under 16 pixels.");
        assertThat(Cautions.ids(cautions(squares(6, 5, 200), SCALE))).isEqualTo("few-pixels");
    }

    private static Method cutting(Object... settings) {
        StepDescription step = Steps.find("threshold").orElseThrow();
        Values values = Values.NONE;
        for (int i = 0; i < settings.length; i += 2) {
            values = values.withTree(step.setting((String) settings[i]).orElseThrow(), settings[i + 1]);
        }
        return Method.empty("m", LengthUnit.PX).add(0, step, values);
    }

    @Test
    void cutsByHandOnTheMeasuredSignalOnASlopeAreCautioned() throws RunFault {
        byte[] ramp = new byte[SIDE * SIDE];
        SplittableRandom random = new SplittableRandom(3);
        for (int i = 0; i < ramp.length; i++) {
            ramp[i] = (byte) Math.clamp(Math.round(120 + 20 * random.nextGaussian()), 1, 254);
        }
        Plane8 one = Plane8.of(SIDE, SIDE, ramp);
        List<Caution> hand = cautions(cutting("rule", "manual", "cut", 150), one, SCALE, true);
        assertThat(Cautions.ids(hand))
                .contains("hand-cut", "same-signal", "unstable-cut")
                .doesNotContain("one-mode");
        assertThat(Cautions.ids(cautions(cutting("rule", "manual", "cut", 150), one, SCALE, false)))
                .doesNotContain("hand-cut");
        assertThat(Cautions.ids(cautions(cutting(), one, SCALE, true))).contains("one-mode");
        assertThat(Cautions.ids(cautions(cutting("rule", "manual", "cut", 254), one, SCALE, false)))
                .contains("empty-phase");
    }

    @Test
    void eachHasAReasonAndAWayOut() throws RunFault {
        for (Caution caution : cautions(squares(3, 0, 255), Optional.empty())) {
            assertThat(caution.why()).endsWith(".");
            assertThat(caution.wayOut()).endsWith(".");
        }
    }

    private static List<Caution> picture(Plane8 plane, List<Field.Part> field, Background background) {
        Sample sample = Sample.of("k" + plane.hashCode(), Picture.grey(plane), field, SCALE);
        return new PictureCautions(new Captions()).of(sample, background, Work.alone());
    }

    private static Plane8 lit(double slope) {
        SplittableRandom random = new SplittableRandom(4);
        byte[] values = new byte[400 * 300];
        for (int i = 0; i < values.length; i++) {
            double light = 1 + slope * (i % 400 - 200) / 400;
            boolean thing = i % 400 % 40 < 12 && i / 400 % 40 < 12;
            values[i] = (byte) Math.round((thing ? 60 : 150) * light + random.nextDouble(-3, 3));
        }
        return Plane8.of(400, 300, values);
    }

    @Test
    void unevenLightIsSaidInPerCent() {
        assertThat(picture(lit(0.05), List.of(), Background.NONE)).isEmpty();
        List<Caution> found = picture(lit(0.4), List.of(), Background.NONE);
        assertThat(Cautions.ids(found)).isEqualTo("uneven-light");
        double percent = Double.parseDouble(found.getFirst().saw().replaceAll(".*by ([0-9.]+) %.*", "$1"));
        assertThat(percent).isBetween(34.0, 42.0);
    }

    @Test
    void aCaptionInTheFieldIsSaidAndLeftOutIsNot() {
        Plane8 plane = lit(0);
        byte[] values = plane.values().clone();
        for (int i = 400 * 260; i < values.length; i++) {
            int x = i % 400;
            int y = i / 400;
            boolean bar = y >= 280 && y < 285 && x >= 280 && x < 370;
            boolean writing = y >= 266 && y < 274 && x % 7 < 3 && x > 300 && x < 340;
            values[i] = (byte) (bar || writing ? 240 : 5);
        }
        Plane8 captioned = Plane8.of(400, 300, values);
        List<Caution> found = picture(captioned, List.of(), Background.NONE);
        assertThat(Cautions.ids(found)).contains("bar-in-field");
        assertThat(found.getFirst().saw() + found.getLast().saw()).contains("16,000 pixels");
        List<Field.Part> without = List.of(new Field.Part(new Rectangle(0, 0, 400, 260), false));
        assertThat(Cautions.ids(picture(captioned, without, Background.NONE))).doesNotContain("bar-in-field");
    }

    @Test
    void aLossyPictureIsSaidBelowAQualityOf75() {
        assertThat(picture(lit(0), List.of(), new Background(OptionalInt.of(90), Optional.empty())))
                .isEmpty();
        assertThat(picture(lit(0), List.of(), new Background(OptionalInt.of(50), Optional.empty())))
                .singleElement()
                .satisfies(c -> assertThat(c.saw()).contains("about 50 of 100"));
    }

    @Test
    void aFieldUnlikeTheOneBeforeIsSaid() {
        List<Field.Part> large = List.of(new Field.Part(new Rectangle(0, 0, 400, 260), false));
        List<Field.Part> small = List.of(new Field.Part(new Rectangle(0, 0, 200, 130), false));
        Background.Neighbour before = new Background.Neighbour("tray 1", "other", 120_000, large);
        Background background = new Background(OptionalInt.empty(), Optional.of(before));
        assertThat(picture(lit(0), large, background)).isEmpty();
        assertThat(picture(lit(0), small, background)).singleElement().satisfies(c -> {
            assertThat(c.id()).isEqualTo("field-unlike");
            assertThat(c.saw()).contains("25.0 %").contains("tray 1");
        });
    }

    @Test
    void aRoundFieldLeftOverFromThePictureBeforeIsSaid() {
        byte[] values = new byte[400 * 300];
        for (int i = 0; i < values.length; i++) {
            double off = Math.hypot(i % 400 + 0.5 - 220, i / 400 + 0.5 - 150);
            values[i] = (byte) (off < 110 ? 200 : 90);
        }
        List<Field.Part> leftOver = List.of(new Field.Part(Ellipse.disc(180, 150, 110), false));
        Background.Neighbour before = new Background.Neighbour("tray 1", "other", 120_000, leftOver);
        List<Caution> found = picture(
                Plane8.of(400, 300, values), leftOver, new Background(OptionalInt.empty(), Optional.of(before)));
        assertThat(Cautions.ids(found)).isEqualTo("field-unlike");
        assertThat(found.getFirst().saw()).contains("40 px beside it");
    }
}
