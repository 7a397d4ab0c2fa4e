package keentally.desk.station;

import javafx.geometry.Pos;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import keentally.core.quantity.Amounts;
import keentally.core.quantity.Length;
import keentally.core.words.Figures;
import keentally.desk.look.AmountField;
import keentally.desk.look.Pieces;
import keentally.desk.look.Texts;
import keentally.desk.look.Typed;
import keentally.desk.model.DeskModel;

/** How wide a brush is, typed with its unit; what cannot be is said, and the width stays. */
public final class BrushWidth extends HBox {
    private static final double MOST_PX = 2000;

    /** What outlives the panel. */
    public static final class Memory {
        private double px = 8;

        public double px() {
            return px;
        }
    }

    private final DeskModel desk;
    private final Memory known;
    private final TextField field;
    private final Typed text;

    /** @param name of the field */
    public BrushWidth(DeskModel desk, Memory known, String name) {
        this.desk = desk;
        this.known = known;
        this.field = AmountField.withUnit("");
        field.setId(name);
        field.setAccessibleText(Texts.of("edit.width"));
        field.setPrefWidth(84);
        field.setAlignment(Pos.CENTER_RIGHT);
        this.text = Typed.in(field, this::take);
        getChildren().setAll(Pieces.name("edit.width"), field);
        getStyleClass().add("setting-row");
        show();
    }

    /** In the unit that everything else on the panel is told in. */
    private void show() {
        text.show(Figures.length(known.px, desk.pixelSize()));
    }

    private void take() {
        String typed = field.getText().strip();
        try {
            String plain = Amounts.typed(typed);
            Length length = Length.of(
                    plain.matches("[0-9.]+") ? plain + " " + desk.unit().id() : plain);
            double px = length.px(desk.scale());
            if (px > 0 && px <= MOST_PX) {
                known.px = px;
                show();
                return;
            }
        } catch (IllegalArgumentException notALength) {
            // said below
        }
        desk.say(Texts.of("edit.width.wrong", typed));
    }
}
