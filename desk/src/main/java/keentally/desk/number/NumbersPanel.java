package keentally.desk.number;

import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.TreeSet;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import keentally.core.measure.SampleNumber;
import keentally.core.measure.SampleTerm;
import keentally.core.quantity.Amounts;
import keentally.desk.look.Pieces;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.look.Typed;
import keentally.desk.model.DeskModel;
import keentally.desk.model.SampleActions;
import keentally.study.document.Thing.SampleThing;

/** What the sample on the stage comes to, and the numbers that have to be typed for it. */
public final class NumbersPanel extends VBox {
    private final DeskModel desk;
    private final SampleActions actions;
    private final VBox typed = new VBox(6);

    public NumbersPanel(DeskModel desk, SampleActions actions) {
        super(12);
        this.desk = desk;
        this.actions = actions;
        setId("numbers-panel");
        Label none = Prose.of(Texts.of("numbers.none"), "hint");
        none.managedProperty().bind(none.visibleProperty());
        none.setVisible(desk.method().numbers().isEmpty());
        getChildren().addAll(none, NumbersList.full(desk), typed);
        refresh();
    }

    /** The fields of what formulas name, and of what was typed before. */
    public void refresh() {
        typed.getChildren().clear();
        SortedMap<String, Double> known =
                desk.sample().map(SampleThing::numbers).orElseGet(TreeMap::new);
        TreeSet<String> names = new TreeSet<>(known.keySet());
        for (SampleNumber number : desk.method().numbers()) {
            number.terms().stream()
                    .filter(t -> t.quantity() == SampleTerm.Quantity.TYPED)
                    .forEach(t -> names.add(t.of()));
        }
        if (desk.sample().isEmpty() || names.isEmpty()) {
            return;
        }
        typed.getChildren().add(Pieces.head("numbers.typed"));
        names.forEach(name -> typed.getChildren().add(row(name, known)));
    }

    private HBox row(String name, Map<String, Double> known) {
        TextField field = new TextField(known.containsKey(name) ? Amounts.shown(known.get(name)) : "");
        field.setId("typed-" + name);
        field.setAccessibleText(name);
        field.setPrefColumnCount(8);
        field.setPromptText(Texts.of("numbers.typed.prompt"));
        Typed.in(field, () -> take(name, field));
        Label label = new Label(name);
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        HBox row = new HBox(8, label, gap, field);
        row.getStyleClass().add("row");
        return row;
    }

    /** An emptied field takes the number away. */
    private void take(String name, TextField field) {
        if (desk.sample().isEmpty()) {
            return;
        }
        SortedMap<String, Double> known = desk.sample().orElseThrow().numbers();
        SortedMap<String, Double> next = new TreeMap<>(known);
        String text = field.getText().strip();
        try {
            if (text.isEmpty()) {
                next.remove(name);
            } else {
                SampleNumber.checkTyped(name);
                next.put(name, number(text));
            }
        } catch (IllegalArgumentException e) {
            desk.say(Texts.fault(e) + ".");
            return;
        }
        if (!next.equals(known)) {
            actions.type(desk.sampleId().get(), name, next);
        }
    }

    private static double number(String text) {
        try {
            double value = Amounts.number(text);
            if (Double.isFinite(value)) {
                return value;
            }
        } catch (NumberFormatException e) {
            // said below
        }
        throw new IllegalArgumentException(Texts.of("numbers.typed.wrong", text));
    }
}
