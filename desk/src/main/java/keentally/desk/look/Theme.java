package keentally.desk.look;

import atlantafx.base.theme.PrimerDark;
import atlantafx.base.theme.PrimerLight;
import java.net.URL;
import java.nio.file.Path;
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

    private static final double SIZE = 13;

    /** Makes the fonts known; once, before the first scene. A package has them as files, which need not be unpacked at each start. */
    public static void loadFonts() {
        String unpacked = System.getProperty("keentally.fonts");
        for (String font : FONTS) {
            URL packed = Theme.class.getResource("/com/formdev/flatlaf/fonts/" + font);
            if (unpacked != null) {
                Font.loadFont(Path.of(unpacked, font).toUri().toString(), SIZE);
            } else if (packed != null) {
                Font.loadFont(packed.toString(), SIZE);
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
