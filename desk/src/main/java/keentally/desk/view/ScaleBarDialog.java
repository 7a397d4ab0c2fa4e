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
import keentally.core.quantity.Length;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.Scale;
import keentally.core.words.Figures;
import keentally.desk.look.Ask;
import keentally.desk.look.Pieces;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.desk.stage.StageModel;
import keentally.study.result.ChosenBar;

/** The scale bar on what is taken away as a picture: how long, in which corner, in which ink; or none. */
final class ScaleBarDialog {
    private static final double SHARE = 0.2;

    enum Corner {
        BOTTOM_RIGHT,
        BOTTOM_LEFT,
        TOP_RIGHT,
        TOP_LEFT
    }

    enum Ink {
        LIGHT,
        DARK
    }

    private ScaleBarDialog() {}

    static void ask(Scene owner, DeskModel desk, StageModel stage) {
        Optional<Scale> scale = desk.scale();
        if (scale.isEmpty() || desk.open().get().isEmpty()) {
            desk.say(Texts.of("bar.no-scale"));
            return;
        }
        Optional<ChosenBar> before = stage.bar().get();
        CheckBox on = new CheckBox(Texts.of("bar.on"));
        on.setId("bar-on");
        on.setSelected(true);
        int width = desk.open().get().orElseThrow().pyramid().width();
        TextField length = new TextField(before.map(b -> b.length().toString())
                .orElseGet(() -> usual(width, scale.get()).toString()));
        length.setId("bar-length");
        length.setPrefColumnCount(10);
        ObjectProperty<Corner> corner =
                new SimpleObjectProperty<>(before.map(ScaleBarDialog::corner).orElse(Corner.BOTTOM_RIGHT));
        ObjectProperty<Ink> ink = new SimpleObjectProperty<>(
                before.filter(b -> !b.light()).map(b -> Ink.DARK).orElse(Ink.LIGHT));
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
            Length wanted = Length.of(length.getText().strip());
            if (!(wanted.px(scale) >= 1) || wanted.px(scale) > width) {
                throw new IllegalArgumentException(Texts.of("bar.wrong", wanted));
            }
            boolean right = corner.get() == Corner.BOTTOM_RIGHT || corner.get() == Corner.TOP_RIGHT;
            boolean below = corner.get() == Corner.BOTTOM_RIGHT || corner.get() == Corner.BOTTOM_LEFT;
            desk.say(Texts.of("bar.taken", wanted));
            stage.bar().set(Optional.of(new ChosenBar(wanted, right, below, ink.get() == Ink.LIGHT)));
        });
    }

    private static Corner corner(ChosenBar bar) {
        return bar.below()
                ? bar.right() ? Corner.BOTTOM_RIGHT : Corner.BOTTOM_LEFT
                : bar.right() ? Corner.TOP_RIGHT : Corner.TOP_LEFT;
    }

    /** About a fifth of the picture: 1, 2 or 5 of a power of ten. */
    static Length usual(int width, Scale scale) {
        LengthUnit unit = scale.unit();
        double rough = SHARE * width * scale.amount();
        double power = Math.pow(10, Math.floor(Math.log10(rough)));
        double step = rough / power;
        double amount = (step >= 5 ? 5 : step >= 2 ? 2 : 1) * power;
        return new Length(Double.parseDouble(Figures.number(amount).replace(",", "")), unit);
    }
}
