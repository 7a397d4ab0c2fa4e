package keentally.desk.ledger;

import java.awt.image.BufferedImage;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.application.Platform;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleObjectProperty;
import javafx.geometry.HPos;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.TextField;
import javafx.scene.image.ImageView;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import keentally.core.quantity.Amounts;
import keentally.core.stats.FieldStatistics;
import keentally.core.stats.LinearTrend;
import keentally.core.words.Figures;
import keentally.core.words.Sentences;
import keentally.desk.help.Topic;
import keentally.desk.help.Why;
import keentally.desk.look.Copies;
import keentally.desk.look.Pieces;
import keentally.desk.look.PlotImages;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.model.Newest;
import keentally.study.file.FileFault;
import keentally.study.plot.LedgerPlot;
import keentally.study.plot.SizesPlot;
import keentally.study.run.SampleRecord;
import keentally.study.series.CentreMoves;
import keentally.study.series.GroupSizes;
import keentally.study.series.Ledger;
import keentally.study.series.LedgerColumn;
import keentally.study.series.LedgerEntry;
import keentally.study.series.SampleDots;

/** One number over all samples: what the fields of each group say together, and a dot a sample. */
public final class LedgerSide extends VBox {
    private static final double WIDTH = 400;

    private final LedgerModel model;
    private final Runnable bench;
    private final Newest newest;
    private final ComboBox<LedgerColumn> numbers = new ComboBox<>();
    private final ReadOnlyObjectWrapper<Optional<String>> number = new ReadOnlyObjectWrapper<>(Optional.empty());
    private final ObjectProperty<Against> against = new SimpleObjectProperty<>(Against.GROUP);
    private final GridPane groups = new GridPane();
    private final TextField wanted = new TextField("10");
    private final ImageView picture = new ImageView();
    private final Label trend = Prose.of("", "figure-line");
    private final Label rule = Prose.of(Texts.of("ledger.rule"), "hint");
    private final Label moves = Prose.of("", "caution-line");
    private Optional<LedgerPlot> plot = Optional.empty();
    private Optional<Saving> shownPlot = Optional.empty();
    private Optional<LedgerPlot.Drawn> drawn = Optional.empty();
    private boolean filling;

    /** Writes a plot into a file. */
    @FunctionalInterface
    public interface Saving {
        void save(Path file) throws FileFault;
    }

    /** What the dots stand against, or the sizes of all objects. */
    enum Against {
        GROUP,
        TAG,
        SIZES
    }

    /**
     * @param bench shows the Bench
     * @param saving asks for a file's name and writes a plot into it
     */
    public LedgerSide(LedgerModel model, Runnable bench, Consumer<Saving> saving) {
        super(10);
        this.model = model;
        this.bench = bench;
        this.newest = new Newest(model.desk(), Platform::runLater);
        setId("ledger-side");
        getStyleClass().add("station-panel");
        numbers.setId("ledger-number");
        numbers.setAccessibleText(Texts.of("name.ledger-number"));
        numbers.setMaxWidth(Double.MAX_VALUE);
        numbers.setCellFactory(list -> cell());
        numbers.setButtonCell(cell());
        numbers.setOnAction(e -> {
            if (!filling) {
                number.set(Optional.ofNullable(numbers.getValue()).map(LedgerColumn::id));
                show();
            }
        });
        groups.setId("ledger-groups");
        groups.setHgap(12);
        groups.setVgap(4);
        wanted.setId("ledger-wanted");
        wanted.setAccessibleText(Texts.of("name.ledger-wanted"));
        wanted.setPrefColumnCount(4);
        wanted.textProperty().addListener(o -> groups());
        HBox accuracy = new HBox(8, new Label(Texts.of("ledger.wanted")), wanted, new Label("%"));
        accuracy.getStyleClass().add("row");
        picture.setId("ledger-plot");
        Copies.from(
                picture,
                () -> Copies.put(
                        Copies.plotWithCsv(picture, plot.map(LedgerPlot::csv).orElse(""))));
        picture.setFitWidth(WIDTH);
        picture.setPreserveRatio(true);
        picture.setOnMouseClicked(e -> drawn.flatMap(
                        d -> d.at(e.getX() / WIDTH * LedgerPlot.width(), e.getY() / WIDTH * LedgerPlot.width()))
                .ifPresent(i -> {
                    model.show(plot.orElseThrow().dots().get(i).id());
                    bench.run();
                }));
        Label title = new Label(Texts.of("ledger.title"));
        title.getStyleClass().add("station-title");
        trend.setId("ledger-trend");
        Why.ask(trend, this::whyTrend);
        moves.setId("ledger-moves");
        Button save = Pieces.button("ledger-plot-save", "differences.save", () -> shownPlot.ifPresent(saving));
        save.visibleProperty().bind(picture.imageProperty().isNotNull());
        rule.visibleProperty().bind(picture.imageProperty().isNotNull().and(against.isNotEqualTo(Against.SIZES)));
        rule.managedProperty().bind(rule.visibleProperty());
        moves.managedProperty().bind(moves.visibleProperty());
        getChildren()
                .addAll(
                        title,
                        Prose.of(Texts.of("ledger.question"), "question"),
                        numbers,
                        groups,
                        accuracy,
                        Pieces.choices("ledger-against", Against.values(), against),
                        picture,
                        trend,
                        rule,
                        save,
                        moves);
        against.addListener(o -> show());
        model.ledger().addListener((o, was, is) -> fill(is));
        fill(model.ledger().get());
    }

    /** The id of the number that is looked at. */
    ReadOnlyObjectProperty<Optional<String>> number() {
        return number.getReadOnlyProperty();
    }

    private static ListCell<LedgerColumn> cell() {
        return new ListCell<>() {
            @Override
            protected void updateItem(LedgerColumn item, boolean empty) {
                super.updateItem(item, empty);
                setText(empty || item == null ? "" : Sentences.told(item.title()));
            }
        };
    }

    private void fill(Ledger ledger) {
        filling = true;
        numbers.getItems().setAll(ledger.numbers());
        Optional<LedgerColumn> now = number.get()
                .flatMap(ledger::column)
                .or(() -> ledger.numbers().stream()
                        .findFirst()
                        .filter(c ->
                                ledger.entries().stream().anyMatch(e -> e.row().isPresent())));
        numbers.setValue(now.orElse(null));
        number.set(now.map(LedgerColumn::id));
        filling = false;
        Optional<CentreMoves> moved = CentreMoves.farthest(ledger.entries());
        moves.setVisible(moved.isPresent());
        moved.ifPresent(m -> moves.setText(Texts.of(
                "ledger.moves",
                m.method(),
                String.valueOf(m.step()),
                Figures.percent(m.percent()),
                String.valueOf(m.samples()))));
        show();
    }

    private Optional<LedgerColumn> column() {
        return number.get().flatMap(model.ledger().get()::column);
    }

    private void show() {
        groups();
        Optional<LedgerColumn> column = column();
        if (column.isEmpty()) {
            picture.setImage(null);
            plot = Optional.empty();
            shownPlot = Optional.empty();
            trend.setText("");
            return;
        }
        Ledger ledger = model.ledger().get();
        if (against.get() == Against.SIZES) {
            sizes(ledger, column.get());
            return;
        }
        boolean tags = against.get() == Against.TAG;
        boolean dark = PlotImages.isDark(getScene());
        newest.ask(work -> {
            LedgerPlot made = tags ? SampleDots.byTag(ledger, column.get()) : SampleDots.byGroup(ledger, column.get());
            LedgerPlot.Drawn image = made.drawn(PlotImages.look(dark));
            return () -> {
                plot = Optional.of(made);
                shownPlot = Optional.of(made::save);
                drawn = Optional.of(image);
                BufferedImage pixels = image.image();
                picture.setImage(PlotImages.of(pixels));
                trend.setText(tags ? made.trend().map(this::told).orElse(Texts.of("ledger.no-trend")) : "");
            };
        });
    }

    /** The measure that the number is of, or the first that there is, over the objects of each group. */
    private void sizes(Ledger ledger, LedgerColumn column) {
        boolean dark = PlotImages.isDark(getScene());
        Function<String, Optional<SampleRecord>> records = model.records();
        plot = Optional.empty();
        drawn = Optional.empty();
        newest.ask(work -> {
            Optional<SizesPlot> made = GroupSizes.of(ledger, column, records, work.cancel());
            Optional<BufferedImage> image = made.map(m -> m.image(PlotImages.look(dark)));
            return () -> {
                shownPlot = made.map(m -> m::save);
                picture.setImage(image.map(PlotImages::of).orElse(null));
                trend.setText(made.isPresent() ? Texts.of("ledger.sizes") : Texts.of("ledger.no-sizes"));
            };
        });
    }

    private String told(LinearTrend of) {
        String slope = Double.isNaN(of.slopeHalfWidth())
                ? Figures.number(of.slope())
                : Figures.number(of.slope()) + " \u00b1 " + Figures.number(of.slopeHalfWidth());
        return Texts.of("ledger.trend", slope, Figures.fixed(of.rSquared(), 3), String.valueOf(of.count()));
    }

    /** Of the slope against the number on the label; other lines under the plot are no numbers. */
    private Optional<Topic> whyTrend() {
        Ledger ledger = model.ledger().get();
        return plot.filter(p -> against.get() == Against.TAG && p.trend().isPresent())
                .flatMap(p -> column())
                .map(c -> LedgerWhy.of(
                        model.desk().study().get(),
                        c,
                        ledger.groups().values().stream().flatMap(List::stream).toList(),
                        "slope",
                        Texts.of("ledger.all"),
                        trend.getText()));
    }

    private void groups() {
        groups.getChildren().clear();
        Optional<LedgerColumn> column = column();
        if (column.isEmpty()) {
            return;
        }
        double accuracy = accuracy();
        List<String> heads = List.of("group", "fields", "mean", "sd", "interval", "accuracy", "needed");
        for (int c = 0; c < heads.size(); c++) {
            Label head = new Label(Texts.of("ledger.head." + heads.get(c)));
            head.getStyleClass().add("setting-name");
            head.setMinWidth(USE_PREF_SIZE);
            add(head, c, 0);
        }
        int row = 1;
        Ledger ledger = model.ledger().get();
        Map<String, List<LedgerEntry>> members = ledger.groups();
        for (Map.Entry<String, FieldStatistics> group :
                ledger.statistics(column.get()).entrySet()) {
            FieldStatistics s = group.getValue();
            String name = group.getKey().isEmpty() ? Texts.of("ledger.no-group") : group.getKey();
            String needed = Double.isNaN(accuracy) || s.needed(accuracy).isEmpty()
                    ? ""
                    : Figures.number(s.needed(accuracy).getAsLong());
            List<String> cells = List.of(
                    name,
                    Figures.number(s.count()),
                    shown(s.mean()),
                    shown(s.sd()),
                    shown(s.halfWidth()),
                    shown(s.relativeAccuracy()),
                    needed);
            for (int c = 0; c < cells.size(); c++) {
                Label cell = new Label(cells.get(c));
                cell.setId("group-" + row + "-" + heads.get(c));
                if (c > 0) {
                    cell.getStyleClass().add("figure");
                    cell.setMinWidth(USE_PREF_SIZE);
                    String kind = heads.get(c);
                    Why.ask(
                            cell,
                            () -> Optional.of(LedgerWhy.of(
                                    model.desk().study().get(),
                                    column.get(),
                                    members.get(group.getKey()),
                                    kind,
                                    name,
                                    cell.getText())));
                }
                add(cell, c, row);
            }
            row++;
        }
    }

    private void add(Label label, int column, int row) {
        groups.add(label, column, row);
        GridPane.setHalignment(label, column == 0 ? HPos.LEFT : HPos.RIGHT);
    }

    private static String shown(double value) {
        return Double.isNaN(value) ? "\u2013" : Figures.number(value);
    }

    private double accuracy() {
        try {
            double value = Amounts.number(Objects.requireNonNullElse(wanted.getText(), ""));
            return value > 0 ? value : Double.NaN;
        } catch (NumberFormatException e) {
            return Double.NaN;
        }
    }
}
