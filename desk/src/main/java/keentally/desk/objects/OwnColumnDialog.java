package keentally.desk.objects;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.VBox;
import keentally.core.measure.Formula;
import keentally.core.measure.OwnColumn;
import keentally.desk.look.Ask;
import keentally.desk.look.Pieces;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;

/** A column of a person's own: its name and its formula, checked while it is typed. An emptied formula takes the column away. */
final class OwnColumnDialog {
    private final DeskModel desk;
    private final Optional<OwnColumn> before;
    private final TextField name = field("own-name");
    private final TextField formula = field("own-formula");
    private final Label says = Prose.of("", "hint");

    private OwnColumnDialog(DeskModel desk, Optional<OwnColumn> before) {
        this.desk = desk;
        this.before = before;
        before.ifPresent(b -> {
            name.setText(b.name());
            formula.setText(b.formula().toString());
        });
        says.setId("own-says");
        name.textProperty().addListener(o -> check());
        formula.textProperty().addListener(o -> check());
        check();
    }

    static void add(Scene owner, DeskModel desk) {
        new OwnColumnDialog(desk, Optional.empty()).ask(owner);
    }

    static void change(Scene owner, DeskModel desk, OwnColumn column) {
        new OwnColumnDialog(desk, Optional.of(column)).ask(owner);
    }

    private static TextField field(String id) {
        TextField field = new TextField();
        field.setId(id);
        field.setPrefColumnCount(30);
        return field;
    }

    private void ask(Scene owner) {
        name.setPromptText(Texts.of("own.name.prompt"));
        formula.setPromptText(Texts.of("own.formula.prompt"));
        GridPane grid = new GridPane();
        grid.getStyleClass().add("label-grid");
        grid.addRow(0, Pieces.name("own.name"), name);
        grid.addRow(1, Pieces.name("own.formula"), formula);
        VBox all = new VBox(8, grid, says, Prose.of(Texts.of("own.help"), "hint"));
        all.setPrefWidth(460);
        Platform.runLater(before.isPresent() ? formula::requestFocus : name::requestFocus);
        Ask.until(owner, Texts.of("own.title"), all, Texts.of("own.yes"), this::take);
    }

    private boolean isRemoval() {
        return before.isPresent() && formula.getText().isBlank();
    }

    private OwnColumn column() {
        return new OwnColumn(name.getText().strip(), Formula.of(formula.getText()));
    }

    private void check() {
        if (isRemoval()) {
            says.setText(Texts.of("own.removes"));
            return;
        }
        try {
            String unit = column().unitSymbol(desk.unit());
            says.setText(unit.isEmpty() ? Texts.of("own.plain") : Texts.of("own.unit", unit));
        } catch (IllegalArgumentException e) {
            boolean begun = !name.getText().isBlank() && !formula.getText().isBlank();
            says.setText(begun ? Texts.complaint(e.getMessage()) : "");
        }
    }

    private void take() {
        List<OwnColumn> next = new ArrayList<>(desk.method().own());
        Optional<OwnColumn> made = isRemoval() ? Optional.empty() : Optional.of(column());
        int at = before.map(next::indexOf).orElse(next.size());
        if (before.isPresent()) {
            next.remove(at);
        }
        made.ifPresent(c -> next.add(at, c));
        if (next.stream().map(OwnColumn::name).distinct().count() < next.size()) {
            throw new IllegalArgumentException(
                    Texts.of("own.twice", name.getText().strip()));
        }
        desk.change(Texts.of("action.columns"), m -> m.withOwn(next));
    }
}
