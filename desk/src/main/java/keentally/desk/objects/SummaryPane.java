package keentally.desk.objects;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.function.ToDoubleFunction;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import javafx.application.Platform;
import javafx.beans.property.ReadOnlyStringWrapper;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.TableCell;
import javafx.scene.control.TableColumn;
import javafx.scene.control.TableView;
import javafx.scene.layout.VBox;
import keentally.core.measure.Column;
import keentally.core.measure.Dimension;
import keentally.core.measure.Measure;
import keentally.core.measure.ObjectTable;
import keentally.core.quantity.PixelSize;
import keentally.core.region.ObjectSet;
import keentally.core.stats.Averages;
import keentally.core.words.Figures;
import keentally.core.words.Words;
import keentally.desk.help.Topic;
import keentally.desk.help.Why;
import keentally.desk.look.Copies;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.look.Tip;
import keentally.desk.model.DeskModel;
import keentally.desk.model.Newest;
import keentally.desk.number.NumbersList;
import keentally.study.run.SampleRun;

/** Every measure in a line: mean, standard deviation, CV, median, least, greatest and sum, of the selected objects or of all. */
final class SummaryPane extends VBox {
    private final DeskModel desk;
    private final Newest newest;
    private final TableView<Line> table = new TableView<>();
    private final Label of = Prose.of("", "figure-line");

    /** One measure over the objects. */
    private record Line(String title, Column column, Averages values, double sum) {
        static Line of(String title, Column of, double[] column) {
            Averages averages = Averages.of(column, of.averaging());
            boolean adds = adds(of) && averages.count() > 0;
            return new Line(title, of, averages, adds ? averages.mean() * averages.count() : Double.NaN);
        }

        /** In per cent of the mean; of directions there is none, since their nought lies anywhere. */
        double cv() {
            return Double.isNaN(values.vector()) ? 100 * values.sd() / values.mean() : Double.NaN;
        }

        /** Whether a sum of it means something: areas and lengths do, angles and ratios do not. */
        private static boolean adds(Column column) {
            return column instanceof Measure measure && adds(measure);
        }

        private static boolean adds(Measure measure) {
            boolean size = measure.dimension() == Dimension.AREA
                    || measure.dimension() == Dimension.LENGTH && measure.group() == Measure.Group.SIZE;
            return size || measure == Measure.SUM || measure == Measure.HOLES || measure == Measure.TOUCHES_EDGE;
        }
    }

    /** What a column of numbers tells. @param key of its texts */
    private record Sum(String key, ToDoubleFunction<Line> number) {
        String told(Line line) {
            double value = number.applyAsDouble(line);
            return Double.isNaN(value) || Double.isInfinite(value) ? "" : Figures.number(value);
        }
    }

    SummaryPane(DeskModel desk) {
        this.desk = desk;
        this.newest = new Newest(desk, Platform::runLater);
        setId("summary-pane");
        getStyleClass().add("distribution-pane");
        table.setId("summary");
        table.setAccessibleText(Texts.of("name.summary"));
        Copies.from(table, this::copy);
        Why.fromCell(table, Sum.class, this::why);
        table.setPlaceholder(new Label(Texts.of("objects.none")));
        table.setPrefHeight(250);
        of.setId("summary-of");
        TableColumn<Line, String> title = column("sums.measure", 138, Line::title);
        table.getColumns().add(title);
        numbers("sums.mean", l -> l.values().mean());
        numbers("sums.sd", l -> l.values().sd());
        numbers("sums.cv", Line::cv);
        numbers("sums.median", l -> l.values().median());
        numbers("sums.least", l -> l.values().least());
        numbers("sums.greatest", l -> l.values().greatest());
        numbers("sums.sum", Line::sum);
        getChildren().addAll(of, table, NumbersList.brief(desk));
        table.setMinHeight(110);
        desk.shown().addListener(o -> refresh());
        desk.selection().addListener(o -> refresh());
        visibleProperty().addListener(o -> refresh());
        refresh();
    }

    private void copy() {
        String heads = table.getColumns().stream()
                .map(c -> ((Label) c.getGraphic()).getText())
                .collect(Collectors.joining("\t"));
        String rows = table.getItems().stream()
                .map(line -> table.getColumns().stream()
                        .map(c -> String.valueOf(c.getCellObservableValue(line).getValue()))
                        .collect(Collectors.joining("\t")))
                .collect(Collectors.joining("\n"));
        Copies.put(Copies.table(heads + "\n" + rows));
    }

    private Optional<Topic> why(Line line, Sum sum) {
        Optional<ToDoubleFunction<double[]>> again = desk.selection().get().isEmpty()
                ? Optional.of(values -> sum.number().applyAsDouble(Line.of(line.title(), line.column(), values)))
                : Optional.empty();
        return new ObjectsWhy(desk).sum(line.column(), sum.key(), sum.told(line), again);
    }

    private void numbers(String key, ToDoubleFunction<Line> number) {
        Sum sum = new Sum(key, number);
        TableColumn<Line, String> column = column(key, 60, sum::told);
        column.setUserData(sum);
        table.getColumns().add(column);
    }

    private static TableColumn<Line, String> column(String key, double width, Function<Line, String> text) {
        TableColumn<Line, String> column = new TableColumn<>();
        Label head = new Label(Texts.of(key));
        boolean words = key.equals("sums.measure");
        head.setMaxWidth(Double.MAX_VALUE);
        head.setAlignment(words ? Pos.CENTER_LEFT : Pos.CENTER_RIGHT);
        Tip.on(head, Texts.of(key + ".help"));
        column.setGraphic(head);
        column.setPrefWidth(width);
        column.setSortable(false);
        column.setCellValueFactory(row -> new ReadOnlyStringWrapper(text.apply(row.getValue())));
        column.setCellFactory(c -> new TableCell<>() {
            {
                setAlignment(words ? Pos.CENTER_LEFT : Pos.CENTER_RIGHT);
                getStyleClass().add("figure");
            }

            @Override
            protected void updateItem(String item, boolean empty) {
                super.updateItem(item, empty);
                setText(empty ? null : item);
            }
        });
        return column;
    }

    /** How many there are of each class. */
    private static String classes(ObjectSet objects, int[] rows) {
        SortedMap<String, Integer> counts = new TreeMap<>();
        for (int row : rows) {
            counts.merge(objects.classOf(objects.region(row)), 1, Integer::sum);
        }
        return counts.entrySet().stream()
                .map(e -> Texts.of(
                        "sums.class",
                        e.getKey().isEmpty() ? Texts.of("sums.no-class") : e.getKey(),
                        Figures.number(e.getValue()),
                        Figures.percent(100.0 * e.getValue() / rows.length)))
                .collect(Collectors.joining(" \u00b7 "));
    }

    private void refresh() {
        Optional<ObjectTable> now =
                desk.shown().get().flatMap(SampleRun::readings).flatMap(r -> r.objects());
        if (!isVisible() || now.isEmpty()) {
            newest.drop();
            table.getItems().clear();
            of.setText("");
            return;
        }
        ObjectTable objects = now.get();
        Set<Integer> selection = desk.selection().get();
        PixelSize size = desk.pixelSize();
        List<String> titles =
                objects.columns().stream().map(m -> Words.title(m, desk.unit())).toList();
        newest.ask(work -> {
            int[] rows = IntStream.range(0, objects.rows())
                    .filter(i -> selection.isEmpty()
                            || selection.contains(objects.objects().region(i)))
                    .toArray();
            List<Line> lines = IntStream.range(0, titles.size())
                    .mapToObj(m -> {
                        Column column = objects.columns().get(m);
                        return Line.of(
                                titles.get(m),
                                column,
                                IntStream.of(rows)
                                        .mapToDouble(i -> column.told(objects.at(i, m), size))
                                        .toArray());
                    })
                    .toList();
            String classes = classes(objects.objects(), rows);
            return () -> {
                table.getItems().setAll(lines);
                String all = Texts.of(
                        selection.isEmpty() ? "sums.all" : "sums.chosen",
                        Figures.number(rows.length),
                        Figures.number(objects.rows()));
                of.setText(objects.objects().isSorted() ? all + "\n" + classes : all);
            };
        });
    }
}
