package keentally.desk.view;

import java.util.Optional;
import javafx.application.Platform;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.scene.Scene;
import javafx.scene.control.CheckBox;
import javafx.scene.control.TextField;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.VBox;
import keentally.core.quantity.Amounts;
import keentally.core.quantity.Length;
import keentally.core.quantity.Scale;
import keentally.core.view.Pyramid;
import keentally.desk.look.Ask;
import keentally.desk.look.Pieces;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.desk.stage.StageModel;
import keentally.study.result.ChosenBar;
import keentally.study.result.ChosenBar.Corner;
import keentally.study.result.ChosenBar.Ink;

/** The scale bar on what is taken away as a picture: how long, in which corner, in which ink; or none. */
final class ScaleBarDialog {
    private ScaleBarDialog() {}

    static void ask(Scene owner, DeskModel desk, StageModel stage) {
        Optional<Scale> scale = desk.scale();
        if (scale.isEmpty() || desk.open().get().isEmpty()) {
            desk.say(Texts.of("bar.no-scale"));
            return;
        }
        Pyramid picture = desk.open().get().orElseThrow().pyramid();
        ChosenBar before = stage.bar().get().orElseGet(() -> ChosenBar.usual(picture.width(), scale.get()));
        CheckBox on = new CheckBox(Texts.of("bar.on"));
        on.setId("bar-on");
        on.setSelected(true);
        TextField length = new TextField(before.length().toString());
        length.setId("bar-length");
        length.setPrefColumnCount(10);
        ObjectProperty<Corner> corner = new SimpleObjectProperty<>(before.corner());
        ObjectProperty<Ink> ink = new SimpleObjectProperty<>(before.ink());
        GridPane grid = new GridPane();
        grid.getStyleClass().add("label-grid");
        grid.addRow(0, Pieces.name("bar.length"), length);
        grid.addRow(1, Pieces.name("bar.corner"), Pieces.choices("bar-corner", Corner.values(), corner));
        grid.addRow(2, Pieces.name("bar.ink"), Pieces.choices("bar-ink", Ink.values(), ink));
        grid.disableProperty().bind(on.selectedProperty().not());
        Platform.runLater(length::requestFocus);
        VBox content = new VBox(10, Prose.of(Texts.of("bar.about"), "hint"), on, grid);
        Ask.until(owner, Texts.of("bar.title"), content, Texts.of("bar.yes"), () -> {
            if (!on.isSelected()) {
                stage.bar().set(Optional.empty());
                return;
            }
            ChosenBar wanted = new ChosenBar(Length.of(Amounts.typed(length.getText())), corner.get(), ink.get());
            if (!wanted.hasRoom(scale, picture.width(), picture.height())) {
                throw new IllegalArgumentException(Texts.of("bar.wrong", wanted.length()));
            }
            desk.say(Texts.of("bar.taken", wanted.length()));
            stage.bar().set(Optional.of(wanted));
        });
    }
}
