package keentally.core.setting;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import keentally.core.colour.Rgb;
import org.junit.jupiter.api.Test;

/** Lists and ranges, as trees and as typed text. */
class ListSettingTest {
    private static <E> void thereAndBack(ListSetting<E> setting, String typed) {
        List<E> read = setting.read(setting.treeOf(typed));
        assertThat(setting.read(setting.write(read))).isEqualTo(read);
        assertThat(setting.read(setting.treeOf(setting.text(read)))).isEqualTo(read);
    }

    @Test
    void everyKindGoesThereAndBack() {
        thereAndBack(ListSetting.needed("n", Item.NUMBER, 1, 5), "3; 4.5; -2");
        thereAndBack(ListSetting.needed("v", Item.VECTOR, 1, 5), "0.6 0.7 0.3; 0.1, 0.5, 0.8");
        thereAndBack(ListSetting.needed("c", Item.MATCH, 1, 5), "#a0522d; #ffffff 12; not #000000 3.5; not #010203");
        thereAndBack(ListSetting.needed("p", Item.NAME, 1, 5), "0; crust; 3");
        thereAndBack(ListSetting.needed("g", Item.GROUP, 1, 5), "crust: 0, 1; crumb: pale");
        thereAndBack(ListSetting.orWord("w", "auto", Item.NUMBER, 3), "auto");
    }

    @Test
    void aWordOrOneThingAlone() {
        ListSetting<Double> white = ListSetting.orWord("white", "auto", Item.NUMBER, 3);
        assertThat(white.read("auto")).isEmpty();
        assertThat(white.write(List.of())).isEqualTo("auto");
        assertThat(white.read(240)).containsExactly(240.0);
        assertThat(white.limits()).containsEntry("most", 3L);
    }

    @Test
    void mistakesSayWhatWasExpected() {
        ListSetting<Double> two = ListSetting.needed("n", Item.NUMBER, 2, 3);
        assertThatThrownBy(() -> two.read(7)).hasMessageContaining("a list of numbers but found the number 7");
        assertThatThrownBy(() -> two.read(List.of(1))).hasMessageContaining("2 to 3 numbers but found 1");
        assertThatThrownBy(() -> two.read(List.of(1, "x"))).hasMessageContaining("expected a number");
        assertThatThrownBy(() -> Item.MATCH.read("red")).hasMessageContaining("a colour such as");
        assertThatThrownBy(() -> Item.MATCH.read(Map.of("colour", "#000000", "distance", -1)))
                .hasMessageContaining("0 or more");
        assertThatThrownBy(() -> Item.MATCH.read(Map.of("color", "#000000"))).hasMessageContaining("such as");
        assertThatThrownBy(() -> Item.VECTOR.read(List.of(0, 0, 0))).hasMessageContaining("not all 0");
        assertThatThrownBy(() -> Item.VECTOR.read(List.of(1, 2))).hasMessageContaining("three numbers");
        assertThatThrownBy(() -> Item.GROUP.read(Map.of("name", "x"))).hasMessageContaining("a group such as");
        assertThatThrownBy(() -> Item.NAME.read(1.5)).hasMessageContaining("a name or a number");
        assertThat(Item.MATCH.read("#A0522D")).isEqualTo(new Item.Match(new Rgb(160, 82, 45), Optional.empty(), false));
    }

    @Test
    void rangesHoldTheirEndsAndWrap() {
        RangeSetting hue = RangeSetting.wrapping("hue", 0, 360);
        RangeSetting.Range over = hue.read(List.of(350, 10));
        assertThat(over.contains(355)).isTrue();
        assertThat(over.contains(10)).isTrue();
        assertThat(over.contains(180)).isFalse();
        RangeSetting value = RangeSetting.of("value", 0, 1);
        assertThat(value.read(List.of(0.25, 0.5)).contains(0.5)).isTrue();
        assertThatThrownBy(() -> value.read(List.of(0.5, 0.25))).hasMessageContaining("does not end before it begins");
        assertThatThrownBy(() -> value.read("all")).hasMessageContaining("a range such as [0, 1]");
        assertThat(value.write(value.usual())).isEqualTo(List.of(0L, 1L));
    }
}
