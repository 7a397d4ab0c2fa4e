package keentally.desk.look;

import atlantafx.base.theme.PrimerDark;
import atlantafx.base.theme.PrimerLight;
import java.util.List;
import javafx.application.Application;
import javafx.scene.Scene;
import javafx.scene.text.Font;

/** The two themes: quiet paper by day, dark by night. Colours have their names in {@code day.css} and {@code night.css}. */
public enum Theme {
    LIGHT,
    DARK;

    /** Inter for words; Roboto for figures, since all of its are of one width. */
    private static final List<String> FONTS = List.of(
            "inter/Inter-Regular.otf",
            "inter/Inter-SemiBold.otf",
            "inter/Inter-Bold.otf",
            "roboto/Roboto-Regular.ttf",
            "roboto/Roboto-Bold.ttf");

    /** Makes the fonts known; once, before the first scene. */
    public static void loadFonts() {
        for (String font : FONTS) {
            var data = Theme.class.getResourceAsStream("/com/formdev/flatlaf/fonts/" + font);
            if (data != null) {
                Font.loadFont(data, 13);
            }
        }
    }

    public void putOn(Scene scene) {
        Application.setUserAgentStylesheet(
                this == DARK ? new PrimerDark().getUserAgentStylesheet() : new PrimerLight().getUserAgentStylesheet());
        scene.getStylesheets().setAll(sheets());
    }

    private List<String> sheets() {
        return List.of(sheet(this == DARK ? "night" : "day"), sheet("desk"));
    }

    private static String sheet(String name) {
        return Theme.class.getResource("/keentally/desk/" + name + ".css").toExternalForm();
    }
}
