package keentally.desk.bring;

import java.util.List;
import java.util.Optional;
import javafx.application.Platform;
import javafx.geometry.HPos;
import javafx.scene.Scene;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextArea;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import keentally.core.setting.ChoiceSetting;
import keentally.core.words.Figures;
import keentally.desk.bring.TableModel.Ours;
import keentally.desk.bring.TableModel.Outcome;
import keentally.desk.bring.TableModel.Row;
import keentally.desk.bring.TableModel.Tried;
import keentally.desk.look.Ask;
import keentally.desk.look.Pieces;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.study.result.PastedTable;

/** A table is pasted, and stands beside ours; where the two differ, it is said which definition brings them nearest. */
public final class TableDialog {
    private static final int WIDTH = 560;
    private static final int MOST_TRIED = 4;

    private final DeskModel desk;
    private final TableModel model;
    private final TextArea pasted = Pieces.area("");
    private final ComboBox<String> column = new ComboBox<>();
    private final ComboBox<String> ours = new ComboBox<>();
    private final Label complaint = Prose.complaint();
    private final GridPane grid = new GridPane();
    private final Label verdict = Prose.of("", "figure-line");
    private Optional<PastedTable> table = Optional.empty();

    private TableDialog(DeskModel desk) {
        this.desk = desk;
        this.model = new TableModel(desk, Platform::runLater);
    }

    /** Opens it. @param text what was pasted already; empty for nothing */
    public static void show(Scene owner, DeskModel desk, String text) {
        TableDialog dialog = new TableDialog(desk);
        dialog.open(owner);
        dialog.pasted.setText(text);
    }

    private void open(Scene owner) {
        pasted.setId("table-pasted");
        pasted.setPromptText(Texts.of("table.prompt"));
        pasted.setPrefRowCount(6);
        pasted.textProperty().addListener(o -> read());
        column.setId("table-column");
        ours.setId("table-ours");
        for (Ours one : Ours.values()) {
            ours.getItems()
                    .add(Texts.of(
                            "table.ours." + ChoiceSetting.word(one), desk.unit().symbol()));
        }
        ours.getSelectionModel().select(0);
        verdict.setId("table-verdict");
        grid.setId("table-grid");
        grid.setHgap(14);
        grid.setVgap(3);
        for (int i = 0; i < 4; i++) {
            ColumnConstraints one = new ColumnConstraints();
            one.setHgrow(i == 0 ? Priority.ALWAYS : Priority.NEVER);
            one.setHalignment(i == 0 ? HPos.LEFT : HPos.RIGHT);
            grid.getColumnConstraints().add(one);
        }
        HBox choices = new HBox(
                8,
                Pieces.name("table.column"),
                column,
                Pieces.name("table.against"),
                ours,
                Pieces.button("table-hold", "table.hold", this::hold));
        choices.getStyleClass().add("row");
        ScrollPane rows = new ScrollPane(grid);
        rows.setFitToWidth(true);
        rows.setPrefHeight(190);
        rows.getStyleClass().add("panel-scroll");
        VBox all =
                new VBox(10, Prose.of(Texts.of("table.about"), "help-text"), pasted, choices, complaint, rows, verdict);
        all.setPrefWidth(WIDTH);
        Ask.show(owner, Texts.of("table.title"), all);
    }

    private void read() {
        complaint.setVisible(false);
        try {
            table = Optional.of(PastedTable.parse(pasted.getText()));
        } catch (IllegalArgumentException e) {
            table = Optional.empty();
            complaint.setText(Texts.complaint(e.getMessage()));
            complaint.setVisible(true);
        }
        List<String> columns = table.map(PastedTable::columns).orElse(List.of());
        if (!columns.equals(column.getItems())) {
            column.getItems().setAll(columns);
            column.getSelectionModel().selectFirst();
        }
    }

    private void hold() {
        if (table.isEmpty() || column.getSelectionModel().getSelectedIndex() < 0) {
            read();
            return;
        }
        verdict.setText(Texts.of("table.running"));
        Ours what = Ours.values()[Math.max(0, ours.getSelectionModel().getSelectedIndex())];
        model.hold(table.get(), column.getSelectionModel().getSelectedIndex(), what, this::fill);
    }

    private void fill(Outcome outcome) {
        grid.getChildren().clear();
        grid.addRow(0, head("table.sample"), head("table.theirs"), head("table.is-ours"), head("table.difference"));
        int at = 1;
        for (Row row : outcome.rows()) {
            grid.addRow(
                    at,
                    new Label(row.sample()),
                    figure(row.theirs()),
                    figure(row.ours().orElse(Double.NaN)),
                    figure(row.difference()));
            at++;
        }
        verdict.setText(verdict(outcome));
    }

    private static Label head(String key) {
        Label head = new Label(Texts.of(key));
        head.getStyleClass().add("hint");
        return head;
    }

    private static Label figure(double value) {
        return Pieces.figure("", Figures.number(value));
    }

    private static String verdict(Outcome outcome) {
        StringBuilder text = new StringBuilder();
        if (outcome.rows().isEmpty()) {
            return Texts.of("table.none");
        }
        text.append(Texts.of("table.left", Figures.number(outcome.left())));
        if (!outcome.unknown().isEmpty()) {
            text.append('\n').append(Texts.of("table.unknown", String.join(", ", outcome.unknown())));
        }
        List<Tried> nearer = outcome.tried().stream()
                .filter(t -> t.left() < outcome.left())
                .limit(MOST_TRIED)
                .toList();
        for (Tried one : nearer) {
            text.append('\n').append(Texts.of("table.nearer", one.told(), Figures.number(one.left())));
        }
        if (nearer.isEmpty() && outcome.left() > 0) {
            text.append('\n').append(Texts.of("table.no-nearer", outcome.tried().size()));
        }
        return text.toString();
    }
}
