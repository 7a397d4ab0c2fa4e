package keentally.desk.trial;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import javafx.collections.FXCollections;
import javafx.scene.Node;
import javafx.scene.chart.LineChart;
import javafx.scene.chart.NumberAxis;
import javafx.scene.chart.XYChart;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.util.StringConverter;
import keentally.core.trial.Axes;
import keentally.core.trial.Axis;
import keentally.core.words.Figures;
import keentally.core.words.Words;
import keentally.desk.look.Curve;
import keentally.desk.look.Glyph;
import keentally.desk.look.Pieces;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;

/** Beside the tiles: what is tried, what tiles are told by, a plot of the number, and what to do with the sheet. */
final class TrialPanel extends VBox {
    private final DeskModel desk;
    private final TrialModel model;
    private final Label title = Prose.of("", "station-title");
    private final ComboBox<Axis> first = new ComboBox<>();
    private final TextField firstText = new TextField();
    private final ComboBox<Axis> second = new ComboBox<>();
    private final TextField secondText = new TextField();
    private final ComboBox<TrialModel.Told> number = new ComboBox<>();
    private final CheckBox sorted = new CheckBox(Texts.of("trial.sorted"));
    private final VBox samples = new VBox();
    private final Label complaint = Prose.complaint();
    private final NumberAxis across = new NumberAxis();
    private final NumberAxis up = new NumberAxis();
    private final LineChart<Number, Number> plot = new LineChart<>(across, up);
    private final Label chosen = Prose.of("", "headline");
    private final Button stop;
    private boolean filling;

    TrialPanel(DeskModel desk, TrialModel model, Runnable onTake, Runnable onClose, Runnable onSave, Runnable onKeep) {
        this.desk = desk;
        this.model = model;
        setId("trial-panel");
        getStyleClass().addAll("station-panel", "trial-panel", "section");
        names(first);
        names(second);
        first.setId("trial-axis");
        first.setAccessibleText(Texts.of("name.trial-axis"));
        firstText.setId("trial-values");
        firstText.setAccessibleText(Texts.of("name.trial-values"));
        second.setId("trial-second");
        second.setAccessibleText(Texts.of("name.trial-second"));
        secondText.setId("trial-second-values");
        number.setId("trial-number");
        number.setAccessibleText(Texts.of("name.trial-number"));
        sorted.setId("trial-sorted");
        complaint.setId("trial-complaint");
        chosen.setId("trial-chosen");
        stop = Pieces.button("trial-stop", "trial.stop", model::stop);
        number.getItems().setAll(model.numbers());
        number.setConverter(named((TrialModel.Told t) -> model.name(t)));
        plot();
        listen();
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        Button take = Pieces.button("trial-take", "trial.take", onTake);
        take.setDefaultButton(true);
        HBox ways = new HBox(
                take,
                stop,
                gap,
                Pieces.button("trial-keep", "trial.keep", onKeep),
                Pieces.button("trial-save", "trial.save", onSave));
        ways.getStyleClass().add("setting-row");
        Region space = new Region();
        HBox.setHgrow(space, Priority.ALWAYS);
        getChildren()
                .addAll(
                        new HBox(title, space, Glyph.REMOVE.button("trial-close", Texts.of("trial.close"), onClose)),
                        Prose.of(Texts.of("trial.question"), "question"),
                        labelled("trial.axis", first),
                        firstText,
                        complaint,
                        labelled("trial.second", second),
                        secondText,
                        Pieces.head("trial.samples"),
                        samples,
                        labelled("trial.told-by", number),
                        sorted,
                        plot,
                        chosen,
                        ways);
    }

    /** The axis of the list that is meant: two that are tried at once have fewer usual values, and are else the same. */
    private Axis listed(Axis axis) {
        return model.axes().stream()
                .filter(a -> a.id().equals(axis.id()))
                .findFirst()
                .orElse(axis);
    }

    /** What is tried of it. */
    String axis() {
        return first.getConverter().toString(first.getValue());
    }

    private static Node labelled(String key, Region control) {
        Label label = new Label(Texts.of(key));
        label.getStyleClass().add("setting-name");
        label.setMinWidth(84);
        control.setMaxWidth(Double.MAX_VALUE);
        HBox.setHgrow(control, Priority.ALWAYS);
        HBox row = new HBox(label, control);
        row.getStyleClass().add("setting-row");
        return row;
    }

    private static <T> StringConverter<T> named(Function<T, String> name) {
        return new StringConverter<>() {
            @Override
            public String toString(T value) {
                return value == null ? "" : name.apply(value);
            }

            @Override
            public T fromString(String text) {
                throw new UnsupportedOperationException("words are chosen, not typed");
            }
        };
    }

    private static void names(ComboBox<Axis> box) {
        box.setConverter(named(Axis::label));
    }

    private void plot() {
        plot.setId("trial-plot");
        plot.setAnimated(false);
        plot.setLegendVisible(false);
        plot.setCreateSymbols(true);
        plot.setMinHeight(120);
        plot.setPrefHeight(170);
        plot.setHorizontalGridLinesVisible(true);
        plot.setVerticalGridLinesVisible(false);
        across.setTickLabelFormatter(Curve.NUMBERS);
        up.setTickLabelFormatter(Curve.NUMBERS);
        across.setForceZeroInRange(false);
        up.setForceZeroInRange(false);
        VBox.setVgrow(plot, Priority.ALWAYS);
    }

    private void listen() {
        first.setOnAction(e -> {
            if (!filling && first.getValue() != null) {
                firstText.setText(first.getValue().usual());
                ask(first.getValue().usual().equals(Axes.ALL));
            }
        });
        firstText.setOnAction(e -> ask(sorted.isSelected()));
        second.setOnAction(e -> {
            if (!filling) {
                secondText.setText(
                        second.getValue() == null ? "" : second.getValue().usual());
                secondText.setVisible(second.getValue() != null);
                ask(sorted.isSelected());
            }
        });
        secondText.managedProperty().bind(secondText.visibleProperty());
        secondText.setOnAction(e -> ask(sorted.isSelected()));
        number.setOnAction(e -> {
            if (!filling) {
                model.sortBy(number.getValue());
            }
        });
        sorted.setOnAction(e -> {
            if (!filling) {
                ask(sorted.isSelected());
            }
        });
        model.tiles().addListener(o -> refresh());
        model.chosen().addListener(o -> refresh());
        model.number().addListener(o -> refresh());
        model.complaint().addListener(o -> {
            complaint.setText(model.complaint().get());
            complaint.setVisible(!model.complaint().get().isEmpty());
        });
    }

    /** Shows what the model was opened with. */
    void fill() {
        filling = true;
        TrialModel.Request wish = model.wish().get();
        title.setText(Texts.of(
                "trial.title",
                model.step().map(s -> Words.title(s.description())).orElse("")));
        first.getItems().setAll(model.axes());
        first.setValue(listed(wish.first()));
        firstText.setText(wish.firstText());
        second.getItems().clear();
        second.getItems().add(null);
        second.getItems().addAll(model.axes());
        second.setValue(wish.second().map(this::listed).orElse(null));
        secondText.setText(wish.secondText());
        secondText.setVisible(wish.second().isPresent());
        if (!number.getItems().equals(model.numbers())) {
            number.getItems().setAll(model.numbers());
        }
        number.setValue(model.told());
        sorted.setSelected(wish.sorted());
        fillSamples(wish);
        filling = false;
        refresh();
    }

    /** The sample on the stage, and up to seven more that use the same method. */
    private void fillSamples(TrialModel.Request wish) {
        samples.getChildren().clear();
        List<String> alike = desk.study().get().samples().stream()
                .filter(s -> desk.study()
                        .get()
                        .sample(s)
                        .map(t -> t.method().equals(desk.methodId()))
                        .orElse(false))
                .limit(8)
                .toList();
        for (String sample : alike) {
            CheckBox box =
                    new CheckBox(desk.study().get().sample(sample).orElseThrow().name());
            box.setId("trial-sample-" + sample);
            box.setUserData(sample);
            box.setSelected(wish.samples().contains(sample));
            box.setDisable(sample.equals(desk.sampleId().get()));
            box.setOnAction(e -> ask(sorted.isSelected()));
            samples.getChildren().add(box);
        }
        boolean several = alike.size() > 1;
        samples.setVisible(several);
        samples.setManaged(several);
        int head = getChildren().indexOf(samples) - 1;
        if (head >= 0) {
            getChildren().get(head).setVisible(several);
            getChildren().get(head).setManaged(several);
        }
    }

    private void ask(boolean inOrder) {
        List<String> wanted = new ArrayList<>();
        for (Node node : samples.getChildren()) {
            if (node instanceof CheckBox box && box.isSelected()) {
                wanted.add((String) box.getUserData());
            }
        }
        if (wanted.isEmpty()) {
            wanted.add(desk.sampleId().get());
        }
        filling = true;
        sorted.setSelected(inOrder);
        filling = false;
        model.ask(new TrialModel.Request(
                first.getValue(),
                firstText.getText(),
                Optional.ofNullable(second.getValue()),
                secondText.getText(),
                wanted,
                inOrder));
    }

    /** What the tiles of a line have in common: those over the tiles' order are of one. */
    private String lineName(TrialModel.Tile tile, boolean placed) {
        List<String> names = new ArrayList<>();
        if (model.wish().get().samples().size() > 1) {
            names.add(desk.study()
                    .get()
                    .sample(tile.sample())
                    .map(s -> s.name())
                    .orElse("")); // it may have been taken out since
        }
        if (placed && !tile.variant().beside().isEmpty()) {
            names.add(tile.variant().beside());
        }
        return String.join(" \u00b7 ", names);
    }

    private void refresh() {
        List<TrialModel.Tile> tiles = model.tiles().get();
        draw(tiles);
        Optional<TrialModel.Tile> tile =
                model.chosen().get().filter(i -> i < tiles.size()).map(tiles::get);
        chosen.setText(tile.filter(t -> t.outcome().isPresent())
                .map(t -> t.current()
                        ? Texts.of("trial.chosen.current", t.label())
                        : Texts.of("trial.chosen", t.label(), Figures.percent(t.number(TrialModel.Number.DIFFERS))))
                .or(() -> tile.map(TrialModel.Tile::fault))
                .orElse(""));
        stop.setDisable(!model.isRunning());
    }

    /** A line for each sample and value of the second setting, over the first where it has numbers, else over the tiles' order. */
    private void draw(List<TrialModel.Tile> tiles) {
        plot.getData().clear();
        boolean placed = tiles.stream().allMatch(t -> t.at().isPresent());
        if (model.wish().get() == null) {
            return;
        }
        Map<String, XYChart.Series<Number, Number>> lines = new LinkedHashMap<>();
        for (TrialModel.Tile tile : tiles) {
            XYChart.Series<Number, Number> line = lines.computeIfAbsent(
                    tile.sample() + (placed ? " " + tile.variant().beside() : ""),
                    key -> new XYChart.Series<>(lineName(tile, placed), FXCollections.observableArrayList()));
            int place = line.getData().size() + 1;
            double value = tile.number(model.number().get());
            line.getData().add(new XYChart.Data<>(placed ? tile.at().getAsDouble() : place, value));
        }
        for (XYChart.Series<Number, Number> line : lines.values()) {
            line.getData().removeIf(d -> Double.isNaN(d.getYValue().doubleValue()));
            plot.getData().add(line);
        }
        plot.setLegendVisible(lines.size() > 1);
        across.setLabel(placed ? model.wish().get().first().label() : Texts.of("trial.order"));
        up.setLabel(model.name(model.number().get()));
    }
}
