package keentally.core.step;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import keentally.core.geometry.Point;
import keentally.core.hand.Dab;
import keentally.core.hand.HandWork;
import keentally.core.hand.Painting;
import keentally.core.hand.Seeds;
import keentally.core.picture.Field;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane8;
import keentally.core.quantity.Scale;
import keentally.core.setting.ListSetting;
import keentally.core.setting.Values;
import keentally.core.work.Work;
import org.junit.jupiter.api.Test;

/** Growing, merging and sorting of regions, and painting, on a strip of four patches. */
class RegionStepsTest {
    private static final int WIDTH = 24;
    private static final int HEIGHT = 8;

    /** Four patches of 6 by 8 pixels: 40, 44, 120 and 200, or brownish and bluish ones. */
    private static State strip(boolean colour) {
        int[][] rgb = {{90, 60, 30}, {94, 62, 30}, {30, 60, 120}, {220, 220, 220}};
        int[] grey = {40, 44, 120, 200};
        Plane8[] planes = new Plane8[3];
        for (int c = 0; c < 3; c++) {
            byte[] values = new byte[WIDTH * HEIGHT];
            for (int i = 0; i < values.length; i++) {
                int patch = i % WIDTH / 6;
                values[i] = (byte) (colour ? rgb[patch][c] : grey[patch]);
            }
            planes[c] = Plane8.of(WIDTH, HEIGHT, values);
        }
        Picture picture = colour ? Picture.colour(planes[0], planes[1], planes[2]) : Picture.grey(planes[0]);
        return State.of(picture, Field.whole(WIDTH, HEIGHT), Optional.of(Scale.of("2 um/px")));
    }

    private static Outcome apply(String id, State before, Optional<HandWork> hand, Object... settings)
            throws StepFault {
        StepDescription step = Steps.find(id).orElseThrow();
        Values values = Values.NONE;
        for (int i = 0; i < settings.length; i += 2) {
            values = values.withTree(step.setting((String) settings[i]).orElseThrow(), settings[i + 1]);
        }
        return step.make()
                .apply(values)
                .apply(before, new Site(id + "-1", "grey", hand, References.NONE, Work.alone()));
    }

    private static State apply(String id, State before, Object... settings) throws StepFault {
        return apply(id, before, Optional.empty(), settings).state();
    }

    private static State grown(State strip) throws StepFault {
        Seeds four = new Seeds(List.of(new Point(2, 4), new Point(9, 4), new Point(14, 4), new Point(21, 4)));
        return apply("grow-regions", strip, Optional.of(four), "markers", "placed")
                .state();
    }

    @Test
    void regionsGrowFromPlacesOverSteepness() throws StepFault {
        State regions = grown(strip(false));
        assertThat(regions.needObjects().count()).isEqualTo(4);
        assertThat(regions.needMask().count()).isEqualTo(WIDTH * HEIGHT);
        assertThat(regions.needObjects().regions().at(1, 1))
                .isNotEqualTo(regions.needObjects().regions().at(8, 1));
        assertThatThrownBy(() -> apply("grow-regions", strip(false), "markers", "placed"))
                .isInstanceOf(StepFault.class)
                .hasMessageContaining("none were placed on this sample");
        Optional<HandWork> outside = Optional.of(new Seeds(List.of(new Point(-4, 90))));
        assertThatThrownBy(() -> apply("grow-regions", strip(false), outside, "markers", "placed"))
                .hasMessageContaining("outside the field");
    }

    @Test
    void regionsGrowFromLowAndFromBrightPlaces() throws StepFault {
        State low = apply("grow-regions", strip(false), "over", "picture", "depth", 1);
        assertThat(low.needObjects().count()).isEqualTo(1);
        State steep = apply("grow-regions", strip(false), "depth", 30);
        assertThat(steep.needObjects().count()).isEqualTo(3);
        State bright = apply("grow-regions", strip(false), "markers", "peaks", "over", "picture");
        assertThat(bright.needObjects().count()).isEqualTo(1);
        State lines = apply("grow-regions", strip(false), "depth", 30, "lines", true);
        assertThat(lines.needMask().count()).isEqualTo((WIDTH - 2) * HEIGHT);
    }

    @Test
    void neighboursOfLikeColourBecomeOne() throws StepFault {
        for (boolean colour : new boolean[] {false, true}) {
            State regions = grown(strip(colour).give(strip(false).current()));
            assertThat(apply("merge-similar", regions, "difference", 0.5)
                            .needObjects()
                            .count())
                    .isEqualTo(4);
            State merged = apply("merge-similar", regions, "difference", 6);
            assertThat(merged.needObjects().count()).isEqualTo(3);
            assertThat(merged.needMask().count()).isEqualTo(WIDTH * HEIGHT);
            assertThat(apply("merge-similar", regions, "difference", 1000)
                            .needObjects()
                            .count())
                    .isEqualTo(1);
        }
    }

    @Test
    void regionsAreSortedByTheFirstRuleTheyFit() throws StepFault {
        State regions = grown(strip(true).give(strip(false).current()));
        Object brown = Map.of(
                "phase",
                "crust",
                "where",
                List.of(
                        Map.of("measure", "mean-hue", "atLeast", 350, "atMost", 60),
                        Map.of("measure", "mean-saturation", "atLeast", 0.2)));
        Object large = Map.of(
                "phase",
                "blue",
                "where",
                List.of(
                        Map.of("measure", "area", "atLeast", "100 um2"),
                        Map.of("measure", "mean-saturation", "atLeast", 0.2)));
        Outcome sorted = apply("sort-regions", regions, Optional.empty(), "rules", List.of(brown, large));
        assertThat(sorted.state().needPhases().names()).containsExactly("rest", "crust", "blue");
        byte[] map = sorted.state().needPhases().map().values();
        assertThat(map[2]).isEqualTo((byte) 1);
        assertThat(map[9]).isEqualTo((byte) 1);
        assertThat(map[14]).isEqualTo((byte) 2);
        assertThat(map[21]).isEqualTo((byte) 0);
        assertThat(sorted.findings().find("sorted")).hasValue(3);
        assertThat(sorted.state().objects()).isEmpty();
    }

    @Test
    void rulesAreReadWrittenAndTyped() {
        StepDescription sort = Steps.find("sort-regions").orElseThrow();
        ListSetting<?> rules = (ListSetting<?>) sort.setting("rules").orElseThrow();
        String typed = "crust: mean-hue from 350 to 60, area from 35 um2; speck: area to 3 px2";
        assertThat(textOfTyped(rules, typed)).isEqualTo(typed);
        assertThatThrownBy(() -> rules.read(rules.treeOf("crust: softness from 3")))
                .hasMessage("expected a measure's id but found \"softness\"");
        assertThatThrownBy(() -> rules.read(rules.treeOf("crust: area from 3")))
                .hasMessageContaining("is limited by an area such as");
        assertThatThrownBy(() -> rules.read(rules.treeOf("crust: area"))).hasMessageContaining("'atLeast' or 'atMost'");
        assertThatThrownBy(() -> rules.read(rules.treeOf("nothing at all"))).hasMessageContaining("expected a rule");
    }

    private static <E> String textOfTyped(ListSetting<E> rules, String typed) {
        List<E> read = rules.read(rules.treeOf(typed));
        assertThat(rules.read(rules.write(read))).isEqualTo(read);
        return rules.text(read);
    }

    @Test
    void aMaskIsPaintedWhereSomebodyLookedAtIt() throws StepFault {
        State mask = apply("threshold", strip(false), "rule", "manual", "cut", 100);
        assertThatThrownBy(() -> apply("paint", mask))
                .isInstanceOf(StepFault.class)
                .hasMessageContaining("nobody has looked at the mask of this sample yet");
        Painting painting = Painting.NONE
                .and(new Dab.Brush(List.of(new Point(18, -2), new Point(18, 10)), 2, false))
                .and(new Dab.Fill(new Point(1, 1), false));
        Outcome painted = apply("paint", mask, Optional.of(painting));
        assertThat(painted.findings().find("removed-px2")).hasValue(2 * HEIGHT);
        assertThat(painted.findings().find("added-px2")).hasValue(0);
        assertThat(painted.findings().find("corrections")).hasValue(1);
        assertThat(painted.findings().unfit()).containsExactly(1);
        assertThat(apply("label", painted.state()).needObjects().count()).isEqualTo(2);
        assertThat(painting.without(0).dabs()).containsExactly(painting.dabs().get(1));
    }

    @Test
    void whatIsLeftOfHolesIsSaid() throws StepFault {
        byte[] ring = new byte[9 * 9];
        for (int i = 0; i < ring.length; i++) {
            boolean wall = i % 9 == 4 || i / 9 == 2 || i / 9 == 6;
            ring[i] = (byte) (wall ? 200 : 0);
        }
        ring[9 * 4 + 4] = 0;
        State start = State.of(Picture.grey(Plane8.of(9, 9, ring)), Field.whole(9, 9), Optional.empty());
        State mask = apply("threshold", start, "rule", "manual", "cut", 100);
        Outcome filled = apply("fill-holes", mask, Optional.empty());
        assertThat(filled.findings().find("holes")).hasValue(0);
        assertThat(filled.findings().find("open")).hasValue(4);
    }
}
