package keentally.desk.tally;

import javafx.geometry.Side;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.CustomMenuItem;
import javafx.scene.layout.FlowPane;
import keentally.core.colour.Rgb;
import keentally.core.hand.Glyph;
import keentally.core.hand.TallyClass;
import keentally.desk.look.Texts;
import keentally.desk.look.Tip;
import keentally.desk.model.TallyActions;

/** How a class's marks are drawn: behind the button its glyphs and colours to choose from. */
final class TallyLook extends Button {
    private static final double WIDTH = 190;

    TallyLook(String id, TallyClass kind, TallyActions actions) {
        super(Texts.of("tally.change"));
        setId(id);
        getStyleClass().setAll("swatch-button");
        Tip.on(this, Texts.of("tally.change.help"));
        setMinWidth(USE_PREF_SIZE);
        setOnAction(e -> open(id, kind, actions));
    }

    /** Made when it is asked for: rows are made anew with every mark. */
    private void open(String id, TallyClass kind, TallyActions actions) {
        ContextMenu menu = new ContextMenu();
        FlowPane pane = new FlowPane(6, 6);
        pane.setPrefWrapLength(WIDTH);
        for (Glyph glyph : Glyph.values()) {
            one(pane, id + "-" + glyph, TallyPane.icon(kind.drawn(glyph)), menu, () -> actions.draw(kind, glyph));
        }
        for (Rgb colour : TallyActions.COLOURS) {
            one(
                    pane,
                    id + "-" + colour,
                    TallyPane.icon(kind.coloured(colour)),
                    menu,
                    () -> actions.colour(kind, colour));
        }
        menu.getItems().setAll(new CustomMenuItem(pane, false));
        menu.show(this, Side.BOTTOM, 0, 2);
    }

    private static void one(FlowPane pane, String id, Node drawing, ContextMenu menu, Runnable does) {
        Button button = new Button();
        button.setId(id);
        button.getStyleClass().setAll("swatch-button");
        button.setGraphic(drawing);
        button.setOnAction(e -> {
            menu.hide();
            does.run();
        });
        pane.getChildren().add(button);
    }
}
