package keentally.desk.tally;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import keentally.core.agree.Agreement;
import keentally.core.hand.TallyClass;
import keentally.core.quantity.Amounts;
import keentally.core.quantity.Length;
import keentally.core.words.Figures;
import keentally.desk.help.Why;
import keentally.desk.look.AmountField;
import keentally.desk.look.KindSteps;
import keentally.desk.look.Pieces;
import keentally.desk.look.PlotImages;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.look.Typed;
import keentally.study.plot.DifferencePlot;

/** How the count agrees with the objects or with another counter, in numbers, and every disagreement to be gone to. */
final class AgreementSection extends VBox {
    private final TallyModel tally;
    private final AgreementModel model;
    private final ComboBox<String> against = new ComboBox<>();
    private final ComboBox<String> of = new ComboBox<>();
    private final TextField within = AmountField.withUnit("10 px");
    private final Label numbers = Prose.of("", "figure-line");
    private final Label rule = Prose.of("", "hint");
    private final Label classes = Prose.of("", "figure-line");
    private final KindSteps<AgreementModel.Kind> steps;
    private boolean filling;

    /** @param saving asks for a file's name and writes a plot into it */
    AgreementSection(TallyModel tally, AgreementModel model, Consumer<DifferencePlot> saving) {
        this.tally = tally;
        this.model = model;
        getStyleClass().addAll("section", "agreement");
        setId("agreement");
        setSpacing(8);
        against.setId("agreement-against");
        against.setAccessibleText(Texts.of("name.agreement-against"));
        against.setMaxWidth(Double.MAX_VALUE);
        against.setOnAction(e -> take());
        HBox.setHgrow(against, Priority.ALWAYS);
        of.setId("agreement-of");
        of.setAccessibleText(Texts.of("name.agreement-of"));
        of.setMaxWidth(Double.MAX_VALUE);
        of.setOnAction(e -> takeClass());
        HBox.setHgrow(of, Priority.ALWAYS);
        within.setId("agreement-within");
        within.setAccessibleText(Texts.of("name.agreement-within"));
        within.setPrefWidth(84);
        Typed.in(within, this::reach);
        numbers.setId("agreement-numbers");
        Why.ask(numbers, () -> model.outcome().get().map(o -> new TallyWhy(tally).agreement(told(o))));
        classes.setId("agreement-classes");
        this.steps = new KindSteps<>("agreement", AgreementModel.Kind.values(), model.kind(), model::step);
        HBox with = new HBox(8, Pieces.name("agreement.with"), against);
        with.getStyleClass().add("row");
        HBox which = new HBox(8, Pieces.name("agreement.of"), of);
        which.getStyleClass().add("row");
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        HBox near = new HBox(8, Pieces.name("agreement.within"), gap, within);
        near.getStyleClass().add("row");
        HBox sort = new HBox(
                6,
                Pieces.button("agreement-sort", "agreement.sort", model::sortObjects),
                Pieces.button("agreement-sort-selected", "agreement.sort.selected", model::sortSelected));
        sort.getStyleClass().add("row");
        sort.visibleProperty().bind(model.against().map(Optional::isEmpty));
        sort.managedProperty().bind(sort.visibleProperty());
        getChildren()
                .addAll(
                        Pieces.head("agreement.head"),
                        which,
                        with,
                        near,
                        numbers,
                        steps,
                        sort,
                        classes,
                        rule,
                        Pieces.button(
                                "agreement-over-all",
                                "agreement.over-all",
                                () -> model.overAll(
                                        PlotImages.look(PlotImages.isDark(getScene())),
                                        (plot, picture) -> DifferencesDialog.show(getScene(), plot, picture, saving))));
        model.outcome().addListener(o -> fill());
        model.kind().addListener(o -> fill());
        model.at().addListener(o -> fill());
        tally.desk().study().addListener(o -> choices());
        tally.desk().sampleId().addListener(o -> choices());
        tally.counter().addListener(o -> choices());
        choices();
        fill();
    }

    private void choices() {
        filling = true;
        List<String> all = new ArrayList<>(List.of(Texts.of("agreement.objects")));
        tally.others().forEach(c -> all.add(Texts.of("agreement.counter", c)));
        int chosen =
                model.against().get().map(a -> tally.others().indexOf(a) + 1).orElse(0);
        against.getItems().setAll(all);
        against.getSelectionModel().select(Math.max(0, chosen));
        List<String> kinds = new ArrayList<>(List.of(Texts.of("agreement.all")));
        tally.classes().forEach(c -> kinds.add(c.name()));
        int kind = model.of()
                .get()
                .map(id -> tally.classes().stream().map(TallyClass::id).toList().indexOf(id) + 1)
                .orElse(0);
        of.getItems().setAll(kinds);
        of.getSelectionModel().select(kind);
        filling = false;
        take();
        takeClass();
    }

    private void takeClass() {
        if (filling) {
            return;
        }
        int chosen = of.getSelectionModel().getSelectedIndex();
        List<TallyClass> all = tally.classes();
        model.of()
                .set(
                        chosen >= 1 && chosen <= all.size()
                                ? Optional.of(all.get(chosen - 1).id())
                                : Optional.empty());
    }

    private void take() {
        if (filling) {
            return;
        }
        int chosen = against.getSelectionModel().getSelectedIndex();
        List<String> others = tally.others();
        model.against()
                .set(chosen >= 1 && chosen <= others.size() ? Optional.of(others.get(chosen - 1)) : Optional.empty());
    }

    private void reach() {
        String typed = within.getText().strip();
        try {
            model.within().set(Length.of(Amounts.typed(typed)));
            return;
        } catch (IllegalArgumentException notALength) {
            // said below
        }
        tally.desk().say(Texts.of("agreement.within.wrong", typed));
    }

    private void fill() {
        Optional<AgreementModel.Outcome> now = model.outcome().get();
        steps.fill(
                kind -> now.map(o -> o.places().get(kind).size()).orElse(0),
                model.at().get());
        numbers.setText(now.map(AgreementSection::told).orElseGet(() -> Texts.of(nothing())));
        classes.setText(now.map(this::classes).orElse(""));
        classes.setManaged(!classes.getText().isEmpty());
        rule.setText(Texts.of(model.against().get().isPresent() ? "agreement.rule.counter" : "agreement.rule"));
    }

    /** Why nothing can be held together. */
    private String nothing() {
        boolean real = model.within().get().unit().isReal();
        return real && tally.desk().scale().isEmpty() ? "agreement.no-scale" : "agreement.none";
    }

    private static String told(AgreementModel.Outcome outcome) {
        Agreement a = outcome.agreement();
        return Texts.of(
                "agreement.numbers",
                Figures.number(a.matched()),
                Figures.number(a.first()),
                Figures.number(a.second()),
                share(a.precision()),
                share(a.recall()),
                share(a.f1()),
                (a.difference() > 0 ? "+" : "") + Figures.number(a.difference()),
                Figures.fixed(a.margin(), 1));
    }

    private static String share(double value) {
        return Double.isNaN(value) ? Figures.number(value) : Figures.fixed(value, 3);
    }

    /** Only what became something else is told; the rest is right. */
    private String classes(AgreementModel.Outcome outcome) {
        Map<String, String> names =
                tally.classes().stream().collect(Collectors.toMap(TallyClass::id, TallyClass::name));
        List<String> lines = new ArrayList<>();
        outcome.classes()
                .forEach((mine, became) -> became.forEach((theirs, n) -> {
                    if (!theirs.equals(mine)) {
                        lines.add(Texts.of(
                                "agreement.became",
                                names.getOrDefault(mine, mine),
                                names.getOrDefault(theirs, theirs),
                                Figures.number(n)));
                    }
                }));
        return String.join("\n", lines);
    }
}
