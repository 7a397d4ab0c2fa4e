package keentally.desk.number;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import keentally.core.measure.SampleNumber;
import keentally.core.method.Method;
import keentally.core.words.Figures;
import keentally.core.words.Words;
import keentally.desk.help.Topic;
import keentally.desk.help.Why;
import keentally.desk.look.Glyph;
import keentally.desk.look.Pieces;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.look.Tip;
import keentally.desk.model.DeskModel;
import keentally.study.run.SampleRecord;
import keentally.study.run.SampleRecord.OwnNumber;

/** The numbers of the sample on the stage: each with its formula or why it is empty and ways to change it, or in a line each. */
public final class NumbersList extends VBox {
    private final DeskModel desk;
    private final boolean brief;

    private NumbersList(DeskModel desk, boolean brief) {
        super(brief ? 2 : 8);
        this.desk = desk;
        this.brief = brief;
        setId(brief ? "numbers-brief" : "numbers-list");
        Pieces.whileSeen(this, desk.shown()).subscribe(shown -> refresh());
        Pieces.whileSeen(this, desk.study()).subscribe(study -> refresh());
    }

    /** With formulas, and ways to change them and to add one. */
    public static NumbersList full(DeskModel desk) {
        return new NumbersList(desk, false);
    }

    /** A line each; nothing where there is none. */
    public static NumbersList brief(DeskModel desk) {
        return new NumbersList(desk, true);
    }

    /** What a number came to in the last run, as it is shown with its unit; empty where it is none. */
    public static Optional<String> told(DeskModel desk, SampleNumber number) {
        OptionalDouble value =
                found(desk, number).map(n -> n.told(desk.pixelSize())).orElse(OptionalDouble.empty());
        String unit = number.unitSymbol(desk.unit());
        return value.isEmpty()
                ? Optional.empty()
                : Optional.of(Figures.number(value.getAsDouble()) + (unit.isEmpty() ? "" : " " + unit));
    }

    private static Optional<OwnNumber> found(DeskModel desk, SampleNumber number) {
        List<OwnNumber> own = desk.shown()
                .get()
                .flatMap(s -> s.record().numbers())
                .map(SampleRecord.Numbers::own)
                .orElse(List.of());
        return own.stream()
                .filter(n -> n.name().equals(number.name()) && n.formula().equals(number.formula()))
                .findFirst();
    }

    private void refresh() {
        getChildren().clear();
        for (SampleNumber number : desk.method().numbers()) {
            getChildren().add(brief ? line(number) : row(number));
        }
        if (!brief) {
            getChildren().add(Pieces.button("add-number", "numbers.add", () -> NumberDialog.add(getScene(), desk)));
        }
    }

    /** A formula over what there is of the sample. */
    private static Optional<Topic> why(DeskModel desk, SampleNumber number) {
        Method method = desk.method();
        int index = method.numbers().indexOf(number);
        String unit = number.unitSymbol(desk.unit());
        Topic.Reading reading = (run, trials, sample, cancel) -> {
            double value = trials.numbers(run, sample, cancel).get(index);
            return Double.isNaN(value) ? OptionalDouble.empty() : OptionalDouble.of(value);
        };
        return told(desk, number)
                .map(told -> new Topic.OfNumber(
                        number.name(),
                        told,
                        List.of(Texts.of("why.formula", number.formula())),
                        Topic.Whose.shown(desk),
                        "",
                        Optional.of(new Topic.Again(reading, v -> (Figures.number(v) + " " + unit).strip()))));
    }

    private HBox line(SampleNumber number) {
        Label name = new Label(number.name());
        Tip.on(name, number.toString());
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        HBox line = new HBox(
                8,
                name,
                gap,
                Pieces.figure("brief-" + number.name(), told(desk, number).orElse("\u2013")));
        Why.from(line, () -> why(desk, number));
        return line;
    }

    private VBox row(SampleNumber number) {
        Optional<String> value = told(desk, number);
        Label name = new Label(number.name());
        name.getStyleClass().add("number-name");
        Label figure = Pieces.figure("number-" + number.name(), value.orElse("\u2013"));
        figure.getStyleClass().add("number-value");
        figure.setMinWidth(Region.USE_PREF_SIZE);
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        Button change = Glyph.CHANGE.button(
                "change-number-" + number.name(),
                Texts.of("numbers.change", number.name()),
                () -> NumberDialog.change(getScene(), desk, number));
        HBox head = new HBox(8, name, gap, figure, change);
        head.getStyleClass().add("row");
        VBox row = new VBox(2, head, Prose.of("= " + number.formula(), "hint"));
        Why.from(row, () -> why(desk, number));
        found(desk, number)
                .filter(n -> value.isEmpty())
                .ifPresent(n -> row.getChildren()
                        .add(Prose.of(
                                Texts.of(
                                        "numbers.empty",
                                        n.why().map(Words::spoken).orElse(Texts.of("numbers.no-scale"))),
                                "caution-line")));
        boolean beyond = desk.shown().get().stream()
                .flatMap(s -> s.cautions().stream())
                .anyMatch(c -> c.id().equals("out-of-limits") && c.saw().contains("“" + number.name() + "”"));
        if (beyond) {
            row.getChildren().add(Prose.of(Texts.of("numbers.beyond", limits(number)), "caution-line"));
        }
        Tip.on(name, number.toString());
        return row;
    }

    private String limits(SampleNumber number) {
        String least = number.limits().atLeast().isPresent()
                ? Figures.number(number.limits().atLeast().getAsDouble())
                : "\u2013";
        String most = number.limits().atMost().isPresent()
                ? Figures.number(number.limits().atMost().getAsDouble())
                : "\u2013";
        return Texts.of("numbers.limits", least, most, number.unitSymbol(desk.unit()));
    }
}
