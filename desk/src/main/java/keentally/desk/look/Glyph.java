package keentally.desk.look;

import javafx.scene.control.Button;
import javafx.scene.shape.SVGPath;

/** Our own small drawings on buttons, in a square of 14. */
public enum Glyph {
    EARLIER("M9 2 L4 7 L9 12"),
    LATER("M5 2 L10 7 L5 12"),
    MUTE("M2 7 H5 M9 7 H12 M11 2 L3 12"),
    REMOVE("M3 3 L11 11 M11 3 L3 11"),
    CLOSE("M4 4 L10 10 M10 4 L4 10"),
    ADD("M7 2 V12 M2 7 H12"),
    CHANGE("M3 11 L3.5 8.5 L9.5 2.5 L11.5 4.5 L5.5 10.5 Z");

    private final String path;

    Glyph(String path) {
        this.path = path;
    }

    /** A flat button with this drawing; the tooltip says what it does, and screen readers too. */
    public Button button(String id, String says, Runnable does) {
        SVGPath drawing = new SVGPath();
        drawing.setContent(path);
        drawing.getStyleClass().add("glyph");
        Button button = new Button();
        button.setId(id);
        button.setGraphic(drawing);
        button.getStyleClass().add("glyph-button");
        Tip.on(button, says);
        button.setAccessibleText(says);
        button.setOnAction(e -> does.run());
        return button;
    }
}
