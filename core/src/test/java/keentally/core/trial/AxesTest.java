package keentally.core.trial;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Optional;
import keentally.core.method.MethodStep;
import keentally.core.setting.Values;
import keentally.core.stats.Histogram;
import keentally.core.step.StepDescription;
import keentally.core.step.Steps;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class AxesTest {
    private static MethodStep step(String id, Object... settings) {
        StepDescription step = Steps.find(id).orElseThrow();
        Values values = Values.NONE;
        for (int i = 0; i < settings.length; i += 2) {
            values = values.withTree(step.setting((String) settings[i]).orElseThrow(), settings[i + 1]);
        }
        return new MethodStep(id + "-1", step, values, false, false);
    }

    private static Axis axis(MethodStep step, String id) {
        return Axes.of(step, Optional.of(Histogram.ofLevels(1, 5, 9, 5, 1, 0, 0, 3, 8, 2))).stream()
                .filter(a -> a.id().equals(id))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void everyAutomaticRuleAndNoOther() {
        MethodStep step = step("threshold");
        Axis rules = axis(step, "rule");
        List<Variant> all = rules.variants(rules.usual(), step.values());
        assertThat(all).hasSize(12);
        assertThat(all.stream().map(Variant::label))
                .contains("Otsu", "Triangle (Zack)")
                .doesNotContain("hand");
        assertThat(rules.variants("otsu; valley", step.values())).hasSize(2);
        assertThatThrownBy(() -> rules.variants("otto", step.values())).hasMessageContaining("expected one of otsu");
    }

    @Test
    void numbersAsListsAndSpans() {
        MethodStep step = step("cluster");
        Axis k = axis(step, "k");
        assertThat(k.usual()).isEqualTo("2 to 10");
        assertThat(k.variants("2; 3; 5", step.values()).stream().map(Variant::label))
                .containsExactly("2", "3", "5");
        assertThat(k.variants("2 to 12", step.values())).hasSize(11);
        Axis weight = axis(step, "positionWeight");
        assertThat(weight.variants("0,5 bis 1,5 in 3", step.values()))
                .as("decimals may have commas")
                .isEqualTo(weight.variants("0.5 to 1.5 in 3", step.values()));
        assertThat(weight.variants("0 to 1 in 5", step.values()).stream().map(v -> v.at().getAsDouble()))
                .containsExactly(0.0, 0.25, 0.5, 0.75, 1.0);
        assertThatThrownBy(() -> k.variants("2 to 99", step.values())).hasMessageContaining("at most 64");
        assertThatThrownBy(() -> k.variants("two", step.values())).hasMessageContaining("but found \"two\"");
        assertThatThrownBy(() -> k.variants("1", step.values())).hasMessageContaining("from 2 to 32");
    }

    @Test
    void lengthsKeepTheirUnitAndCutsGoRoundTheCurrentOne() {
        MethodStep smooth = step("smooth", "sigma", "2 um");
        List<Variant> sigmas = axis(smooth, "sigma").variants("1; 3", smooth.values());
        assertThat(sigmas.get(1).values().tree(smooth.description().settings())).containsEntry("sigma", "3 um");
        MethodStep cut = step("threshold", "rule", "manual", "cut", 5);
        assertThat(axis(cut, "cut").usual()).contains("5").contains(";");
    }

    @Test
    void rangesGrowAboutTheirMiddleAndHueGoesRound() {
        MethodStep step = step("colour-range", "hue", List.of(350, 10), "value", List.of(0.4, 0.6));
        Axis width = axis(step, Axes.WIDTH);
        List<Variant> twice = width.variants("2", step.values());
        var tree = twice.getFirst().values().tree(step.description().settings());
        assertThat(tree.get("hue")).isEqualTo(List.of(340L, 20L));
        assertThat(tree.get("value").toString()).isEqualTo("[0.3, 0.7]");
        assertThat(tree.get("saturation")).isEqualTo(List.of(0L, 1L));
    }

    static List<StepDescription> steps() {
        return Steps.all();
    }

    @ParameterizedTest
    @MethodSource("steps")
    void whatEveryAxisOffersCanBeTried(StepDescription description) {
        MethodStep step = new MethodStep("s", description, Values.NONE, false, false);
        for (Axis axis : Axes.of(step, Optional.of(Histogram.ofLevels(1, 5, 9, 5, 1, 0, 0, 3, 8, 2)))) {
            assertThat(axis.variants(axis.usual(), step.values())).as(axis.id()).isNotEmpty();
        }
    }
}
