package keentally.core.words;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import keentally.core.measure.Measure;
import keentally.core.setting.Setting;
import keentally.core.step.StepDescription;
import keentally.core.step.Steps;
import org.junit.jupiter.api.Test;

class AboutTest {
    private static final int SHORTEST = 25;

    @Test
    void everySettingIsToldOfAndEveryStepHasASource() {
        for (StepDescription step : Steps.all()) {
            assertThat(About.source(step)).as(step.id()).isNotBlank();
            for (Setting<?> setting : step.settings()) {
                assertThat(About.of(step, setting))
                        .as("%s %s", step.id(), setting.id())
                        .hasSizeGreaterThan(SHORTEST)
                        .endsWith(".");
            }
        }
        for (Measure measure : Measure.values()) {
            assertThat(Words.definition(measure)).as(measure.id()).hasSizeGreaterThan(SHORTEST);
            assertThat(Words.source(measure)).as(measure.id()).isNotBlank();
        }
    }

    /** A text of a setting that was renamed would never be seen. */
    @Test
    void everyTextIsOfSomething() {
        Set<String> steps = Steps.all().stream().map(StepDescription::id).collect(Collectors.toSet());
        Set<String> settings = Steps.all().stream()
                .flatMap(s -> s.settings().stream().map(Setting::id))
                .collect(Collectors.toSet());
        List<String> stray = new ArrayList<>();
        for (String key : About.keys()) {
            String step = key.substring(0, key.indexOf('.'));
            String rest = key.substring(key.indexOf('.') + 1);
            boolean known = step.equals("any")
                    ? settings.contains(rest)
                    : steps.contains(step)
                            && (rest.equals("source")
                                    || rest.equals("formula")
                                    || Steps.find(step)
                                            .orElseThrow()
                                            .setting(rest)
                                            .isPresent());
            if (!known) {
                stray.add(key);
            }
        }
        assertThat(stray).isEmpty();
    }

    @Test
    void limitsComeFromTheProgramItself() {
        StepDescription smooth = Steps.find("smooth").orElseThrow();
        assertThat(About.limits(smooth, smooth.setting("sigma").orElseThrow()))
                .startsWith("Usually: ")
                .contains("px")
                .contains("Only where “How” is Gaussian");
        StepDescription cluster = Steps.find("cluster").orElseThrow();
        assertThat(About.limits(cluster, cluster.setting("k").orElseThrow())).containsPattern("From \\d+ to \\d+\\.");
        assertThat(About.formula(smooth)).isPresent();
    }
}
