package keentally.core.words;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import keentally.core.method.Held;
import keentally.core.method.MethodStep;
import keentally.core.setting.ChoiceSetting;
import keentally.core.setting.Setting;
import keentally.core.setting.Values;
import keentally.core.step.StepDescription;
import keentally.core.step.Steps;
import keentally.core.step.ThresholdStep;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class StepSentenceTest {
    /** A step with every choice of its own, one after the other. */
    static Stream<MethodStep> everyChoice() {
        List<MethodStep> steps = new ArrayList<>();
        for (StepDescription step : Steps.all()) {
            steps.add(step(step, Values.NONE));
            for (Setting<?> setting : step.settings()) {
                if (setting instanceof ChoiceSetting<?> choice) {
                    choice.constants().forEach(c -> steps.add(step(step, with(choice, c))));
                }
            }
        }
        return steps.stream();
    }

    private static <E extends Enum<E>> Values with(ChoiceSetting<E> setting, Enum<?> constant) {
        return Values.NONE.withTree(setting, ChoiceSetting.word(constant));
    }

    private static MethodStep step(StepDescription step, Values values) {
        return new MethodStep(step.id() + "-1", step, values, false, false);
    }

    @ParameterizedTest
    @MethodSource("everyChoice")
    void everyStepHasASentenceForEveryChoice(MethodStep step) {
        String sentence = StepSentence.of(step);
        assertThat(sentence).endsWith(".").doesNotContain("{", "|", "[s]", "  ");
        if (step.description().isComplete(step.values())) {
            assertThat(sentence).as("not its title alone").isNotEqualTo(Words.title(step.description()) + ".");
        }
    }

    @Test
    void aSentenceIsChosenByWhatIsSet() {
        StepDescription threshold = Steps.find(ThresholdStep.ID).orElseThrow();
        Values dark = Values.NONE.withTree(ThresholdStep.KEEP, "dark");
        assertThat(StepSentence.of(step(threshold, dark)))
                .isEqualTo("Values at or below the cut were taken as dark; the cut was set on each field by the rule:"
                        + " Otsu.");
        Values byHand = dark.withTree(ThresholdStep.RULE, "manual").withTree(ThresholdStep.CUT, 2310);
        assertThat(StepSentence.of(step(threshold, byHand))).isEqualTo("Values at or below 2310 were taken.");
    }

    @Test
    void whatIsHeldSaysWhereItWasFound() {
        StepDescription threshold = Steps.find(ThresholdStep.ID).orElseThrow();
        Values found =
                Values.NONE.withTree(ThresholdStep.RULE, "manual").withTree(ThresholdStep.CUT, 105.755_106_443_5);
        Held held = new Held(Values.NONE, List.of("a", "b", "c"), LocalDate.of(2026, 11, 28));
        MethodStep step = new MethodStep("threshold-1", threshold, found, false, false, Optional.of(held));
        assertThat(StepSentence.of(step))
                .isEqualTo(
                        "Values above 105.755 were taken. What was found on 3 samples taken together was held for all:"
                                + " Otsu, 2026-11-28.");
    }
}
