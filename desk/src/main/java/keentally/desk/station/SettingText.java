package keentally.desk.station;

import java.util.Arrays;
import java.util.regex.Pattern;
import keentally.core.quantity.Amounts;
import keentally.core.reader.Reader;
import keentally.core.setting.AreaSetting;
import keentally.core.setting.LengthSetting;
import keentally.core.setting.LimitSetting;
import keentally.core.setting.ListSetting;
import keentally.core.setting.NumberSetting;
import keentally.core.setting.RangeSetting;
import keentally.core.setting.Setting;
import keentally.core.words.SettingWords;
import keentally.desk.look.Texts;

/** Settings as text that a person reads and types. */
final class SettingText {
    private static final Pattern COMMA_WITHIN = Pattern.compile("(?<=\\d),(?=\\d)");

    private SettingText() {}

    /** Typed text as it would stand in a file: numbers where a number is meant. */
    static Object tree(Setting<?> setting, String text) {
        return switch (setting) {
            case NumberSetting n -> number(text);
            case LimitSetting l -> number(text);
            case RangeSetting r ->
                Arrays.stream(text.split("\\s+(?:to|bis)\\s+|;"))
                        .map(SettingText::number)
                        .toList();
            case LengthSetting l -> Amounts.typed(text);
            case AreaSetting a -> Amounts.typed(text);
            case ListSetting<?> list ->
                list.treeOf(
                        list.isOfNumbers() && Reader.decimalComma()
                                ? COMMA_WITHIN.matcher(text).replaceAll(".")
                                : text);
            default -> text;
        };
    }

    private static Object number(String text) {
        try {
            return Amounts.number(text);
        } catch (NumberFormatException e) {
            return Amounts.typed(text);
        }
    }

    static <T> String text(Setting<T> setting, T value) {
        return switch (setting) {
            case RangeSetting r -> {
                RangeSetting.Range range = (RangeSetting.Range) value;
                yield Texts.of("setting.range", Amounts.shown(range.from()), Amounts.shown(range.to()));
            }
            case ListSetting<?> list -> list.isOfNumbers() ? Reader.marks(list(list, value)) : list(list, value);
            case NumberSetting n -> Reader.marks(String.valueOf(setting.write(value)));
            case LengthSetting l -> SettingWords.amount(setting.write(value));
            case AreaSetting a -> SettingWords.amount(setting.write(value));
            case LimitSetting l -> SettingWords.amount(setting.write(value));
            default -> String.valueOf(setting.write(value));
        };
    }

    @SuppressWarnings("unchecked") // the value is this very setting's
    private static <E> String list(ListSetting<E> setting, Object value) {
        return setting.text((java.util.List<E>) value);
    }
}
