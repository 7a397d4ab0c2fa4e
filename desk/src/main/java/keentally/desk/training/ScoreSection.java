package keentally.desk.training;

import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.stream.IntStream;
import javafx.geometry.HPos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.TitledPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import keentally.core.classify.Confusion;
import keentally.core.classify.FeatureSet;
import keentally.core.classify.HeldOut.Importance;
import keentally.core.classify.Scores;
import keentally.core.colour.Rgb;
import keentally.core.words.Figures;
import keentally.desk.help.Why;
import keentally.desk.look.Pieces;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.look.Tip;
import keentally.desk.model.DeskFiles;

/** Scores that can be believed: of what was held out, class by class; behind them which class became which, and what each group of features is for. */
final class ScoreSection extends VBox {
    private static final double BAR = 96;
    private static final int MOST_FEATURES = 12;

    private final TrainingModel model;
    private final ScoreWhy why;
    private final GridPane table = new GridPane();
    private final GridPane confusion = new GridPane();
    private final GridPane importance = new GridPane();
    private final VBox each = new VBox(6);
    private final Label note = Prose.of("", "hint");
    private final VBox all = new VBox(6);
    private Optional<Scores> shown = Optional.empty();

    ScoreSection(TrainingModel model, Consumer<DeskFiles.FileWriting> save) {
        this.model = model;
        this.why = new ScoreWhy(model);
        table.setId("training-scores");
        confusion.setId("training-confusion");
        importance.setId("training-importance");
        note.setId("training-score-note");
        for (GridPane grid : List.of(table, confusion, importance)) {
            grid.getStyleClass().add("training-grid");
            grid.setHgap(9);
            grid.setVgap(4);
        }
        TitledPane which = PlanSection.folded("training-which", "training.confusion", new VBox(confusion));
        TitledPane by = PlanSection.folded("training-by", "training.importance", new VBox(6, importance, each));
        all.getChildren()
                .addAll(
                        Pieces.head("training.scores"),
                        table,
                        note,
                        which,
                        by,
                        Pieces.button(
                                "training-save-scores",
                                "training.save-scores",
                                () -> model.scoreFiles().ifPresent(save)));
        TrainingPane.shown(all, false);
        getChildren().add(all);
    }

    void fill() {
        Optional<Scores> now = model.news().get().learned().flatMap(Learned::scores);
        TrainingPane.shown(all, now.isPresent());
        if (now.isPresent() && !now.equals(shown)) {
            fill(now.get());
        }
        shown = now;
    }

    private void fill(Scores scores) {
        table.getChildren().clear();
        Confusion counts = scores.confusion();
        table.addRow(
                0,
                small("training.score.class"),
                small("training.score.painted"),
                small("training.score.precision"),
                small("training.score.recall"),
                small("training.score.f1"),
                small("training.score.overlap"));
        for (int c = 0; c < scores.classes().size(); c++) {
            String id = "training-score-" + (c + 1);
            HBox name = new HBox(
                    6,
                    swatch(scores.classes().get(c).colour()),
                    new Label(scores.classes().get(c).name()));
            GridPane.setHgrow(name, Priority.ALWAYS);
            name.setMinWidth(0);
            table.addRow(
                    c + 1,
                    name,
                    Pieces.figure(
                            id + "-painted", Figures.number(scores.painted().get(c))),
                    score("precision", scores, c, counts.precision(c)),
                    score("recall", scores, c, counts.recall(c)),
                    score("f1", scores, c, counts.f1(c)),
                    score("overlap", scores, c, counts.overlap(c)));
        }
        note.setText(told(scores));
        fillConfusion(scores);
        fillImportance(scores);
    }

    /** @param what of the scores: a part of its text's key */
    private Label score(String what, Scores scores, int of, double part) {
        Label figure = right("training-score-" + (of + 1) + "-" + what, percent(part));
        String key = "training.score." + what;
        String name = scores.classes().get(of).name();
        if (Double.isFinite(part)) {
            Why.ask(figure, () -> why.of(key, key + ".help", name, figure.getText() + " %"));
        }
        return figure;
    }

    private static Label right(String id, String text) {
        Label figure = Pieces.figure(id, text);
        GridPane.setHalignment(figure, HPos.RIGHT);
        return figure;
    }

    /** In per cent points, to a tenth; nothing is no less than nothing. */
    private static String points(Importance of) {
        return Figures.fixed(Math.rint(1000 * of.lost()) / 10 + 0.0, 1);
    }

    /** In per cent; a dash where nothing was held out. */
    private static String percent(double part) {
        return Double.isFinite(part) ? Figures.percent(100 * part) : "\u2013";
    }

    private static String told(Scores scores) {
        List<String> unscored = IntStream.range(0, scores.classes().size())
                .filter(c -> scores.confusion().examples(c) == 0)
                .mapToObj(c -> scores.classes().get(c).name())
                .toList();
        String said = Texts.of("training.score.note");
        if (!unscored.isEmpty()) {
            said += " " + Texts.of("training.score.once", String.join(", ", unscored));
        }
        if (scores.rounds() < scores.wanted()) {
            said += " "
                    + Texts.of("training.score.cut", String.valueOf(scores.rounds()), String.valueOf(scores.wanted()));
        }
        return said;
    }

    private static Label small(String key) {
        Label label = new Label(Texts.of(key));
        label.getStyleClass().add("score-head");
        GridPane.setHalignment(label, key.endsWith(".class") || key.endsWith(".is") ? HPos.LEFT : HPos.RIGHT);
        Tip.on(label, Texts.of(key + ".help"));
        return label;
    }

    private static Node swatch(Rgb colour) {
        Region swatch = new Region();
        swatch.getStyleClass().add("swatch");
        swatch.setStyle("-fx-background-color: " + colour);
        return swatch;
    }

    private void fillConfusion(Scores scores) {
        confusion.getChildren().clear();
        confusion.add(small("training.confusion.is"), 0, 0);
        for (int c = 0; c < scores.classes().size(); c++) {
            Node called = swatch(scores.classes().get(c).colour());
            Tip.on(
                    called,
                    Texts.of(
                            "training.confusion.called", scores.classes().get(c).name()));
            confusion.add(called, c + 1, 0);
            HBox is = new HBox(
                    6,
                    swatch(scores.classes().get(c).colour()),
                    new Label(scores.classes().get(c).name()));
            confusion.add(is, 0, c + 1);
            for (int k = 0; k < scores.classes().size(); k++) {
                Label figure = right(
                        "training-confusion-" + (c + 1) + "-" + (k + 1),
                        Figures.number(scores.confusion().counts()[c][k]));
                String pair = scores.classes().get(c).name() + " \u2192 "
                        + scores.classes().get(k).name();
                Why.ask(
                        figure,
                        () -> why.of(
                                "training.confusion", "training.confusion.is.help", pair, figure.getText() + " px"));
                confusion.add(figure, k + 1, c + 1);
            }
        }
    }

    private void fillImportance(Scores scores) {
        importance.getChildren().clear();
        double most =
                scores.byGroup().stream().mapToDouble(Importance::lost).max().orElse(0);
        for (int i = 0; i < scores.byGroup().size(); i++) {
            Importance one = scores.byGroup().get(i);
            Region bar = new Region();
            GridPane.setHgrow(bar, Priority.ALWAYS);
            bar.getStyleClass().add("importance-bar");
            bar.setMinWidth(most > 0 && one.lost() > 0 ? Math.max(1, BAR * one.lost() / most) : 0);
            bar.setMaxWidth(bar.getMinWidth());
            String features = Texts.of("training.features." + one.name());
            Label lost = right("training-lost-" + one.name(), points(one));
            Why.ask(
                    lost,
                    () -> why.of(
                            "training.importance",
                            "training.importance.note",
                            features,
                            Texts.of("why.score.points", lost.getText())));
            importance.addRow(i, new Label(features), bar, lost);
        }
        each.getChildren()
                .setAll(
                        Prose.of(Texts.of("training.importance.note"), "hint"),
                        Pieces.button(
                                "training-each",
                                "training.importance.each",
                                () -> model.eachFeature(scores, f -> showEach(scores.set(), f))));
    }

    /** A feature for people: its group, its channel where there are several, its width, and which of several it is. */
    private String called(FeatureSet set, String id) {
        return set.features().stream()
                .filter(f -> f.toString().equals(id))
                .findFirst()
                .map(f -> {
                    StringBuilder told = new StringBuilder(
                            Texts.of("training.features." + f.group().id()));
                    if (set.colour()) {
                        told.append(" \u00b7 ").append(List.of("L*", "a*", "b*").get(f.channel()));
                    }
                    if (f.width() > 0) {
                        told.append(" \u00b7 ")
                                .append(Figures.length(
                                        f.width() * set.stretch(), model.desk().pixelSize()));
                    }
                    return told.append(Texts.find("training.which." + f.group().id() + "." + f.which())
                                    .map(w -> " \u00b7 " + w)
                                    .orElse(""))
                            .toString();
                })
                .orElse(id);
    }

    private void showEach(FeatureSet set, List<Importance> features) {
        GridPane grid = new GridPane();
        grid.setId("training-each-list");
        grid.getStyleClass().add("training-grid");
        grid.setHgap(9);
        grid.setVgap(2);
        for (int i = 0; i < Math.min(MOST_FEATURES, features.size()); i++) {
            Label name = new Label(called(set, features.get(i).name()));
            GridPane.setHgrow(name, Priority.ALWAYS);
            grid.addRow(i, name, right("training-each-" + i, points(features.get(i))));
        }
        each.getChildren().set(1, grid);
    }
}
