package keentally.desk.look;

import atlantafx.base.theme.PrimerDark;
import atlantafx.base.theme.PrimerLight;
import java.util.List;
import javafx.application.Application;
import javafx.scene.Scene;
import javafx.scene.text.Font;

/** The two themes: quiet paper by day, dark by night. Colours and sizes have their names in {@code desk.css}. */
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
        String css = Theme.class.getResource("/keentally/desk/desk.css").toExternalForm();
        scene.getStylesheets().setAll(css);
        scene.getRoot().getStyleClass().removeAll("day", "night");
        scene.getRoot().getStyleClass().add(this == DARK ? "night" : "day");
    }
}
