package keentally.desk.tally;

import java.util.function.Consumer;
import javafx.geometry.Side;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.CustomMenuItem;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import keentally.core.colour.Rgb;
import keentally.core.hand.Glyph;
import keentally.core.hand.TallyClass;
import keentally.desk.look.Texts;
import keentally.desk.model.TallyActions;

/** How a class's marks are drawn: behind the button its glyphs and colours to choose from. */
final class TallyLook extends Button {
    private static final double WIDTH = 190;
    private static final int[] COLOURS = {
        0xf0c75e, 0x6fb0cf, 0xb5532d, 0x2fa08f, 0xe3a8c4, 0x9cc25a, 0x9a4f8e, 0xf7ead0, 0x2b6d94, 0x27335f, 0x5a3413,
        0x7c8288
    };

    TallyLook(String id, TallyClass kind, TallyActions actions) {
        super(Texts.of("tally.change"));
        setId(id);
        getStyleClass().setAll("swatch-button");
        setTooltip(new Tooltip(Texts.of("tally.change.help")));
        setMinWidth(USE_PREF_SIZE);
        ContextMenu menu = new ContextMenu();
        FlowPane pane = new FlowPane(6, 6);
        pane.setPrefWrapLength(WIDTH);
        for (Glyph glyph : Glyph.values()) {
            one(pane, id + "-" + glyph, TallyPane.icon(kind.drawn(glyph)), menu, m -> actions.draw(kind, glyph));
        }
        for (int packed : COLOURS) {
            Rgb colour = Rgb.from(packed);
            one(
                    pane,
                    id + "-" + colour,
                    TallyPane.icon(kind.coloured(colour)),
                    menu,
                    m -> actions.colour(kind, colour));
        }
        menu.getItems().setAll(new CustomMenuItem(pane, false));
        setOnAction(e -> menu.show(this, Side.BOTTOM, 0, 2));
    }

    private static void one(FlowPane pane, String id, Node drawing, ContextMenu menu, Consumer<ContextMenu> does) {
        Button button = new Button();
        button.setId(id);
        button.getStyleClass().setAll("swatch-button");
        button.setGraphic(drawing);
        button.setOnAction(e -> {
            menu.hide();
            does.accept(menu);
        });
        pane.getChildren().add(button);
    }
}
