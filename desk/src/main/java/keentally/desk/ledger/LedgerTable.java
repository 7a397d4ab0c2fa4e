package keentally.desk.ledger;

import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.beans.property.SimpleObjectProperty;
import javafx.collections.FXCollections;
import javafx.collections.ObservableList;
import javafx.collections.transformation.SortedList;
import javafx.geometry.Pos;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.Label;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SelectionMode;
import javafx.scene.control.TableCell;
import javafx.scene.control.TableColumn;
import javafx.scene.control.TableRow;
import javafx.scene.control.TableView;
import javafx.scene.image.Image;
import javafx.scene.image.ImageView;
import javafx.scene.input.KeyCode;
import keentally.core.stats.Outliers;
import keentally.core.words.Figures;
import keentally.core.words.Sentences;
import keentally.desk.help.Why;
import keentally.desk.look.Texts;
import keentally.desk.look.Tip;
import keentally.study.document.SlideLabel;
import keentally.study.document.Study;
import keentally.study.series.Ledger;
import keentally.study.series.LedgerColumn;
import keentally.study.series.LedgerEntry;

/** The rows of the ledger: a thumbnail, words and numbers; sorted by any column, what lies far from the rest marked. */
final class LedgerTable extends TableView<LedgerEntry> {
    private static final int THUMB = 56;
    private static final Set<String> TYPED = Set.of("sample", "group", "tag", "method", "left_out");
    private static final List<String> NARROW = List.of("group", "tag");

    /** Not shown unless asked for. */
    private static final Set<String> FOLDED =
            Set.of("centres", "departures", "left_out", "hand_edits", "method", "field");

    private final Thumbnails thumbnails;
    private final ObservableList<LedgerEntry> entries = FXCollections.observableArrayList();
    private final Map<String, Boolean> shown = new LinkedHashMap<>();
    private final Supplier<Study> study;
    private List<String> built = List.of();

    /**
     * @param open what to do with the row that a person goes to
     * @param menu what can be done with the rows that are chosen
     * @param study where the samples are
     */
    LedgerTable(Thumbnails thumbnails, Consumer<LedgerEntry> open, Consumer<ContextMenu> menu, Supplier<Study> study) {
        this.thumbnails = thumbnails;
        this.study = study;
        Why.fromCell(this, NumberColumn.class, (entry, number) -> LedgerWhy.of(study.get(), number.of, entry));
        setId("ledger-table");
        setAccessibleText(Texts.of("name.ledger-table"));
        getStyleClass().add("ledger-table");
        setFixedCellSize(THUMB * 3 / 4 + 6);
        setPlaceholder(new Label(Texts.of("ledger.none")));
        getSelectionModel().setSelectionMode(SelectionMode.MULTIPLE);
        SortedList<LedgerEntry> sorted = new SortedList<>(entries);
        sorted.comparatorProperty().bind(comparatorProperty());
        setItems(sorted);
        setRowFactory(t -> {
            TableRow<LedgerEntry> row = new TableRow<>();
            row.setOnMouseClicked(e -> {
                if (e.getClickCount() == 2 && !row.isEmpty()) {
                    open.accept(row.getItem());
                }
            });
            row.setOnContextMenuRequested(e -> {
                if (!row.isEmpty()) {
                    ContextMenu context = new ContextMenu();
                    menu.accept(context);
                    context.show(row, e.getScreenX(), e.getScreenY());
                }
            });
            return row;
        });
        setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.ENTER) {
                Optional.ofNullable(getSelectionModel().getSelectedItem()).ifPresent(open);
            }
        });
    }

    List<LedgerEntry> chosen() {
        return List.copyOf(getSelectionModel().getSelectedItems());
    }

    /** In the order in which they stand. */
    List<LedgerEntry> inOrder() {
        return List.copyOf(getItems());
    }

    void show(Ledger ledger) {
        List<String> ids = ledger.all().stream().map(LedgerColumn::id).toList();
        if (!ids.equals(built)) {
            build(ledger);
            built = ids;
        }
        Map<String, Set<String>> far = far(ledger);
        for (TableColumn<LedgerEntry, ?> column : getColumns()) {
            if (column.getUserData() instanceof NumberColumn number) {
                number.far = far.getOrDefault(number.of.id(), Set.of());
            }
        }
        Set<String> kept = new HashSet<>();
        chosen().forEach(e -> kept.add(e.id()));
        entries.setAll(ledger.entries());
        for (int i = 0; i < getItems().size(); i++) {
            if (kept.contains(getItems().get(i).id())) {
                getSelectionModel().select(i);
            }
        }
    }

    private static Map<String, Set<String>> far(Ledger ledger) {
        Map<String, Set<String>> far = new LinkedHashMap<>();
        for (LedgerColumn column : ledger.numbers()) {
            Set<String> ids = new HashSet<>();
            for (List<LedgerEntry> group : ledger.groups().values()) {
                boolean[] of =
                        Outliers.of(group.stream().mapToDouble(column.value()).toArray());
                for (int i = 0; i < of.length; i++) {
                    if (of[i]) {
                        ids.add(group.get(i).id());
                    }
                }
            }
            far.put(column.id(), ids);
        }
        return far;
    }

    private void build(Ledger ledger) {
        getColumns().clear();
        TableColumn<LedgerEntry, LedgerEntry> picture = new TableColumn<>();
        picture.setPrefWidth(THUMB + 16);
        picture.setSortable(false);
        picture.setCellValueFactory(row -> new SimpleObjectProperty<>(row.getValue()));
        picture.setCellFactory(c -> new ThumbnailCell());
        getColumns().add(picture);
        for (LedgerColumn column : ledger.all()) {
            TableColumn<LedgerEntry, ?> made = column.isNumber() ? number(column) : words(column);
            made.setId("ledger-" + column.id());
            made.setVisible(shown.getOrDefault(column.id(), isUsual(column, ledger)));
            made.visibleProperty().addListener((o, was, is) -> shown.put(column.id(), is));
            getColumns().add(made);
        }
        setTableMenuButtonVisible(true);
    }

    /** What people typed stays as they typed it. */
    private static String told(LedgerColumn column, LedgerEntry entry) {
        String text = column.text().apply(entry);
        return TYPED.contains(column.id()) ? text : Sentences.told(text);
    }

    /** What stands there until a person says otherwise: what is not empty, and no more of each measure than its mean. */
    private static boolean isUsual(LedgerColumn column, Ledger ledger) {
        boolean more = FOLDED.contains(column.id())
                || column.id().startsWith("sd_")
                || column.id().startsWith("median_");
        boolean empty = !column.isNumber()
                && ledger.entries().stream()
                        .allMatch(e -> column.text().apply(e).isEmpty());
        return !more && !empty;
    }

    private TableColumn<LedgerEntry, String> words(LedgerColumn column) {
        TableColumn<LedgerEntry, String> made = new TableColumn<>();
        made.setGraphic(head(column, Pos.CENTER_LEFT));
        if (column.id().equals("tag")) {
            made.setComparator(Comparator.comparingDouble(LedgerTable::amount));
        }
        made.setPrefWidth(NARROW.contains(column.id()) ? 74 : 150);
        made.setCellValueFactory(row -> new SimpleObjectProperty<>(told(column, row.getValue())));
        made.setCellFactory(c -> new TableCell<>() {
            @Override
            protected void updateItem(String item, boolean empty) {
                super.updateItem(item, empty);
                setText(empty ? null : item);
                Tip.on(this, empty || item.length() < 18 ? "" : item);
                LedgerEntry entry =
                        empty || getTableRow() == null ? null : getTableRow().getItem();
                boolean trouble = column.id().equals("status") && entry != null && !entry.counts();
                getStyleClass().removeAll("ledger-trouble");
                if (trouble) {
                    getStyleClass().add("ledger-trouble");
                }
            }
        });
        return made;
    }

    /** By their numbers, not by their letters; those without one first. */
    private static double amount(String tag) {
        return tag.isEmpty()
                ? Double.NEGATIVE_INFINITY
                : SlideLabel.Amount.of(tag).value();
    }

    /** What a column of numbers knows beside them. */
    private static final class NumberColumn {
        private final LedgerColumn of;
        private Set<String> far = Set.of();

        NumberColumn(LedgerColumn of) {
            this.of = of;
        }
    }

    private TableColumn<LedgerEntry, Double> number(LedgerColumn column) {
        TableColumn<LedgerEntry, Double> made = new TableColumn<>();
        made.setGraphic(head(column, Pos.CENTER_RIGHT));
        made.setPrefWidth(96);
        NumberColumn known = new NumberColumn(column);
        made.setUserData(known);
        made.setComparator((a, b) -> Double.compare(a, b));
        made.setCellValueFactory(
                row -> new SimpleObjectProperty<>(column.value().applyAsDouble(row.getValue())));
        made.setCellFactory(c -> new TableCell<>() {
            {
                setAlignment(Pos.CENTER_RIGHT);
                getStyleClass().add("figure");
            }

            @Override
            protected void updateItem(Double item, boolean empty) {
                super.updateItem(item, empty);
                LedgerEntry entry =
                        empty || getTableRow() == null ? null : getTableRow().getItem();
                boolean far = entry != null && known.far.contains(entry.id());
                String text = empty || item.isNaN() ? "" : Figures.number(item);
                setText(far ? "\u25c6 " + text : text);
                Tip.on(this, far ? Texts.of("ledger.far") : "");
                setOpacity(entry != null && entry.row().isPresent() && !entry.counts() ? 0.6 : 1);
            }
        });
        return made;
    }

    /** The column menu tells columns by what stands here. */
    private static Label head(LedgerColumn column, Pos side) {
        Label head = new Label(Sentences.told(column.title()));
        head.setWrapText(true);
        head.setAlignment(side);
        head.setMaxWidth(Double.MAX_VALUE);
        head.getStyleClass().add(side == Pos.CENTER_RIGHT ? "ledger-head-right" : "ledger-head");
        return head;
    }

    private final class ThumbnailCell extends TableCell<LedgerEntry, LedgerEntry> {
        private final ImageView view = new ImageView();

        ThumbnailCell() {
            view.setFitWidth(THUMB);
            view.setFitHeight(THUMB * 3 / 4);
            view.setPreserveRatio(true);
            setAlignment(Pos.CENTER);
        }

        @Override
        protected void updateItem(LedgerEntry item, boolean empty) {
            super.updateItem(item, empty);
            view.setImage(null);
            setGraphic(empty ? null : view);
            if (!empty && item.row().isPresent()) {
                thumbnails.of(item, THUMB, image -> show(item, image));
            }
        }

        private void show(LedgerEntry of, Image image) {
            if (of.equals(getItem())) {
                view.setImage(image);
            }
        }
    }

    /** Items for the rows that are chosen. */
    static MenuItem item(String id, Runnable does) {
        MenuItem item = new MenuItem(Texts.of("ledger." + id));
        item.setId("ledger-" + id);
        item.setOnAction(e -> does.run());
        return item;
    }
}
