package keentally.desk.objects;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.IntPredicate;
import javafx.application.Platform;
import javafx.beans.property.ReadOnlyIntegerProperty;
import javafx.beans.property.ReadOnlyIntegerWrapper;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.collections.ListChangeListener;
import javafx.css.PseudoClass;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.SelectionMode;
import javafx.scene.control.TableCell;
import javafx.scene.control.TableColumn;
import javafx.scene.control.TableRow;
import javafx.scene.control.TableView;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.StackPane;
import keentally.core.measure.Column;
import keentally.core.measure.Formula;
import keentally.core.measure.Measure;
import keentally.core.measure.ObjectTable;
import keentally.core.measure.OwnColumn;
import keentally.core.quantity.Amounts;
import keentally.core.quantity.PixelSize;
import keentally.core.run.Lanes.Urgency;
import keentally.core.step.LabelStep;
import keentally.core.words.Figures;
import keentally.core.words.Words;
import keentally.core.work.Work;
import keentally.desk.help.Topic;
import keentally.desk.help.Why;
import keentally.desk.look.Copies;
import keentally.desk.look.Texts;
import keentally.desk.look.Tip;
import keentally.desk.model.DeskModel;
import keentally.desk.model.Newest;

/** The table of objects, linked with the stage: what is selected in one is selected in the other. */
final class ObjectsTable extends StackPane {
    private static final int SAMPLED = 200;
    private static final PseudoClass CHOSEN = PseudoClass.getPseudoClass("chosen");

    /** The table's own selection takes seconds for tens of thousands of rows; beyond this rows only show that they are chosen. */
    private static final int MOST_SELECTED = 1000;

    private final DeskModel desk;
    private final Newest sorting;
    private final TableView<Integer> table = new TableView<>();
    private final RowOrder rows = new RowOrder();
    private final ReadOnlyIntegerWrapper listed = new ReadOnlyIntegerWrapper();
    private Optional<ObjectTable> shown = Optional.empty();
    private Optional<Formula> filter = Optional.empty();
    private List<String> headers = List.of();
    private double[][] values = new double[0][];
    private String helps = "";
    private boolean following;
    private boolean building;

    ObjectsTable(DeskModel desk) {
        this.desk = desk;
        this.sorting = new Newest(desk, Platform::runLater, Urgency.ASKED);
        table.setId("objects");
        table.setAccessibleText(Texts.of("name.objects"));
        Copies.from(table, this::copy);
        Why.fromCell(table, Integer.class, this::why);
        table.setItems(rows);
        table.getSelectionModel().setSelectionMode(SelectionMode.MULTIPLE);
        table.setPlaceholder(new Label(Texts.of("objects.none")));
        table.setSortPolicy(t -> {
            sort();
            return true;
        });
        table.setRowFactory(t -> new TableRow<>() {
            @Override
            protected void updateItem(Integer row, boolean empty) {
                super.updateItem(row, empty);
                pseudoClassStateChanged(CHOSEN, !empty && row != null && isChosen(row));
            }
        });
        table.setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.DELETE) {
                new ByHand(desk).drop(desk.selection().get());
                e.consume();
            }
        });
        getChildren().add(table);
        table.getSelectionModel().getSelectedIndices().addListener((ListChangeListener<Integer>) c -> chosen());
        table.getColumns().addListener((ListChangeListener<TableColumn<Integer, ?>>) c -> reordered());
        desk.selection().addListener(o -> follow());
        desk.shown().addListener(o -> refresh());
        refresh();
    }

    /** How many objects stand in the table. */
    ReadOnlyIntegerProperty listed() {
        return listed.getReadOnlyProperty();
    }

    /** Only objects of which the answer is yes; all of them for null. */
    void filter(Formula question) {
        filter = Optional.ofNullable(question);
        sort();
    }

    private void refresh() {
        Optional<ObjectTable> now = EndTable.of(desk).map(EndTable::table);
        if (desk.shown().get().isPresent() && now.equals(shown) && headers.equals(headers(now))) {
            return;
        }
        boolean otherHelp = !helps.equals(helps());
        helps = helps();
        shown = now;
        PixelSize size = desk.pixelSize();
        values = now.map(t -> columns(t, size)).orElse(new double[0][]);
        if (otherHelp || !headers.equals(headers(now))) {
            headers = headers(now);
            build(now);
        }
        sort();
        follow();
    }

    private static double[][] columns(ObjectTable table, PixelSize size) {
        double[][] all = new double[table.columns().size()][];
        for (int m = 0; m < all.length; m++) {
            all[m] = table.column(m, size);
        }
        return all;
    }

    private List<String> headers(Optional<ObjectTable> now) {
        return now.map(t -> t.columns().stream().map(this::header).toList()).orElse(List.of());
    }

    private String header(Column column) {
        String symbol = column.unitSymbol(desk.unit());
        return symbol.isEmpty() ? Words.title(column) : Words.title(column) + "\n" + symbol;
    }

    private void build(Optional<ObjectTable> now) {
        List<TableColumn<Integer, ?>> made = new ArrayList<>();
        made.add(column(Texts.of("objects.number"), Texts.of("objects.number." + numbering()), -1, 0));
        List<Column> columns = now.map(ObjectTable::columns).orElse(List.of());
        for (int m = 0; m < columns.size(); m++) {
            made.add(column(header(columns.get(m)), help(columns.get(m)), m, decimals(columns.get(m))));
        }
        building = true;
        table.getSortOrder().clear();
        table.getColumns().setAll(made);
        building = false;
    }

    /** What of the method the columns' help hangs on. */
    private String helps() {
        return numbering() + " " + desk.method().signal();
    }

    /** In which order the last labelling numbered them. */
    private String numbering() {
        return desk.method().steps().stream()
                .filter(s -> s.description().id().equals(LabelStep.ID) && !s.muted())
                .reduce((a, b) -> b)
                .map(s -> String.valueOf(
                        s.values().canonical(s.description().settings()).get("number")))
                .orElse("reading");
    }

    /** What the numbers are, for brightness from which channel, and whose definition it is. */
    private String help(Column column) {
        String definition = Words.definition(column);
        if (!(column instanceof Measure measure)) {
            return definition;
        }
        boolean bright = measure.group() == Measure.Group.SIGNAL;
        String said = bright ? Texts.of("signal.of", definition, desk.method().signal()) : definition;
        return said + "\n" + Texts.of("objects.source", Words.source(measure));
    }

    /** Below 0 where they hang on how large the numbers are. */
    private static int decimals(Column column) {
        return switch (column) {
            case Measure measure ->
                switch (measure.dimension()) {
                    case NONE -> 3;
                    case ANGLE, SIGNAL -> 1;
                    case FLAG -> 0;
                    case LENGTH, AREA -> -1;
                };
            case OwnColumn own -> -1;
        };
    }

    private TableColumn<Integer, Integer> column(String header, String help, int index, int decimals) {
        TableColumn<Integer, Integer> column = new TableColumn<>();
        Label label = new Label(header);
        label.setWrapText(true);
        label.setMaxWidth(Double.MAX_VALUE);
        label.setAlignment(Pos.CENTER_RIGHT);
        Tip.on(label, help);
        label.getStyleClass().add("measure-header");
        column.setGraphic(label);
        column.setId(index < 0 ? "column-object" : "column-" + index);
        column.setUserData(index);
        column.setReorderable(index >= 0);
        column.setPrefWidth(index < 0 ? 56 : 92);
        column.setCellValueFactory(row -> new ReadOnlyObjectWrapper<>(row.getValue()));
        column.setCellFactory(c -> new TableCell<>() {
            {
                setAlignment(Pos.CENTER_RIGHT);
                getStyleClass().add("figure");
            }

            @Override
            protected void updateItem(Integer row, boolean empty) {
                super.updateItem(row, empty);
                setText(empty || row == null ? null : text(row, index, decimals));
            }
        });
        return column;
    }

    private Optional<Topic> why(int row, int column) {
        boolean there = shown.isPresent() && column >= 0 && column < values.length && row < values[column].length;
        if (!there || !(shown.get().columns().get(column) instanceof Measure measure)) {
            return Optional.empty();
        }
        String told =
                Figures.number(values[column][row]) + " " + measure.dimension().unitSymbol(desk.unit());
        return Optional.of(Why.ofObject(desk, measure, row + 1, told.strip()));
    }

    private String text(int row, int column, int decimals) {
        if (column < 0) {
            return String.valueOf(row + 1);
        }
        if (column >= values.length || row >= values[column].length) {
            return "";
        }
        double value = values[column][row];
        return decimals < 0 ? Figures.fixed(value, fitting(column)) : Figures.fixed(value, decimals);
    }

    /** Decimals by how large the numbers of a column usually are, so that it lines up. */
    private int fitting(int column) {
        double typical = Arrays.stream(values[column])
                .limit(SAMPLED)
                .filter(v -> !Double.isNaN(v))
                .map(Math::abs)
                .average()
                .orElse(1);
        return typical >= 1000 ? 0 : typical >= 10 ? 1 : typical >= 1 ? 2 : 4;
    }

    /** A column's head was dragged: the method's measures take that order; own columns stay behind them. */
    private void reordered() {
        if (building || shown.isEmpty()) {
            return;
        }
        List<Column> columns = shown.get().columns();
        List<Measure> order = table.getColumns().stream()
                .map(c -> (int) c.getUserData())
                .filter(i -> i >= 0 && columns.get(i) instanceof Measure)
                .map(i -> (Measure) columns.get(i))
                .toList();
        if (order.size() == desk.method().measures().size()
                && !order.equals(desk.method().measures())) {
            headers = List.of();
            Platform.runLater(() -> desk.change(Texts.of("action.columns"), m -> m.measuring(order)));
        }
    }

    /** In the order of the column clicked, worked out in a lane; numbers first where none is. */
    private void sort() {
        Optional<EndTable> of = EndTable.of(desk).filter(t -> shown.equals(Optional.of(t.table())));
        if (of.isEmpty()) {
            sorting.drop();
            ordered(new int[0]);
            return;
        }
        var order = table.getSortOrder();
        int column = order.isEmpty() ? -1 : (int) order.getFirst().getUserData();
        boolean descending = !order.isEmpty() && order.getFirst().getSortType() == TableColumn.SortType.DESCENDING;
        double[] keys = new double[of.get().table().rows()];
        if (column >= 0 && column < values.length) {
            System.arraycopy(values[column], 0, keys, 0, keys.length);
        } else {
            Arrays.setAll(keys, i -> i);
        }
        Optional<Formula> asked = filter;
        sorting.ask(work -> {
            try {
                IntPredicate wanted =
                        asked.map(f -> answered(f, of.get(), work)).orElse(i -> true);
                int[] sorted = RowOrder.sorted(keys, descending, wanted);
                return () -> ordered(sorted);
            } catch (IllegalArgumentException noScale) {
                return () -> desk.say(Texts.complaint(noScale.getMessage()));
            }
        });
    }

    private IntPredicate answered(Formula question, EndTable of, Work work) {
        List<Measure> measures = List.copyOf(question.measures());
        double[][] known = measures.stream().map(m -> of.px(m, work)).toArray(double[][]::new);
        boolean[] yes = new boolean[of.table().rows()];
        for (int i = 0; i < yes.length; i++) {
            int row = i;
            yes[i] = question.holds(
                    m -> known[measures.indexOf(m)][row], of.size(), of.state().scale());
        }
        return i -> yes[i];
    }

    private void ordered(int[] sorted) {
        following = true;
        rows.set(sorted);
        following = false;
        listed.set(-1);
        listed.set(sorted.length);
        follow();
    }

    /** The chosen rows, or all of them, with their header, to be pasted into a spreadsheet; full precision, decimal point. */
    private void copy() {
        if (shown.isEmpty()) {
            return;
        }
        List<Integer> chosen = table.getSelectionModel().getSelectedIndices().stream()
                .filter(i -> i >= 0 && i < rows.size())
                .sorted()
                .map(rows::get)
                .toList();
        List<Integer> all = chosen.isEmpty() ? List.copyOf(rows) : chosen;
        double[][] from = values;
        String head = Texts.of("objects.number") + "\t"
                + String.join(
                        "\t", headers.stream().map(h -> h.replace("\n", ", ")).toList());
        desk.look("copy-rows", Urgency.ASKED, cancel -> {
            StringBuilder text = new StringBuilder(head);
            for (int row : all) {
                text.append("\r\n").append(row + 1);
                for (double[] column : from) {
                    text.append('\t').append(!Double.isFinite(column[row]) ? "" : Amounts.shown(column[row]));
                }
            }
            Platform.runLater(() -> {
                Copies.put(Copies.table(text.append("\r\n").toString()));
                desk.say(Texts.of("objects.copied", Figures.number(all.size())));
            });
        });
    }

    private boolean isChosen(int row) {
        return shown.filter(t -> row < t.rows())
                .map(t -> desk.selection().get().contains(t.objects().region(row)))
                .orElse(false);
    }

    private void chosen() {
        if (following || shown.isEmpty()) {
            return;
        }
        Set<Integer> regions = new HashSet<>();
        for (int place : table.getSelectionModel().getSelectedIndices()) {
            if (place >= 0 && place < rows.size()) {
                regions.add(shown.get().objects().region(rows.get(place)));
            }
        }
        following = true;
        desk.selection().set(Set.copyOf(regions));
        following = false;
    }

    /** Takes over what was selected elsewhere and brings it into view. */
    private void follow() {
        if (following || shown.isEmpty()) {
            return;
        }
        following = true;
        int[] places = desk.selection().get().stream()
                .mapToInt(region -> rows.placeOf(shown.get().objects().number(region) - 1))
                .filter(place -> place >= 0)
                .sorted()
                .toArray();
        table.getSelectionModel().clearSelection();
        if (places.length > 0) {
            int last = Math.min(places.length, MOST_SELECTED);
            table.getSelectionModel().selectIndices(places[0], Arrays.copyOfRange(places, 1, last));
            table.scrollTo(Math.max(0, places[0] - 3));
        }
        table.refresh();
        following = false;
    }
}
