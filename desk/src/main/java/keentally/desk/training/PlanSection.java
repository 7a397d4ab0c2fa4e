package keentally.desk.training;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.function.Function;
import javafx.geometry.Pos;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.TitledPane;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import keentally.core.classify.FeatureGroup;
import keentally.core.classify.FeatureSet;
import keentally.core.classify.ForestPlan;
import keentally.core.classify.LearnerPlan;
import keentally.core.classify.LinearPlan;
import keentally.core.classify.TrainingPlan;
import keentally.core.quantity.Amounts;
import keentally.core.quantity.Length;
import keentally.core.words.Figures;
import keentally.desk.look.AmountField;
import keentally.desk.look.Pieces;
import keentally.desk.look.Texts;
import keentally.desk.look.Tip;
import keentally.desk.look.Typed;
import keentally.desk.model.TrainingActions;

/** How it learns: the learner with its numbers, from how many examples, in how much time, and the features, each group with what it costs. */
final class PlanSection extends VBox {
    private final TrainingModel model;
    private final ToggleButton forest = learner("forest", ForestPlan.USUAL);
    private final ToggleButton linear = learner("linear", LinearPlan.USUAL);
    private final GridPane numbers = new GridPane();
    private final Map<FeatureGroup, CheckBox> groups = new EnumMap<>(FeatureGroup.class);
    private final TextField widest = AmountField.withUnit("");
    private final Typed typedWidest = Typed.in(widest, this::takeWidest);

    PlanSection(TrainingModel model) {
        super(8);
        this.model = model;
        numbers.setHgap(8);
        numbers.setVgap(6);
        HBox learners = new HBox(forest, linear);
        learners.getStyleClass().add("choices");
        GridPane features = new GridPane();
        features.getStyleClass().add("training-grid");
        features.setHgap(8);
        features.setVgap(4);
        for (FeatureGroup group : FeatureGroup.values()) {
            CheckBox box = new CheckBox(Texts.of("training.features." + group.id()));
            box.setId("training-features-" + group.id());
            Tip.on(box, Texts.of("training.features." + group.id() + ".help"));
            box.setOnAction(e -> takeGroups(group));
            GridPane.setHgrow(box, Priority.ALWAYS);
            Label cost = Pieces.figure("training-cost-" + group.id(), "");
            model.costs().seconds().addListener(o -> cost.setText(model.costs().told(group)));
            features.addRow(group.ordinal(), box, cost);
            groups.put(group, box);
        }
        widest.setId("training-widest");
        widest.setPrefWidth(96);
        widest.setAlignment(Pos.CENTER_RIGHT);
        HBox looks = new HBox(8, Pieces.name("training.widest"), widest);
        looks.getStyleClass().add("setting-row");
        widest.setAccessibleText(Texts.of("training.widest"));
        Tip.on(widest, Texts.of("training.widest.help"));
        VBox more = new VBox(8, learners, numbers);
        TitledPane how = folded("training-how", "training.how", more);
        TitledPane by = folded("training-features", "training.features", new VBox(8, features, looks));
        getChildren().addAll(how, by);
    }

    static TitledPane folded(String id, String key, VBox content) {
        TitledPane folded = new TitledPane(Texts.of(key), content);
        folded.setId(id);
        folded.setExpanded(false);
        folded.setAnimated(false);
        folded.getStyleClass().add("more-settings");
        return folded;
    }

    private ToggleButton learner(String word, LearnerPlan usual) {
        ToggleButton button = new ToggleButton(Texts.of("training.learner." + word));
        button.setId("training-learner-" + word);
        Tip.on(button, Texts.of("training.learner." + word + ".help"));
        button.setOnAction(e -> {
            button.setSelected(true);
            TrainingPlan plan = plan();
            if (!plan.learner().getClass().equals(usual.getClass())) {
                keep("training.learner", plan.by(usual));
            }
        });
        return button;
    }

    private TrainingPlan plan() {
        return model.of().get().map(TrainingActions::plan).orElse(TrainingPlan.USUAL);
    }

    private void keep(String key, TrainingPlan plan) {
        model.of().get().ifPresent(a -> a.plan(TrainingActions.title(key), plan));
    }

    void fill() {
        TrainingPlan plan = plan();
        forest.setSelected(plan.learner() instanceof ForestPlan);
        linear.setSelected(plan.learner() instanceof LinearPlan);
        groups.forEach((group, box) -> box.setSelected(plan.groups().contains(group)));
        typedWidest.show(
                Figures.length(plan.features(false).widest(), model.desk().pixelSize()));
        numbers.getChildren().clear();
        switch (plan.learner()) {
            case ForestPlan f -> {
                number("trees", String.valueOf(f.trees()), n -> plan().by(forest().of(whole(n))));
                number(
                        "depth",
                        String.valueOf(f.depth()),
                        n -> plan().by(new ForestPlan(
                                forest().trees(), whole(n), forest().leastLeaf(), forest().seed())));
                number(
                        "leaf",
                        String.valueOf(f.leastLeaf()),
                        n -> plan().by(new ForestPlan(forest().trees(), forest().depth(), whole(n), forest().seed())));
                number(
                        "seed",
                        String.valueOf(f.seed()),
                        n -> plan().by(new ForestPlan(
                                forest().trees(), forest().depth(), forest().leastLeaf(), whole(n))));
            }
            case LinearPlan l -> {
                number("cost", Figures.number(l.cost()), n -> plan().by(new LinearPlan(n, linear().rounds())));
                number("rounds", String.valueOf(l.rounds()), n -> plan().by(new LinearPlan(linear().cost(), whole(n))));
            }
        }
        number("examples", String.valueOf(plan.examples()), n -> plan().from(whole(n)));
        String seconds =
                plan.seconds().isPresent() ? String.valueOf(plan.seconds().getAsInt()) : "";
        TextField budget = number("seconds", seconds, n -> plan().within(OptionalInt.of(whole(n))));
        budget.setPromptText(Texts.of("training.seconds.none"));
    }

    private ForestPlan forest() {
        return plan().learner() instanceof ForestPlan f ? f : ForestPlan.USUAL;
    }

    private LinearPlan linear() {
        return plan().learner() instanceof LinearPlan l ? l : LinearPlan.USUAL;
    }

    private static int whole(double n) {
        if (n != Math.rint(n) || Math.abs(n) > Integer.MAX_VALUE) {
            throw new IllegalArgumentException(Texts.of("training.whole", Figures.number(n)));
        }
        return (int) n;
    }

    /** A named number that is typed; an empty field means none where that means something. */
    private TextField number(String word, String now, Function<Double, TrainingPlan> with) {
        TextField field = AmountField.number(now);
        field.setId("training-" + word);
        field.setPrefWidth(96);
        field.setAlignment(Pos.CENTER_RIGHT);
        field.setAccessibleText(Texts.of("training." + word));
        Tip.on(field, Texts.of("training." + word + ".help"));
        Typed.in(field, () -> take(word, field, now, with));
        Label name = Pieces.name("training." + word);
        GridPane.setHgrow(name, Priority.ALWAYS);
        numbers.addRow(numbers.getRowCount(), name, field);
        return field;
    }

    private void take(String word, TextField field, String now, Function<Double, TrainingPlan> with) {
        String typed = field.getText().strip().replace(",", "");
        try {
            if (typed.isEmpty() && word.equals("seconds")) {
                keep("training.seconds", plan().within(OptionalInt.empty()));
                return;
            }
            keep("training." + word, with.apply(Double.valueOf(typed)));
        } catch (NumberFormatException e) {
            field.setText(now);
            model.desk().say(Texts.of("training.no-number", typed));
        } catch (IllegalArgumentException e) {
            field.setText(now);
            model.desk().say(Texts.complaint(e.getMessage()));
        }
    }

    private void takeGroups(FeatureGroup turned) {
        List<FeatureGroup> chosen = new ArrayList<>();
        groups.forEach((group, box) -> {
            if (box.isSelected()) {
                chosen.add(group);
            }
        });
        if (chosen.isEmpty()) {
            groups.get(turned).setSelected(true);
            model.desk().say(Texts.of("training.features.none"));
            return;
        }
        keep("training.features", plan().by(chosen));
    }

    private void takeWidest() {
        String typed = Amounts.typed(widest.getText());
        try {
            TrainingPlan plan = plan();
            String amount =
                    typed.matches("[0-9.]+") ? typed + " " + model.desk().unit().id() : typed;
            double px = Length.of(amount).px(model.desk().scale());
            double at = new FeatureSet(plan.groups(), false, 1).widest();
            if (at == 0) {
                model.desk().say(Texts.of("training.widest.value"));
            } else {
                TrainingPlan other = plan.stretched(px / at);
                other.features(false); // refuses what cannot be
                keep("training.widest", other);
            }
        } catch (IllegalArgumentException e) {
            model.desk().say(Texts.complaint(e.getMessage()));
        }
        typedWidest.show(
                Figures.length(plan().features(false).widest(), model.desk().pixelSize()));
    }
}
