package keentally.desk.number;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import keentally.core.measure.SampleNumber;
import keentally.core.measure.SampleNumber.Limits;
import keentally.core.method.Method;
import keentally.core.quantity.Amounts;
import keentally.core.run.PhaseReading;
import keentally.desk.look.Ask;
import keentally.desk.look.Pieces;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.study.run.SampleRun;

/**
 * A number of the sample: its name, its formula, checked while it is typed and with what can be named at hand, and what it is expected to
 * be. An emptied formula takes the number away.
 */
final class NumberDialog {
    private final DeskModel desk;
    private final Optional<SampleNumber> before;
    private final TextField name = field("number-name", 30);
    private final TextField formula = field("number-formula", 30);
    private final TextField atLeast = field("number-least", 8);
    private final TextField atMost = field("number-most", 8);
    private final Label says = Prose.of("", "hint");

    private NumberDialog(DeskModel desk, Optional<SampleNumber> before) {
        this.desk = desk;
        this.before = before;
        before.ifPresent(b -> {
            name.setText(b.name());
            formula.setText(b.formula());
            b.limits().atLeast().ifPresent(v -> atLeast.setText(Amounts.shown(v)));
            b.limits().atMost().ifPresent(v -> atMost.setText(Amounts.shown(v)));
        });
        says.setId("number-says");
        name.textProperty().addListener(o -> check());
        formula.textProperty().addListener(o -> check());
        check();
    }

    static void add(Scene owner, DeskModel desk) {
        new NumberDialog(desk, Optional.empty()).ask(owner);
    }

    static void change(Scene owner, DeskModel desk, SampleNumber number) {
        new NumberDialog(desk, Optional.of(number)).ask(owner);
    }

    private static TextField field(String id, int columns) {
        TextField field = new TextField();
        field.setId(id);
        field.setPrefColumnCount(columns);
        return field;
    }

    private void ask(Scene owner) {
        name.setPromptText(Texts.of("numbers.name.prompt"));
        formula.setPromptText(Texts.of("numbers.formula.prompt"));
        GridPane grid = new GridPane();
        grid.getStyleClass().add("label-grid");
        grid.addRow(0, Pieces.name("own.name"), name);
        grid.addRow(1, Pieces.name("own.formula"), formula);
        HBox between = new HBox(8, atLeast, new Label(Texts.of("numbers.to")), atMost);
        between.getStyleClass().add("row");
        grid.addRow(2, Pieces.name("numbers.expected"), between);
        VBox all = new VBox(8, grid, says, words(), Prose.of(Texts.of("numbers.help"), "hint"));
        all.setPrefWidth(520);
        Platform.runLater(before.isPresent() ? formula::requestFocus : name::requestFocus);
        Ask.until(owner, Texts.of("numbers.title"), all, Texts.of("own.yes"), this::take);
    }

    /** What this sample has, to be put into the formula by a click. */
    private FlowPane words() {
        FlowPane pane = new FlowPane(4, 4);
        for (String word : named()) {
            Button button = new Button(word);
            button.getStyleClass().add("word");
            button.setFocusTraversable(false);
            button.setOnAction(e -> {
                int at = formula.getCaretPosition();
                boolean apart =
                        at > 0 && !Character.isWhitespace(formula.getText().charAt(at - 1));
                formula.insertText(at, (apart ? " " : "") + word);
                formula.requestFocus();
                formula.positionCaret(at + word.length() + (apart ? 1 : 0));
            });
            pane.getChildren().add(button);
        }
        return pane;
    }

    private List<String> named() {
        List<String> words = new ArrayList<>();
        Optional<SampleRun> shown = desk.shown().get();
        if (shown.flatMap(SampleRun::objects).isPresent()) {
            words.addAll(List.of("count", "all-count", "kept-area", "kept-share"));
        }
        words.add("field-area");
        List<PhaseReading> phases =
                shown.flatMap(SampleRun::readings).map(r -> r.fractions()).orElse(List.of());
        phases.stream().limit(6).forEach(p -> words.add("area of " + quoted(p.name())));
        if (shown.flatMap(SampleRun::objects).isPresent()) {
            desk.method().columns().stream().limit(4).forEach(c -> words.add("mean of " + c.id()));
        }
        words.add("tag");
        return words;
    }

    /** A name as it can stand in a formula. */
    private static String quoted(String name) {
        return name.matches("[\\p{L}\\p{Nd}][\\p{L}\\p{Nd}-]*") && !name.equals("all") ? name : "\"" + name + "\"";
    }

    private boolean isRemoval() {
        return before.isPresent() && formula.getText().isBlank();
    }

    private SampleNumber number() {
        Limits limits = new Limits(limit(atLeast), limit(atMost));
        return SampleNumber.of(
                name.getText().strip(), formula.getText(), desk.method().own(), limits);
    }

    private static OptionalDouble limit(TextField field) {
        String text = field.getText().strip();
        if (text.isEmpty()) {
            return OptionalDouble.empty();
        }
        try {
            return OptionalDouble.of(Amounts.number(text));
        } catch (NumberFormatException e) {
            throw new IllegalArgumentException(Texts.of("numbers.typed.wrong", text), e);
        }
    }

    private void check() {
        if (isRemoval()) {
            says.setText(Texts.of("numbers.removes"));
            return;
        }
        try {
            String unit = number().unitSymbol(desk.unit());
            says.setText(unit.isEmpty() ? Texts.of("own.plain") : Texts.of("own.unit", unit));
        } catch (IllegalArgumentException e) {
            boolean begun = !name.getText().isBlank() && !formula.getText().isBlank();
            says.setText(begun ? Texts.complaint(e.getMessage()) : "");
        }
    }

    private void take() {
        List<SampleNumber> next = new ArrayList<>(desk.method().numbers());
        Optional<SampleNumber> made = isRemoval() ? Optional.empty() : Optional.of(number());
        int at = before.map(next::indexOf).orElse(next.size());
        if (before.isPresent()) {
            next.remove(at);
        }
        made.ifPresent(n -> next.add(at, n));
        if (next.stream().map(SampleNumber::name).distinct().count() < next.size()) {
            throw new IllegalArgumentException(
                    Texts.of("numbers.twice", name.getText().strip()));
        }
        String title = Texts.of("action.numbers");
        desk.change(title, (Method m) -> m.withNumbers(next));
    }
}
