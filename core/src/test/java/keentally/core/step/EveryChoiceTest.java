package keentally.core.step;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import keentally.core.Chance;
import keentally.core.label.Labeller;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.Neighbours;
import keentally.core.picture.PhaseMap;
import keentally.core.picture.Picture;
import keentally.core.region.ObjectSet;
import keentally.core.setting.ChoiceSetting;
import keentally.core.setting.FlagSetting;
import keentally.core.setting.LengthSetting;
import keentally.core.setting.Setting;
import keentally.core.setting.Values;
import keentally.core.work.Work;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** Every word of every choice of every step, alone and two together: taken, begun with something, or refused in a sentence. */
class EveryChoiceTest {
    private static final int WIDTH = 40;
    private static final int HEIGHT = 30;

    static Stream<Arguments> steps() {
        return Steps.all().stream().map(s -> Arguments.of(s, s.id()));
    }

    private static List<State> states(Flow needs) {
        return states(needs, WIDTH, HEIGHT);
    }

    private static List<State> states(Flow needs, int width, int height) {
        Chance chance = new Chance(3);
        Field field = Field.whole(width, height);
        Picture grey = Picture.grey(chance.plane8(width, height));
        Picture colour = Picture.colour(
                chance.plane8(width, height), chance.plane8(width, height), chance.plane8(width, height));
        Mask mask = chance.mask(width, height);
        List<State> states = new ArrayList<>();
        for (Picture picture : List.of(grey, colour)) {
            State start = State.of(picture, field, Optional.empty());
            states.add(
                    switch (needs) {
                        case PICTURE -> start;
                        case PHASES -> start.give(PhaseMap.of(mask, field));
                        case MASK -> start.give(mask);
                        case OBJECTS ->
                            start.give(mask).give(ObjectSet.of(Labeller.regions(mask, Neighbours.EIGHT, Work.alone())));
                    });
        }
        return states;
    }

    /** One setting at each of its words, and one more beside it at each of its own. */
    private static List<Values> chosen(StepDescription step, Values from) {
        List<Values> all = new ArrayList<>(List.of(from));
        for (Setting<?> setting : step.settings()) {
            switch (setting) {
                case ChoiceSetting<?> choice -> words(choice, from, all);
                case FlagSetting flag -> all.add(from.with(flag, true));
                default -> {}
            }
        }
        return all;
    }

    private static <E extends Enum<E>> void words(ChoiceSetting<E> choice, Values from, List<Values> into) {
        for (E word : choice.constants()) {
            into.add(from.with(choice, word));
        }
    }

    @ParameterizedTest(name = "{1}")
    @MethodSource("steps")
    void everyChoiceIsTakenBegunOrRefused(StepDescription step, String id) {
        for (Values one : chosen(step, Values.NONE)) {
            for (Values two : chosen(step, one)) {
                for (State state : states(step.needs(two))) {
                    assertThatCode(() -> attempt(step, state, one, two))
                            .as("%s %s", id, two)
                            .doesNotThrowAnyException();
                }
            }
        }
    }

    private static void attempt(StepDescription step, State state, Values before, Values now) {
        Site site = Site.of(step.id(), "grey", Work.alone());
        try {
            Values values = step.isComplete(now)
                    ? now
                    : step.beginning().of(new Beginning.Inputs(before, now, state, Findings.NONE, Work.alone()));
            assertThat(step.isComplete(values))
                    .as("what it begins with is complete")
                    .isTrue();
            step.make().apply(values).apply(state, site);
        } catch (StepFault refused) {
            assertThat(refused.getMessage()).isNotBlank();
        }
    }

    /** Lengths far beyond the picture: worked out within reason, or refused in a sentence. */
    @ParameterizedTest(name = "{1}")
    @MethodSource("steps")
    void lengthsBeyondThePictureDoNoHarm(StepDescription step, String id) {
        for (Values chosen : chosen(step, Values.NONE)) {
            for (State state : states(step.needs(chosen))) {
                for (Setting<?> setting : step.settings()) {
                    for (String far : List.of("900000 px", "100000000000 px")) {
                        if (setting instanceof LengthSetting length && length.applies(chosen)) {
                            Values values = chosen.withTree(length, far);
                            assertThatCode(() -> attempt(step, state, Values.NONE, values))
                                    .as("%s %s", id, values)
                                    .doesNotThrowAnyException();
                        }
                    }
                }
            }
        }
    }

    /** Pictures of a pixel, a row or a column: worked out, or refused in a sentence. */
    @ParameterizedTest(name = "{1}")
    @MethodSource("steps")
    void theSmallestPicturesDoNoHarm(StepDescription step, String id) {
        for (int[] size : new int[][] {{1, 1}, {2, 1}, {7, 1}, {1, 9}, {2, 2}}) {
            for (Values chosen : chosen(step, Values.NONE)) {
                for (State state : states(step.needs(chosen), size[0], size[1])) {
                    assertThatCode(() -> attempt(step, state, Values.NONE, chosen))
                            .as("%s %s on %d × %d px", id, chosen, size[0], size[1])
                            .doesNotThrowAnyException();
                }
            }
        }
    }
}
