package keentally.desk.station;

import java.util.Arrays;
import java.util.regex.Pattern;
import keentally.core.quantity.Amounts;
import keentally.core.setting.LimitSetting;
import keentally.core.setting.ListSetting;
import keentally.core.setting.NumberSetting;
import keentally.core.setting.RangeSetting;
import keentally.core.setting.Setting;

/** Settings as text that a person reads and types. */
final class SettingText {
    private SettingText() {}

    private static final Pattern THOUSANDS = Pattern.compile("^-?[1-9]\\d{0,2}(,\\d{3})+(?![\\d,])");

    /** Typed text as it would stand in a file: numbers where a number is meant. */
    static Object tree(Setting<?> setting, String text) {
        return switch (setting) {
            case NumberSetting n -> number(text);
            case LimitSetting l -> number(text);
            case RangeSetting r ->
                Arrays.stream(text.split("\\s+to\\s+|;"))
                        .map(SettingText::number)
                        .toList();
            case ListSetting<?> list -> list.treeOf(text);
            default -> text;
        };
    }

    /** Without the commas between thousands. Any other comma stays, to be refused: "0,5" is not 5. */
    static String ungrouped(String text) {
        return THOUSANDS.matcher(text).replaceFirst(m -> m.group().replace(",", ""));
    }

    private static Object number(String text) {
        try {
            return Double.valueOf(ungrouped(text.strip()));
        } catch (NumberFormatException e) {
            return text;
        }
    }

    static <T> String text(Setting<T> setting, T value) {
        return switch (setting) {
            case RangeSetting r -> {
                RangeSetting.Range range = (RangeSetting.Range) value;
                yield Amounts.text(range.from()) + " to " + Amounts.text(range.to());
            }
            case ListSetting<?> list -> list(list, value);
            default -> String.valueOf(setting.write(value));
        };
    }

    @SuppressWarnings("unchecked") // the value is this very setting's
    private static <E> String list(ListSetting<E> setting, Object value) {
        return setting.text((java.util.List<E>) value);
    }
}
