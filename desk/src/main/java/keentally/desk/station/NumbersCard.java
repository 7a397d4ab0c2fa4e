package keentally.desk.station;

import javafx.css.PseudoClass;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import keentally.desk.look.Pieces;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.desk.number.NumbersList;

/** The end of the method line: what the sample comes to. */
final class NumbersCard extends VBox {
    private static final int MOST = 3;
    private static final PseudoClass SELECTED = PseudoClass.getPseudoClass("selected");

    private final DeskModel desk;
    private final VBox rows = new VBox(1);

    NumbersCard(DeskModel desk) {
        this.desk = desk;
        setId("card-numbers");
        getStyleClass().addAll("station-card", "numbers-card");
        Label title = new Label(Texts.of("numbers.card"));
        title.getStyleClass().add("card-title");
        HBox head = new HBox(title);
        head.getStyleClass().add("card-head");
        rows.setMinWidth(StationCard.THUMB_WIDTH);
        rows.setMaxWidth(StationCard.THUMB_WIDTH);
        getChildren().addAll(head, rows);
        setFocusTraversable(true);
        setAccessibleText(Texts.of("numbers.card"));
        setOnMousePressed(e -> desk.numbersOpen().set(true));
        setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.ENTER) {
                desk.numbersOpen().set(true);
            }
        });
        Pieces.whileSeen(this, desk.shown()).subscribe(shown -> refresh());
        Pieces.whileSeen(this, desk.study()).subscribe(study -> refresh());
        Pieces.whileSeen(this, desk.numbersOpen()).subscribe(open -> pseudoClassStateChanged(SELECTED, open));
    }

    private void refresh() {
        rows.getChildren().clear();
        desk.method().numbers().stream().limit(MOST).forEach(n -> {
            rows.getChildren().add(line(n.name(), "card-number-name"));
            rows.getChildren().add(line(NumbersList.told(desk, n).orElse("\u2013"), "card-number"));
        });
        int more = desk.method().numbers().size() - MOST;
        if (more > 0) {
            rows.getChildren().add(line(Texts.of("numbers.more", String.valueOf(more)), "card-headline"));
        } else if (rows.getChildren().isEmpty()) {
            rows.getChildren().add(line(Texts.of("numbers.card.none"), "card-headline"));
        }
    }

    private static Label line(String text, String style) {
        Label label = new Label(text);
        label.getStyleClass().add(style);
        label.setMaxWidth(StationCard.THUMB_WIDTH);
        label.setWrapText(style.equals("card-headline"));
        return label;
    }
}
