package keentally.desk.objects;

import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import keentally.core.measure.Formula;
import keentally.core.words.Figures;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.look.Tip;
import keentally.desk.model.DeskModel;

/** Which objects stand in the table: typed as a question about measures. It drops nothing; a gate does. */
final class FilterField extends VBox {
    private final DeskModel desk;
    private final ObjectsTable table;
    private final TextField field = new TextField();
    private final Label found = new Label();
    private final Label complaint = Prose.complaint();

    FilterField(DeskModel desk, ObjectsTable table) {
        this.desk = desk;
        this.table = table;
        field.setId("filter");
        field.setPromptText(Texts.of("filter.prompt"));
        field.setAccessibleText(Texts.of("filter.help"));
        Tip.on(field, Texts.of("filter.help"));
        field.setOnAction(e -> take());
        field.textProperty().addListener((o, was, is) -> {
            if (is.isBlank()) {
                take();
            }
        });
        found.setId("filter-found");
        found.setMinWidth(USE_PREF_SIZE);
        found.getStyleClass().add("figure");
        complaint.setId("filter-complaint");
        complaint.managedProperty().bind(complaint.visibleProperty());
        HBox.setHgrow(field, Priority.ALWAYS);
        found.managedProperty().bind(found.textProperty().isNotEmpty());
        HBox row = new HBox(8, field, found);
        row.setAlignment(Pos.CENTER_LEFT);
        getChildren().addAll(row, complaint);
        table.listed().addListener((o, was, is) -> told());
    }

    private void take() {
        complaint.setVisible(false);
        if (field.getText().isBlank()) {
            table.filter(null);
            return;
        }
        try {
            table.filter(Formula.question(field.getText()));
        } catch (IllegalArgumentException e) {
            complaint.setText(Texts.complaint(e.getMessage()));
            complaint.setVisible(true);
        }
    }

    private void told() {
        boolean filtered = !field.getText().isBlank() && !complaint.isVisible();
        found.setText(
                filtered
                        ? Texts.of("filter.found", Figures.number(table.listed().get()))
                        : "");
    }
}
