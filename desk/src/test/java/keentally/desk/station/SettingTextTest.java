package keentally.desk.station;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import keentally.core.reader.Language;
import keentally.core.reader.Reader;
import keentally.core.setting.Setting;
import keentally.core.step.Steps;
import org.junit.jupiter.api.Test;

/** Settings are read and typed as text. */
class SettingTextTest {
    private static <T> void thereAndBack(String step, String id, String typed, String read) {
        @SuppressWarnings("unchecked") // whatever its type, it is read and written by itself
        Setting<T> setting =
                (Setting<T>) Steps.find(step).orElseThrow().setting(id).orElseThrow();
        T value = setting.read(SettingText.tree(setting, typed));
        assertThat(SettingText.text(setting, value)).isEqualTo(read);
        assertThat(setting.read(SettingText.tree(setting, SettingText.text(setting, value))))
                .isEqualTo(value);
    }

    @Test
    void settingsAreTypedAsTheyAreRead() {
        thereAndBack("colour-range", "hue", "350 to 10", "350 to 10");
        thereAndBack("colour-range", "value", "0.2; 0.75", "0.2 to 0.75");
        thereAndBack("levels", "cuts", "10;20 ; 30", "10; 20; 30");
        thereAndBack("unmix-dyes", "vectors", "0.6 0.7 0.3; 0.1, 0.5, 0.8", "0.6 0.7 0.3; 0.1 0.5 0.8");
        thereAndBack("unmix-dyes", "white", "auto", "auto");
        thereAndBack("similar-colour", "colours", "#A0522D; not #ffffff 3", "#a0522d; not #ffffff 3");
        thereAndBack("group-phases", "groups", "crust: 0, dark", "crust: 0, dark");
        thereAndBack("threshold", "cut", "1,234.5", "1234.5");
        thereAndBack("smooth", "sigma", "1.5 um", "1.5 µm");
    }

    /** As the program shows numbers, a comma parts thousands; any other one is taken as decimal. */
    @Test
    void aDecimalCommaIsTaken() {
        thereAndBack("threshold", "cut", "0,5", "0.5");
        thereAndBack("smooth", "sigma", "2,5 um", "2.5 µm");
        thereAndBack("remove-specks", "below", "12,5 px2", "12.5 px²");
        Setting<?> cut = Steps.find("threshold").orElseThrow().setting("cut").orElseThrow();
        assertThatThrownBy(() -> cut.read(SettingText.tree(cut, "1,234,5")))
                .isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void aReaderOfCommasIsShownThemAndTypesThem() {
        Reader.is(Language.GERMAN, true);
        try {
            thereAndBack("threshold", "cut", "1.234,5", "1234,5");
            thereAndBack("smooth", "sigma", "2,5 µm", "2,5 µm");
            thereAndBack("colour-range", "value", "0,2 bis 0,75", "0,2 bis 0,75");
            thereAndBack("levels", "cuts", "10,5; 20", "10,5; 20");
            thereAndBack("unmix-dyes", "vectors", "0,6 0,7 0,3; 0,1 0,5 0,8", "0,6 0,7 0,3; 0,1 0,5 0,8");
            thereAndBack("group-phases", "groups", "crust: 0, dark", "crust: 0, dark");
        } finally {
            Reader.is(Language.ENGLISH, false);
        }
    }
}
