package keentally.core.step;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import keentally.core.geometry.Point;
import keentally.core.hand.Correction;
import keentally.core.hand.Corrections;
import keentally.core.hand.HandWork;
import keentally.core.hand.Painting;
import keentally.core.measure.Measure;
import keentally.core.measure.ObjectTable;
import keentally.core.method.Method;
import keentally.core.method.MethodStep;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane8;
import keentally.core.quantity.Amounts;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.PixelSize;
import keentally.core.quantity.Scale;
import keentally.core.region.ObjectSet;
import keentally.core.setting.ChoiceSetting;
import keentally.core.setting.Setting;
import keentally.core.setting.Values;
import keentally.core.words.Headline;
import keentally.core.words.Words;
import keentally.core.work.Work;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class StepsTest {
    static Stream<StepDescription> steps() {
        return Steps.all().stream();
    }

    @ParameterizedTest
    @MethodSource("steps")
    void everyStepHasItsWords(StepDescription step) {
        assertThat(Words.title(step)).isNotBlank();
        assertThat(Words.question(step)).endsWith("?");
        assertThat(Words.help(step)).endsWith(".");
        for (Setting<?> setting : step.settings()) {
            assertThat(Words.label(step, setting)).isNotBlank();
            if (setting instanceof ChoiceSetting<?> choice) {
                choice.constants()
                        .forEach(c -> assertThat(Words.label(step, setting, c)).isNotBlank());
            }
        }
    }

    /** Else a mask would be taken from the cache after the field has changed. */
    @ParameterizedTest
    @MethodSource("steps")
    void whatPartsThePictureHangsOnTheField(StepDescription step) {
        if (step.needs() == Flow.PICTURE && step.gives() != Flow.PICTURE) {
            assertThat(step.uses()).contains(Use.FIELD);
        }
    }

    @ParameterizedTest
    @MethodSource("steps")
    void everyDefaultReadsBackFromItsTree(StepDescription step) {
        for (Setting<?> setting : step.settings()) {
            readsBack(setting);
        }
        assertThat(step.settings().stream().map(Setting::id)).doesNotHaveDuplicates();
    }

    private static <T> void readsBack(Setting<T> setting) {
        setting.fallback()
                .ifPresent(
                        value -> assertThat(setting.read(setting.write(value))).isEqualTo(value));
    }

    @Test
    void everyMeasureHasItsWords() {
        for (Measure measure : Measure.values()) {
            assertThat(Words.title(measure)).isNotBlank();
            assertThat(Words.definition(measure)).endsWith(".");
            assertThat(Words.source(measure)).isNotBlank();
        }
    }

    /** Only whoever adds a station for corrections has gone through the sample by that. */
    @ParameterizedTest
    @MethodSource("steps")
    void handWorkBeginsWhereAStationIsAddedForIt(StepDescription step) {
        MethodStep added = Method.empty("m", LengthUnit.PX).add(0, step).steps().getFirst();
        Optional<HandWork> begun = switch (step.id()) {
            case "edit-objects", "sort-objects" -> Optional.of(Corrections.NONE);
            case "paint", "scribble-cut" -> Optional.of(Painting.NONE);
            default -> Optional.empty();
        };
        assertThat(added.handToBegin()).isEqualTo(begun);
    }

    @Test
    void correctionsByHandNeedSomebodyWhoWentThroughTheSample() throws StepFault {
        State objects = apply(
                        "label", apply("threshold", start(Optional.empty())).state())
                .state();
        Step step = Steps.find("edit-objects").orElseThrow().make().apply(Values.NONE);
        assertThat(step.byHand()).isTrue();
        assertThatThrownBy(() -> step.apply(objects, Site.of("edit-objects-1", "grey", Work.alone())))
                .isInstanceOf(StepFault.class)
                .hasMessageContaining("nobody has gone through the objects of this sample yet");
        Outcome nothing = corrected(step, objects, Corrections.NONE);
        assertThat(nothing.state().objects()).isEqualTo(objects.objects());
        Outcome dropped = corrected(
                step,
                objects,
                Corrections.NONE
                        .and(new Correction.Drop(List.of(new Point(2.5, 2.5))))
                        .and(new Correction.Drop(List.of(new Point(19, 0)))));
        assertThat(dropped.findings().find("kept")).hasValue(1);
        assertThat(dropped.findings().find("corrections")).hasValue(1);
        assertThat(dropped.findings().find("taken-away")).hasValue(1);
        assertThat(dropped.findings().find("unfit")).hasValue(1);
        assertThat(dropped.findings().unfit()).containsExactly(1);
    }

    private static Outcome corrected(Step step, State objects, Corrections corrections) throws StepFault {
        Site site = new Site("edit-objects-1", "grey", Optional.of(corrections), References.NONE, Work.alone());
        return step.apply(objects, site);
    }

    /** The squares' nearest centres are 5 and 2 pixels apart, which is 2.15 µm at 0.4 µm a pixel. */
    @Test
    void piecesNearerThanALengthAreOneObject() throws StepFault {
        State mask = apply("threshold", start(Optional.of(new Scale(0.4, LengthUnit.UM))))
                .state();
        assertThat(apply("label", mask).findings().find("objects")).hasValue(2);
        assertThat(apply("label", mask).findings().find("pieces")).isEmpty();
        Outcome joined = apply("label", mask, "joinWithin", "2.3 um");
        assertThat(joined.findings().find("objects")).hasValue(1);
        assertThat(joined.findings().find("pieces")).hasValue(2);
        assertThat(joined.state().objects().orElseThrow().regions().pixels(0)).isEqualTo(35 + 9);
        assertThat(apply("label", mask, "joinWithin", "2 um").findings().find("objects"))
                .hasValue(2);
        State unscaled = apply("threshold", start(Optional.empty())).state();
        assertThatThrownBy(() -> apply("label", unscaled, "joinWithin", "2 um")).hasMessageContaining("scale");
    }

    /** Two bright squares of 6 and 3 pixels' side, one with a hole, on dark. */
    private static State start(Optional<Scale> scale) {
        byte[] values = new byte[20 * 12];
        for (int y = 2; y < 8; y++) {
            for (int x = 2; x < 8; x++) {
                values[y * 20 + x] = (byte) (x == 4 && y == 4 ? 10 : 200);
            }
        }
        for (int y = 9; y < 12; y++) {
            for (int x = 12; x < 15; x++) {
                values[y * 20 + x] = (byte) 200;
            }
        }
        return State.of(Picture.grey(Plane8.of(20, 12, values)), Field.whole(20, 12), scale);
    }

    private static Outcome apply(String id, State before, Object... settings) throws StepFault {
        StepDescription step = Steps.find(id).orElseThrow();
        return step.make().apply(values(step, settings)).apply(before, Site.of(id + "-1", "grey", Work.alone()));
    }

    private static Values values(StepDescription step, Object... settings) {
        Values values = Values.NONE;
        for (int i = 0; i < settings.length; i += 2) {
            values = values.withTree(step.setting((String) settings[i]).orElseThrow(), settings[i + 1]);
        }
        return values;
    }

    @Test
    void thresholdTellsItsCutAndShare() throws StepFault {
        Outcome outcome = apply("threshold", start(Optional.empty()));
        assertThat(outcome.findings().find("cut")).hasValue(10);
        assertThat(outcome.state().needMask().count()).isEqualTo(35 + 9);
        MethodStep step = new MethodStep("t", Steps.find("threshold").orElseThrow(), Values.NONE, false, false);
        assertThat(Headline.of(step, outcome.findings(), PixelSize.PIXELS)).isEqualTo("cut at 10 · 18.3 % bright");
    }

    @Test
    void thresholdByHandOnEitherSideAndBetween() throws StepFault {
        State start = start(Optional.empty());
        assertThat(apply("threshold", start, "rule", "manual", "cut", 10, "keep", "dark")
                        .state()
                        .needMask()
                        .count())
                .isEqualTo(240 - 44);
        assertThat(apply("threshold", start, "rule", "manual", "keep", "between", "low", 0, "high", 10)
                        .state()
                        .needMask()
                        .count())
                .isEqualTo(1);
        Outcome outside = apply("threshold", start, "rule", "manual", "keep", "outside", "low", 0, "high", 10);
        assertThat(outside.state().needMask().count()).isEqualTo(239);
        assertThat(outside.findings().cuts()).containsExactly(0.0, 10.0);
        assertThat(apply("threshold", start, "rule", "manual", "keep", "outside", "high", 10)
                        .state()
                        .needMask()
                        .count())
                .isEqualTo(44);
        assertThatThrownBy(() -> apply("threshold", start, "keep", "between"))
                .hasMessageContaining("needs the rule manual");
        assertThatThrownBy(() -> apply("threshold", start, "rule", "manual", "keep", "outside"))
                .hasMessage("keeping what lies outside needs 'low' or 'high', or both");
        assertThatThrownBy(() -> apply("threshold", start, "rule", "manual", "keep", "between", "low", 9, "high", 3))
                .hasMessage("'low' must not be above 'high'");
    }

    @Test
    void aPictureOfOneValueHasNoAutomaticCut() {
        State flat = State.of(Picture.grey(Plane8.of(2, 2, new byte[4])), Field.whole(2, 2), Optional.empty());
        assertThatThrownBy(() -> apply("threshold", flat))
                .isInstanceOf(StepFault.class)
                .hasMessageContaining("at least two different values");
    }

    @Test
    void holesSpecksEdgeAndGate() throws StepFault {
        State mask = apply("threshold", start(Optional.of(Scale.of("2 um/px")))).state();
        Outcome filled = apply("fill-holes", mask);
        assertThat(filled.findings().find("holes")).hasValue(1);
        assertThat(filled.findings().find("added-px2")).hasValue(1);
        assertThat(apply("fill-holes", mask, "upTo", "3 um2").findings().find("holes"))
                .hasValue(0);
        Outcome cleaned = apply("remove-specks", mask, "below", "37 um2");
        assertThat(cleaned.findings().find("specks")).hasValue(1);
        State objects = apply("label", mask).state();
        assertThat(objects.needObjects().count()).isEqualTo(2);
        Outcome edge = apply("edge-objects", objects);
        assertThat(edge.findings().find("kept")).hasValue(1);
        assertThat(apply("edge-objects", objects, "drop", "none").findings().find("dropped"))
                .hasValue(0);
        Outcome gate = apply("gate", objects, "measure", "area", "atMost", "36 um2");
        assertThat(gate.state().needObjects().count()).isEqualTo(1);
        assertThat(gate.state().needObjects().droppedBy(0)).isEqualTo("gate-1");
        assertThat(gate.state().needMask().count()).isEqualTo(9);
    }

    @Test
    void aGateOnAShapeDropsWhatHasNoShape() throws StepFault {
        State objects = apply(
                        "label", apply("threshold", start(Optional.empty())).state())
                .state();
        Outcome gate = apply("gate", objects, "measure", "circularity", "atLeast", 0);
        assertThat(gate.findings().find("kept")).hasValue(1);
    }

    @Test
    void aGateRefusesALimitOfAnotherDimension() {
        StepDescription gate = Steps.find("gate").orElseThrow();
        assertThatThrownBy(() -> gate.make().apply(values(gate, "measure", "area", "atLeast", "3 um")))
                .hasMessage("the measure area is limited by an area such as \"35 um2\", but found 3 um");
        assertThatThrownBy(() -> gate.make().apply(values(gate, "measure", "circularity", "atLeast", "3 um")))
                .hasMessageContaining("a number without a unit");
        assertThatThrownBy(() -> gate.make().apply(values(gate, "measure", "ecd", "atMost", 5)))
                .hasMessageContaining("a length such as");
    }

    @Test
    void channelTakesWhatThereIs() throws StepFault {
        State grey = start(Optional.empty());
        assertThat(apply("channel", grey, "of", "grey").state().plane()).isSameAs(grey.plane());
        assertThatThrownBy(() -> apply("channel", grey, "of", "red"))
                .hasMessage("finds no channel 'red': the picture has grey");
        Plane8 plane = (Plane8) grey.plane();
        State colour = State.of(Picture.colour(plane, plane, plane), Field.whole(20, 12), Optional.empty());
        State rounded = apply("channel", colour, "of", "grey", "weights", "equal", "round", true)
                .state();
        assertThat(((Plane8) rounded.plane()).values()).isEqualTo(plane.values());
        State back = apply("channel", rounded, "of", "blue", "from", "original").state();
        assertThat(back.plane()).isSameAs(plane);
    }

    @Test
    void smoothingWorksOnEveryChannel() throws StepFault {
        Plane8 plane = (Plane8) start(Optional.empty()).plane();
        State colour =
                State.of(Picture.colour(plane, plane, plane), Field.whole(20, 12), Optional.of(Scale.of("2 um/px")));
        Outcome outcome = apply("smooth", colour, "sigma", "3 um");
        assertThat(outcome.findings().find("sigma-px")).hasValue(1.5);
        assertThat(outcome.state().current().channelNames()).isEqualTo("red, green, blue");
        assertThat(List.of(outcome.state().original())).containsExactly(colour.original());
    }

    /** Objects of 1, 4 and 2 pixels: above, to the lower left and to the lower right. */
    @Test
    void objectsAreNumberedRowByRowByAngleAndBySize() throws StepFault {
        byte[] in = new byte[240];
        for (int at :
                new int[] {2 * 20 + 10, 9 * 20 + 2, 9 * 20 + 3, 10 * 20 + 2, 10 * 20 + 3, 9 * 20 + 17, 9 * 20 + 18}) {
            in[at] = 1;
        }
        State before = start(Optional.empty()).give(Mask.from(in, 20, 12));
        assertThat(sizes(apply("label", before).state())).containsExactly(1L, 4L, 2L);
        assertThat(sizes(apply("label", before, "number", "size").state())).containsExactly(4L, 2L, 1L);
        State byAngle = apply("label", before, "number", "angle").state();
        assertThat(sizes(byAngle)).containsExactly(1L, 4L, 2L);
        State gated =
                apply("gate", byAngle, "measure", "area", "atLeast", "2 px2").state();
        assertThat(sizes(gated)).containsExactly(4L, 2L);
        assertThat(gated.needObjects().number(gated.needObjects().region(1))).isEqualTo(2);
    }

    private static List<Long> sizes(State state) {
        ObjectSet objects = state.needObjects();
        return IntStream.range(0, objects.count())
                .mapToObj(i -> objects.regions().pixels(objects.region(i)))
                .toList();
    }

    @Test
    void twoSidesKeepWhatTouchesTheOtherTwo() throws StepFault {
        byte[] in = new byte[240];
        in[5] = 1;
        in[6 * 20] = 1;
        in[6 * 20 + 19] = 1;
        in[11 * 20 + 8] = 1;
        in[4 * 20 + 10] = 1;
        State mask = start(Optional.empty()).give(Mask.from(in, 20, 12));
        State before = apply("label", mask).state();
        assertThat(apply("edge-objects", before, "drop", "all").findings().find("kept"))
                .hasValue(1);
        State two = apply("edge-objects", before, "drop", "two-sides").state();
        assertThat(two.needObjects().count()).isEqualTo(3);
        assertThat(two.needMask().at(5, 0)
                        && two.needMask().at(0, 6)
                        && two.needMask().at(10, 4))
                .isTrue();
    }

    @Test
    void masksAreSetAsideAndCombined() throws StepFault {
        byte[] one = new byte[240];
        byte[] other = new byte[240];
        for (int i = 0; i < 240; i++) {
            one[i] = (byte) (i < 100 ? 1 : 0);
            other[i] = (byte) (i >= 40 && i < 160 ? 1 : 0);
        }
        State before = start(Optional.empty()).give(Mask.from(one, 20, 12));
        State kept = apply("set-aside", before, "name", "a").state().give(Mask.from(other, 20, 12));
        for (var expected :
                Map.of("and", 60L, "or", 160L, "minus", 60L, "xor", 100L).entrySet()) {
            State combined = apply("combine", kept, "with", "a", "how", expected.getKey())
                    .state();
            assertThat(combined.needMask().count()).as(expected.getKey()).isEqualTo(expected.getValue());
        }
        assertThatThrownBy(() -> apply("combine", kept, "with", "b")).hasMessageContaining("there is a");
        assertThatThrownBy(() -> apply("combine", before, "with", "b")).hasMessageContaining("add a 'set-aside' step");
        State inverted = apply("invert-mask", before).state();
        assertThat(inverted.needMask().count()).isEqualTo(140);
        assertThat(apply("rim", before, "depth", "1 px")
                        .findings()
                        .find("removed-px2")
                        .getAsDouble())
                .isEqualTo(80);
    }

    @Test
    void dividingLinesComeBackAsAMask() throws StepFault {
        State before = start(Optional.empty()).give(Mask.full(20, 12));
        State split = apply("split-touching", before, "by", "light", "things", "bright", "depth", 0)
                .state();
        assertThat(split.needObjects().count()).isGreaterThan(1);
        State lines = apply("objects-to-mask", split, "give", "lines").state();
        State parted = apply("split-touching", before, "by", "light", "things", "bright", "depth", 0, "lines", true)
                .state();
        assertThat(parted.needMask()).isEqualTo(before.needMask().minus(lines.needMask()));
        assertThat(apply("objects-to-mask", split).state().needMask().count()).isEqualTo(240);
        assertThatThrownBy(() -> apply("split-touching", before, "by", "light", "depth", "1 px"))
                .hasMessageContaining("a number in the picture's values");
        assertThatThrownBy(() -> apply("split-touching", before, "depth", 3)).hasMessageContaining("a length such as");
    }

    /** A limit that is copied from a table keeps the object that it was copied from, at any scale and in any unit. */
    @Test
    void aGateHoldsWhatItsLimitWasCopiedFrom() throws StepFault {
        java.util.Random random = new java.util.Random(31);
        for (int i = 0; i < 60; i++) {
            Optional<Scale> scale = Optional.of(new Scale(random.nextDouble(0.01, 3), LengthUnit.UM));
            LengthUnit unit = new LengthUnit[] {LengthUnit.NM, LengthUnit.UM, LengthUnit.MM}[i % 3];
            State objects =
                    apply("label", apply("threshold", start(scale)).state()).state();
            for (Measure measure :
                    List.of(Measure.AREA, Measure.ECD, Measure.PERIMETER, Measure.FERET_MAX, Measure.X, Measure.MEAN)) {
                ObjectTable table = ObjectTable.of(
                        objects.needObjects(), List.of(measure), objects.ground("grey", Work.alone()), Work.alone());
                double told = table.column(0, PixelSize.of(unit, scale))[0];
                Object limit = measure.lengths() == 0 ? told : Amounts.text(told) + " " + measure.unitId(unit);
                Outcome gate = apply("gate", objects, "measure", measure.id(), "atLeast", limit, "atMost", limit);
                assertThat(gate.state().needObjects().isKept(0))
                        .as("%s of %s at %s", measure.id(), limit, scale.get())
                        .isTrue();
            }
        }
    }
}
