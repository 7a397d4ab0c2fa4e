package keentally.desk.station;

import java.util.Optional;
import java.util.function.Consumer;
import javafx.geometry.Side;
import javafx.scene.control.Button;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.CustomMenuItem;
import javafx.scene.control.MenuItem;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Region;
import keentally.core.colour.Rgb;
import keentally.desk.look.Texts;
import keentally.desk.look.Tip;

/** A phase's colour, and behind it some others to choose from. */
final class PhaseColour extends Button {
    /** From dark to light in three families, all told apart by colour-blind people when their brightness differs. */
    private static final int[] CHOICES = {
        0x27335f, 0x2b6d94, 0x6fb0cf, 0x1d5a4e, 0x2fa08f, 0x9cc25a, 0x5a3413, 0xb5532d, 0xf0c75e, 0x4f1f49, 0x9a4f8e,
        0xe3a8c4, 0x15181b, 0x7c8288, 0xf7ead0
    };

    private static final double WIDTH = 150;

    /** @param choose told of the colour chosen; empty for the usual one */
    PhaseColour(String id, Rgb now, Consumer<Optional<Rgb>> choose) {
        setId(id);
        getStyleClass().setAll("swatch-button");
        Tip.on(this, Texts.of("shares.colour"));
        setGraphic(swatch(now));
        ContextMenu menu = new ContextMenu();
        FlowPane pane = new FlowPane(6, 6);
        pane.setPrefWrapLength(WIDTH);
        for (int i = 0; i < CHOICES.length; i++) {
            Rgb colour = Rgb.from(CHOICES[i]);
            Button one = new Button();
            one.setId("colour-choice-" + i);
            one.getStyleClass().setAll("swatch-button");
            one.setGraphic(swatch(colour));
            one.setAccessibleText(colour.toString());
            one.setOnAction(e -> {
                menu.hide();
                choose.accept(Optional.of(colour));
            });
            pane.getChildren().add(one);
        }
        CustomMenuItem choices = new CustomMenuItem(pane, false);
        MenuItem usual = new MenuItem(Texts.of("shares.colour.usual"));
        usual.setOnAction(e -> choose.accept(Optional.empty()));
        menu.getItems().setAll(choices, usual);
        setOnAction(e -> menu.show(this, Side.BOTTOM, 0, 2));
    }

    private static Region swatch(Rgb colour) {
        Region swatch = new Region();
        swatch.getStyleClass().add("swatch");
        swatch.setStyle("-fx-background-color: " + colour);
        return swatch;
    }
}
