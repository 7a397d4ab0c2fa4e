package keentally.desk.view;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javafx.application.Platform;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleObjectProperty;
import javafx.collections.ListChangeListener;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.CheckMenuItem;
import javafx.scene.control.Label;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.SelectionMode;
import javafx.scene.control.TableCell;
import javafx.scene.control.TableColumn;
import javafx.scene.control.TableView;
import javafx.scene.control.Tooltip;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;
import javafx.scene.input.KeyCombination;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import keentally.core.measure.Measure;
import keentally.core.measure.ObjectTable;
import keentally.core.quantity.Amounts;
import keentally.core.quantity.LengthUnit;
import keentally.core.setting.ChoiceSetting;
import keentally.core.words.Figures;
import keentally.core.words.Words;
import keentally.desk.look.Pieces;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.desk.model.Shown;
import keentally.desk.objects.DistributionPane;
import keentally.desk.objects.SummaryPane;

/** The table of objects, linked with the stage: what is selected in one is selected in the other. */
final class ObjectsPane extends VBox {
    private static final KeyCombination COPY = KeyCombination.keyCombination("Shortcut+C");

    private final DeskModel desk;
    private final TableView<Integer> table = new TableView<>();
    private final RowOrder rows = new RowOrder();
    private final Label count = new Label();
    private final MenuButton columns = new MenuButton(Texts.of("objects.columns"));
    private Optional<ObjectTable> shown = Optional.empty();
    private List<String> headers = List.of();
    private double[][] values = new double[0][];
    private boolean following;

    ObjectsPane(DeskModel desk, Runnable export) {
        this.desk = desk;
        setId("objects-pane");
        getStyleClass().add("objects-pane");
        table.setId("objects");
        table.setItems(rows);
        table.getSelectionModel().setSelectionMode(SelectionMode.MULTIPLE);
        table.setPlaceholder(new Label(Texts.of("objects.none")));
        table.setSortPolicy(t -> {
            sort();
            return true;
        });
        table.setOnKeyPressed(e -> {
            if (COPY.match(e)) {
                copy();
                e.consume();
            }
        });
        VBox.setVgrow(table, Priority.ALWAYS);
        count.setId("object-count");
        count.getStyleClass().add("headline");
        Button take = new Button(Texts.of("objects.export"));
        take.setId("export");
        take.setOnAction(e -> export.run());
        take.setMinWidth(Region.USE_PREF_SIZE);
        columns.setMinWidth(Region.USE_PREF_SIZE);
        columns.setId("columns");
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        HBox head = new HBox(count, gap, columns, take);
        head.getStyleClass().add("objects-head");
        getChildren().addAll(head, table, together());
        table.getSelectionModel().getSelectedIndices().addListener((ListChangeListener<Integer>) c -> chosen());
        desk.selection().addListener(o -> follow());
        desk.shown().addListener(o -> refresh());
        columns.setOnShowing(e -> listColumns());
        refresh();
    }

    /** What the objects' numbers come to together. */
    private enum Together {
        SPREAD,
        SUMMARY
    }

    private VBox together() {
        ObjectProperty<Together> seen = new SimpleObjectProperty<>(Together.SPREAD);
        HBox choices = Pieces.choices("together", Together.values(), seen);
        choices.getStyleClass().add("together");
        DistributionPane spread = new DistributionPane(desk);
        SummaryPane summary = new SummaryPane(desk);
        Runnable swap = () -> {
            boolean here = getScene() != null;
            spread.setVisible(here && seen.get() == Together.SPREAD);
            summary.setVisible(here && seen.get() == Together.SUMMARY);
        };
        spread.managedProperty().bind(seen.isEqualTo(Together.SPREAD));
        summary.managedProperty().bind(seen.isEqualTo(Together.SUMMARY));
        seen.addListener(o -> swap.run());
        sceneProperty().addListener(o -> swap.run());
        swap.run();
        return new VBox(choices, spread, summary);
    }

    private void refresh() {
        Optional<ObjectTable> now = desk.shown().get().flatMap(Shown::readings).flatMap(r -> r.objects());
        if (desk.shown().get().isPresent() && now.equals(shown) && headers.equals(headers(now))) {
            return;
        }
        shown = now;
        count.setText(now.map(this::counted).orElse(""));
        double perPixel = desk.perPixel();
        values = now.map(t -> columns(t, perPixel)).orElse(new double[0][]);
        if (!headers.equals(headers(now))) {
            headers = headers(now);
            build(now);
        }
        sort();
        follow();
    }

    /** A reader must see how many of them were touched by hand. */
    private String counted(ObjectTable table) {
        double byHand = desk.shown().get().orElseThrow().run().stations().stream()
                .mapToDouble(s -> s.findings().find("by-hand").orElse(0)
                        + s.findings().find("taken-away").orElse(0))
                .sum();
        String all = Texts.of("objects.count", Figures.number(table.rows()));
        return byHand == 0 ? all : all + Texts.of("objects.by-hand", Figures.number(byHand));
    }

    private static double[][] columns(ObjectTable table, double perPixel) {
        double[][] all = new double[table.measures().size()][];
        for (int m = 0; m < all.length; m++) {
            all[m] = table.column(m, perPixel);
        }
        return all;
    }

    private List<String> headers(Optional<ObjectTable> now) {
        return now.map(t -> t.measures().stream().map(this::header).toList()).orElse(List.of());
    }

    private String header(Measure measure) {
        LengthUnit unit = desk.unit();
        String symbol = measure.dimension().unitSymbol(unit);
        return symbol.isEmpty() ? Words.title(measure) : Words.title(measure) + "\n" + symbol;
    }

    private void build(Optional<ObjectTable> now) {
        List<TableColumn<Integer, ?>> made = new ArrayList<>();
        made.add(column(Texts.of("objects.number"), Texts.of("objects.number.help"), -1, 0));
        List<Measure> measures = now.map(ObjectTable::measures).orElse(List.of());
        for (int m = 0; m < measures.size(); m++) {
            Measure measure = measures.get(m);
            made.add(column(header(measure), Words.definition(measure), m, decimals(measure)));
        }
        table.getSortOrder().clear();
        table.getColumns().setAll(made);
    }

    private static int decimals(Measure measure) {
        return switch (measure.dimension()) {
            case NONE -> 3;
            case ANGLE, SIGNAL -> 1;
            case FLAG -> 0;
            case LENGTH, AREA -> -1;
        };
    }

    private TableColumn<Integer, Integer> column(String header, String help, int measure, int decimals) {
        TableColumn<Integer, Integer> column = new TableColumn<>();
        Label label = new Label(header);
        label.setWrapText(true);
        label.setMaxWidth(Double.MAX_VALUE);
        label.setAlignment(Pos.CENTER_RIGHT);
        label.setTooltip(new Tooltip(help));
        label.getStyleClass().add("measure-header");
        column.setGraphic(label);
        column.setId(measure < 0 ? "column-object" : "column-" + measure);
        column.setPrefWidth(measure < 0 ? 56 : 92);
        column.setCellValueFactory(row -> new ReadOnlyObjectWrapper<>(row.getValue()));
        column.setCellFactory(c -> new TableCell<>() {
            {
                setAlignment(Pos.CENTER_RIGHT);
                getStyleClass().add("figure");
            }

            @Override
            protected void updateItem(Integer row, boolean empty) {
                super.updateItem(row, empty);
                setText(empty || row == null ? null : text(row, measure, decimals));
            }
        });
        return column;
    }

    private String text(int row, int measure, int decimals) {
        if (measure < 0) {
            return String.valueOf(row + 1);
        }
        if (measure >= values.length || row >= values[measure].length) {
            return "";
        }
        double value = values[measure][row];
        return decimals < 0 ? Figures.fixed(value, fitting(measure)) : Figures.fixed(value, decimals);
    }

    /** Decimals for lengths and areas by how large they usually are, so that a column lines up. */
    private int fitting(int measure) {
        double typical = Arrays.stream(values[measure]).limit(200).average().orElse(1);
        return typical >= 1000 ? 0 : typical >= 10 ? 1 : typical >= 1 ? 2 : 4;
    }

    /** In the order of the column clicked, worked out in a lane; numbers first where none is. */
    private void sort() {
        int n = shown.map(ObjectTable::rows).orElse(0);
        var order = table.getSortOrder();
        int measure = order.isEmpty() ? -1 : table.getColumns().indexOf(order.getFirst()) - 1;
        boolean descending = !order.isEmpty() && order.getFirst().getSortType() == TableColumn.SortType.DESCENDING;
        double[] keys = new double[n];
        if (measure >= 0 && measure < values.length) {
            System.arraycopy(values[measure], 0, keys, 0, n);
        } else {
            Arrays.setAll(keys, i -> i);
        }
        Optional<ObjectTable> of = shown;
        desk.whenIdle(cancel -> {
            int[] sorted = RowOrder.sorted(keys, descending);
            Platform.runLater(() -> {
                if (of.equals(shown)) {
                    ordered(sorted);
                }
            });
        });
    }

    private void ordered(int[] sorted) {
        following = true;
        rows.set(sorted);
        following = false;
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
        desk.whenIdle(cancel -> {
            StringBuilder text = new StringBuilder(head);
            for (int row : all) {
                text.append("\r\n").append(row + 1);
                for (double[] column : from) {
                    text.append('\t').append(!Double.isFinite(column[row]) ? "" : Amounts.text(column[row]));
                }
            }
            Platform.runLater(() -> {
                ClipboardContent content = new ClipboardContent();
                content.putString(text.append("\r\n").toString());
                Clipboard.getSystemClipboard().setContent(content);
                desk.say(Texts.of("objects.copied", Figures.number(all.size())));
            });
        });
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
        table.getSelectionModel().clearSelection();
        int first = -1;
        for (int region : desk.selection().get()) {
            int place = rows.placeOf(shown.get().objects().number(region) - 1);
            if (place >= 0) {
                table.getSelectionModel().select(place);
                first = first < 0 ? place : Math.min(first, place);
            }
        }
        if (first >= 0) {
            table.scrollTo(Math.max(0, first - 3));
        }
        following = false;
    }

    private void listColumns() {
        columns.getItems().clear();
        List<Measure> now = desk.method().measures();
        for (Measure.Group group : Measure.Group.values()) {
            Menu menu = new Menu(Texts.of("measures." + ChoiceSetting.word(group)));
            menu.setId("measures-" + ChoiceSetting.word(group));
            columns.getItems().add(menu);
            for (Measure measure : Measure.values()) {
                if (measure.group() == group) {
                    menu.getItems().add(item(measure, now));
                }
            }
        }
    }

    private CheckMenuItem item(Measure measure, List<Measure> now) {
        CheckMenuItem item = new CheckMenuItem(Words.title(measure));
        item.setId("measure-" + measure.id());
        item.setSelected(now.contains(measure));
        item.setDisable(now.equals(List.of(measure)));
        item.setOnAction(e -> toggle(measure));
        return item;
    }

    private void toggle(Measure measure) {
        List<Measure> next = new ArrayList<>(desk.method().measures());
        if (!next.remove(measure)) {
            next.add(measure);
        }
        desk.change(Texts.of("action.columns"), m -> m.measuring(next));
    }
}
