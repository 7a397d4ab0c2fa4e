package keentally.core.step;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import keentally.core.geometry.Point;
import keentally.core.hand.Seeds;
import keentally.core.picture.Channel;
import keentally.core.picture.Field;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane8;
import keentally.core.picture.PlaneF;
import keentally.core.setting.Values;
import keentally.core.work.Work;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What the steps that prepare and part a picture give, and what they say where they cannot. */
class PhaseStepsTest {
    private static Outcome apply(String id, State before, Object... settings) throws StepFault {
        StepDescription step = Steps.find(id).orElseThrow();
        Values values = Values.NONE;
        for (int i = 0; i < settings.length; i += 2) {
            values = values.withTree(step.setting((String) settings[i]).orElseThrow(), settings[i + 1]);
        }
        return step.make().apply(values).apply(before, Site.of(id + "-1", "grey", Work.alone()));
    }

    private static State start(Picture picture) {
        return State.of(picture, Field.whole(picture.width(), picture.height()), Optional.empty());
    }

    /** Ten by ten pixels: 50 of 20, 30 of 120, 20 of 220. */
    private static State three() {
        byte[] values = new byte[100];
        for (int i = 0; i < 100; i++) {
            values[i] = (byte) (i < 50 ? 20 : i < 80 ? 120 : 220);
        }
        return start(Picture.grey(Plane8.of(10, 10, values)));
    }

    /** Left half red, right half green, a blue pixel. */
    private static State colours() {
        byte[][] rgb = new byte[3][100];
        for (int i = 0; i < 100; i++) {
            rgb[i == 99 ? 2 : i % 10 < 5 ? 0 : 1][i] = (byte) 200;
        }
        return start(Picture.colour(Plane8.of(10, 10, rgb[0]), Plane8.of(10, 10, rgb[1]), Plane8.of(10, 10, rgb[2])));
    }

    @Test
    void levelsPartDarkToLightAndSayWhatTheyExplain() throws StepFault {
        Outcome out = apply("levels", three(), "count", 2, "names", List.of("dark", "mid"));
        assertThat(out.state().needPhases().names()).containsExactly("dark", "mid", "phase 2");
        assertThat(out.state().needPhases().counts(Work.alone())).containsExactly(50, 30, 20);
        assertThat(out.findings().find("explained-percent").getAsDouble()).isCloseTo(100, within(1e-9));
        assertThat(out.findings().cuts()).first().isEqualTo(20.0);
        assertThat(apply("levels", three(), "by", "manual", "cuts", List.of(100, 200))
                        .state()
                        .needPhases()
                        .counts(Work.alone()))
                .containsExactly(50, 30, 20);
        assertThat(apply("levels", three(), "by", "quantiles", "count", 1)
                        .findings()
                        .cuts())
                .hasSize(1);
        assertThat(apply("levels", three(), "by", "steps", "count", 1)
                        .findings()
                        .cuts()
                        .get(0))
                .isEqualTo(120.0);
        assertThatThrownBy(() -> apply("levels", three(), "count", 3))
                .hasMessageContaining("at least 4 different values");
        assertThatThrownBy(() -> apply("levels", three(), "by", "manual", "cuts", List.of(5, 5)))
                .hasMessage("the cuts must go upwards");
    }

    @Test
    void phasesAreGroupedPickedAndGoneOnWithin() throws StepFault {
        State phases = apply("levels", three(), "count", 2).state();
        State grouped = apply(
                        "group-phases",
                        phases,
                        "groups",
                        List.of(Map.of("name", "crust", "phases", List.of(0, "phase 2"))))
                .state();
        assertThat(grouped.needPhases().names()).containsExactly("crust", "phase 1");
        assertThat(grouped.needPhases().counts(Work.alone())).containsExactly(70, 30);
        State picked = apply("pick-phase", grouped, "phases", List.of("crust")).state();
        assertThat(picked.needMask().count()).isEqualTo(70);
        State inside = apply("within", picked).state();
        assertThat(inside.field().pixels()).isEqualTo(70);
        assertThat(inside.seen()).isEqualTo(Flow.PICTURE);
        assertThat(apply("invert", inside).state().seen()).isEqualTo(Flow.PICTURE);
        assertThat(apply("threshold", inside, "rule", "manual", "cut", 0)
                        .state()
                        .seen())
                .isEqualTo(Flow.MASK);
        Outcome bright = apply("threshold", inside);
        assertThat(bright.findings().find("chosen-percent").getAsDouble()).isCloseTo(100 * 20 / 70.0, within(1e-9));
        assertThatThrownBy(() -> apply("pick-phase", grouped, "phases", List.of("crumb")))
                .hasMessageContaining("finds no phase 'crumb'; there are 0 crust, 1 phase 1");
        assertThatThrownBy(() -> apply(
                        "group-phases",
                        phases,
                        "groups",
                        List.of(Map.of("name", "a", "phases", List.of(0)), Map.of("name", "b", "phases", List.of(0)))))
                .hasMessageContaining("into two groups");
    }

    @Test
    void withinAnEmptyMaskThereIsNothing() throws StepFault {
        State none = apply("threshold", three(), "rule", "manual", "cut", 250).state();
        assertThatThrownBy(() -> apply("within", none)).hasMessageContaining("the mask is empty");
    }

    @Test
    void clustersFindTheColoursAndOrderThemByTheirLight() throws StepFault {
        Outcome out = apply("cluster", colours(), "k", 3);
        // blue is darkest, then red, then green
        assertThat(out.state().needPhases().counts(Work.alone())).containsExactly(1, 50, 49);
        assertThat(out.findings().find("explained-percent").getAsDouble()).isCloseTo(100, within(1e-6));
        assertThat(apply("cluster", three(), "k", 3).state().needPhases().counts(Work.alone()))
                .containsExactly(50, 30, 20);
        assertThat(apply("cluster", colours(), "k", 2, "positionWeight", 50, "space", "rgb")
                        .state()
                        .needPhases()
                        .counts(Work.alone()))
                .satisfies(c -> assertThat(c[0] + c[1]).isEqualTo(100));
        assertThatThrownBy(() -> apply("cluster", colours(), "k", 4))
                .hasMessageContaining("cannot make 4 phases of 3 different values");
    }

    @ParameterizedTest
    @ValueSource(strings = {"rgb", "hsv", "lab"})
    void clustersInEverySpace(String space) throws StepFault {
        assertThat(apply("cluster", colours(), "k", 3, "space", space)
                        .state()
                        .needPhases()
                        .counts(Work.alone()))
                .containsExactly(1, 50, 49);
    }

    @Test
    void coloursAreChosenByRangeAndByLikeness() throws StepFault {
        assertThat(apply("colour-range", colours(), "hue", List.of(350, 10))
                        .findings()
                        .find("chosen-percent"))
                .hasValue(50);
        assertThat(apply("colour-range", colours(), "space", "rgb", "green", List.of(100, 255))
                        .findings()
                        .find("chosen-percent"))
                .hasValue(49);
        assertThat(apply("similar-colour", colours(), "colours", List.of("#c80000", "#0000c8"))
                        .findings()
                        .find("chosen-percent"))
                .hasValue(51);
        assertThat(apply(
                                "similar-colour",
                                colours(),
                                "distance",
                                400,
                                "colours",
                                List.of("#c80000", Map.of("colour", "#00c800", "distance", 1, "not", true)))
                        .findings()
                        .find("chosen-percent"))
                .hasValue(51);
        assertThatThrownBy(() -> apply("similar-colour", colours())).hasMessageContaining("has no colour yet");
        assertThatThrownBy(() -> apply("colour-range", three())).hasMessageContaining("needs a colour picture");
        assertThatThrownBy(() -> apply("similar-colour", three(), "colours", List.of("#c80000")))
                .hasMessageContaining("needs a colour picture");
    }

    /** The colours' red half with a green stripe through it, and a place clicked above the stripe. */
    @Test
    void likenessConnectedToClicksKeepsWhatHangsTogetherWithThem() throws StepFault {
        byte[][] rgb = new byte[3][100];
        for (int i = 0; i < 100; i++) {
            rgb[i % 10 < 5 && i / 10 != 3 ? 0 : 1][i] = (byte) 200;
        }
        State before =
                start(Picture.colour(Plane8.of(10, 10, rgb[0]), Plane8.of(10, 10, rgb[1]), Plane8.of(10, 10, rgb[2])));
        StepDescription description = Steps.find("similar-colour").orElseThrow();
        Values values = Values.NONE
                .withTree(description.setting("colours").orElseThrow(), List.of("#c80000"))
                .withTree(description.setting("connected").orElseThrow(), true);
        Step step = description.make().apply(values);
        assertThat(step.byHand()).isTrue();
        assertThat(pixels(step, before, new Seeds(List.of(new Point(2.5, 1.5)))))
                .isEqualTo(15);
        assertThat(pixels(step, before, new Seeds(List.of(new Point(2.5, 9.5)))))
                .isEqualTo(30);
        assertThat(pixels(step, before, new Seeds(List.of(new Point(2.5, 1.5), new Point(4, 4)))))
                .isEqualTo(45);
        assertThat(pixels(step, before, new Seeds(List.of(new Point(9.5, 9.5), new Point(-3, 200)))))
                .isZero();
        assertThatThrownBy(() -> step.apply(before, Site.of("s", "grey", Work.alone())))
                .hasMessageContaining("none were clicked on this sample");
        assertThat(description
                        .make()
                        .apply(values.without(description.setting("connected").orElseThrow()))
                        .byHand())
                .isFalse();
    }

    @Test
    void aReferencePictureTakesItsLightOut() throws StepFault {
        byte[] lit = new byte[100];
        byte[] blank = new byte[100];
        for (int i = 0; i < 100; i++) {
            blank[i] = (byte) (100 + i);
            lit[i] = (byte) (i == 55 ? (100 + i) / 5 : 100 + i);
        }
        State before = start(Picture.grey(Plane8.of(10, 10, lit)));
        Picture ground = Picture.grey(Plane8.of(10, 10, blank));
        StepDescription flatten = Steps.find("flatten").orElseThrow();
        Values values = Values.NONE.withTree(flatten.setting("by").orElseThrow(), "reference");
        assertThatThrownBy(() -> flatten.make().apply(values).apply(before, Site.of("f", "grey", Work.alone())))
                .hasMessageContaining("needs a reference picture");
        Step step = flatten.make()
                .apply(values.withTree(flatten.setting("reference").orElseThrow(), "blank.tif"));
        State flat = step.apply(before, referring(r -> r.file().equals("blank.tif") ? ground : null))
                .state();
        assertThat(flat.plane().at(3, 3)).isCloseTo(flat.plane().at(8, 9), within(0.001f));
        assertThat(flat.plane().at(5, 5)).isCloseTo(flat.plane().at(3, 3) / 5, within(0.01f));
        assertThatThrownBy(() -> step.apply(before, referring(r -> Picture.grey(Plane8.of(5, 20, blank)))))
                .hasMessageContaining("of the sample's size, 10 × 10 px, but blank.tif is 5 × 20 px");
        Plane8 plane = Plane8.of(10, 10, blank);
        State channel = apply("channel", start(Picture.colour(plane, plane, plane)), "of", "a")
                .state();
        assertThat(step.apply(channel, referring(r -> ground)).state().plane().width())
                .isEqualTo(10);
        assertThatThrownBy(() -> step.apply(
                        start(new Picture(List.of(new Channel("x", plane), new Channel("y", plane)))),
                        referring(r -> Picture.colour(plane, plane, plane))))
                .hasMessageContaining("the channel 'x', but it has red, green, blue");
    }

    private static Site referring(References references) {
        return new Site("flatten-1", "grey", Optional.empty(), references, Work.alone());
    }

    private static int pixels(Step step, State before, Seeds seeds) throws StepFault {
        Site site = new Site("similar-colour-1", "grey", Optional.of(seeds), References.NONE, Work.alone());
        return (int) step.apply(before, site).state().needMask().count();
    }

    @Test
    void dyesBecomeChannelsOfTheirOwn() throws StepFault {
        State out = apply(
                        "unmix-dyes",
                        colours(),
                        "dyes",
                        "own",
                        "vectors",
                        List.of(List.of(0, 1, 1), List.of(1, 0, 1)),
                        "white",
                        200)
                .state();
        assertThat(out.current().channelNames()).isEqualTo("dye1, dye2, residual");
        assertThat(apply("unmix-dyes", colours(), "white", 200)
                        .state()
                        .current()
                        .channelNames())
                .isEqualTo("haematoxylin, eosin, residual");
        State named = apply("unmix-dyes", colours(), "names", List.of("starch"), "white", 200)
                .state();
        assertThat(named.current().channelNames()).isEqualTo("starch, dye2, residual");
        assertThatThrownBy(() -> apply("unmix-dyes", colours(), "names", List.of("a", "a")))
                .hasMessageContaining("two dyes cannot have one name");
        assertThat(out.current().channels().getFirst().ink()).isPresent();
        assertThat(out.current().channels().getLast().ink()).isEmpty();
        assertThat(apply("channel", out, "of", "dye2").state().plane().at(0, 0)).isLessThan(0.5f);
        assertThatThrownBy(() -> apply(
                        "unmix-dyes", colours(), "dyes", "own", "vectors", List.of(List.of(0, 1, 1), List.of(0, 2, 2))))
                .hasMessageContaining("lie in one line");
        assertThatThrownBy(() -> apply("unmix-dyes", colours(), "white", List.of(200, 210)))
                .hasMessageContaining("one number or three");
        assertThatThrownBy(() -> apply("unmix-dyes", three())).hasMessageContaining("needs a colour picture");
    }

    @Test
    void preparingKeepsFractionsAndTurnsAbout() throws StepFault {
        State inverted = apply("invert", three()).state();
        assertThat(inverted.plane().at(0, 0)).isEqualTo(235);
        assertThat(apply("stretch", three(), "low", 0, "high", 100)
                        .state()
                        .plane()
                        .at(0, 9))
                .isEqualTo(255);
        assertThat(apply("equalise", three()).state().plane().at(0, 0)).isEqualTo(255 * 0.25f);
        assertThat(apply("sharpen", three(), "sigma", "1 px", "amount", 0)
                        .state()
                        .plane()
                        .at(4, 4))
                .isEqualTo(20f);
        assertThat(apply("gradient", three()).state().plane().at(5, 5)).isGreaterThan(0);
        assertThat(apply("gradient", three(), "by", "range", "radius", "2 px")
                        .state()
                        .plane()
                        .at(5, 5))
                .isEqualTo(100);
        assertThat(apply("top-hat", three(), "side", "dark", "radius", "20 px")
                        .state()
                        .plane()
                        .at(5, 9))
                .isEqualTo(0);
        assertThat(apply("local-contrast", three(), "tile", "8 px")
                        .state()
                        .plane()
                        .at(0, 0))
                .isBetween(20f, 220f);
        assertThat(apply("smooth", colours(), "by", "median", "radius", "1 px")
                        .state()
                        .current()
                        .channelNames())
                .isEqualTo("red, green, blue");
        assertThatThrownBy(() -> apply("stretch", three(), "low", 0, "high", 10))
                .hasMessageContaining("same value");
        assertThatThrownBy(() -> apply("smooth", three(), "by", "median", "radius", "300 px"))
                .hasMessageContaining("at most 127 px");
        assertThatThrownBy(() -> apply("flatten", three(), "by", "opening", "radius", "0 px"))
                .hasMessageContaining("above 0");
    }

    @Test
    void aFlatPictureAndNotANumberGetASentence() throws StepFault {
        State flat = start(Picture.grey(Plane8.of(9, 9, new byte[81])));
        assertThatThrownBy(() -> apply("levels", flat)).hasMessageContaining("different values");
        assertThatThrownBy(() -> apply("cluster", flat)).hasMessageContaining("of 1 value in the field");
        assertThat(apply("local-threshold", flat).findings().find("chosen-percent"))
                .isPresent();
        assertThat(apply("equalise", flat).state().plane().at(0, 0)).isEqualTo(127.5f);
        assertThatThrownBy(() -> apply("flatten", flat)).hasMessageContaining("falls to 0");
        float[] none = new float[81];
        java.util.Arrays.fill(none, Float.NaN);
        State empty = start(new Picture(List.of(new Channel("grey", PlaneF.of(9, 9, none)))));
        assertThatThrownBy(() -> apply("threshold", empty))
                .hasMessageContaining("no pixel of the field holds a number");
        assertThatThrownBy(() -> apply("levels", empty)).hasMessageContaining("no pixel of the field holds a number");
        float[] some = new float[81];
        some[40] = Float.NaN;
        some[41] = 5;
        State holed = start(new Picture(List.of(new Channel("grey", PlaneF.of(9, 9, some)))));
        long[] counts = apply("levels", holed, "count", 1).state().needPhases().counts(Work.alone());
        assertThat(counts).containsExactly(79, 1);
    }
}
