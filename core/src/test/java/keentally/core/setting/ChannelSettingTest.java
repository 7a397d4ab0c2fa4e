package keentally.core.setting;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class ChannelSettingTest {
    private static final ChannelSetting OF = new ChannelSetting("of", "grey", List.of("grey", "red"), List.of());
    private static final FlagSetting ROUND = FlagSetting.of("round", false, Condition.is(OF, "grey"));

    @ParameterizedTest
    @ValueSource(strings = {"grey", "red", "starch granules", "3"})
    void wordsNamesAndNumbersAreTaken(String name) {
        assertThat(OF.read(name)).isEqualTo(name);
        assertThat(OF.read(OF.write(name))).isEqualTo(name);
    }

    @Test
    void aNumberIsAPlaceFromOne() {
        assertThat(OF.read(2)).isEqualTo("2");
        assertThat(OF.read(2.0)).isEqualTo("2");
        for (Object wrong : List.of(0, -1, 1.5, true, List.of(), Map.of(), "", " ")) {
            assertThatThrownBy(() -> OF.read(wrong))
                    .isInstanceOf(IllegalArgumentException.class)
                    .hasMessageContaining("grey, red, the name of a channel, or its number from 1, but found");
        }
    }

    @Test
    void otherSettingsMayHangOnAChannel() {
        assertThat(ROUND.applies(Values.NONE)).isTrue();
        assertThat(ROUND.applies(Values.NONE.with(OF, "starch"))).isFalse();
        assertThat(ROUND.onlyWhen().getFirst()).hasToString("of is grey");
        assertThat(OF.fallback()).contains("grey");
        assertThat(OF.limits()).containsEntry("words", List.of("grey", "red"));
    }

    @Test
    void whatWasSetIsToldApartFromDefaults() {
        Values values = Values.NONE.with(OF, "starch").with(ROUND, true);
        List<Setting<?>> settings = List.of(OF, ROUND);
        assertThat(values.tree(settings)).isEqualTo(Map.of("of", "starch"));
        assertThat(values.asSet(settings)).isEqualTo(Map.of("of", "starch", "round", true));
        assertThat(Values.NONE.asSet(settings)).isEmpty();
        assertThat(Values.NONE.tree(settings)).isEqualTo(Map.of("of", "grey", "round", false));
    }
}
