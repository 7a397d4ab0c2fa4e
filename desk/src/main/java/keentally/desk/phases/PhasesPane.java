package keentally.desk.phases;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.ToDoubleFunction;
import javafx.beans.binding.Bindings;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import javafx.beans.property.SimpleObjectProperty;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TableCell;
import javafx.scene.control.TableColumn;
import javafx.scene.control.TableView;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import keentally.core.picture.PhaseMap;
import keentally.core.quantity.LengthUnit;
import keentally.core.run.PhaseReading;
import keentally.core.run.Readings;
import keentally.core.view.PhaseInks;
import keentally.core.words.Figures;
import keentally.core.words.Sentences;
import keentally.desk.help.Topic;
import keentally.desk.help.Why;
import keentally.desk.ledger.LedgerModel;
import keentally.desk.look.Copies;
import keentally.desk.look.Pieces;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.study.document.Thing.SampleThing;
import keentally.study.result.PhaseShares;
import keentally.study.result.PhaseShares.Column;
import keentally.study.result.PhaseShares.Row;
import keentally.study.result.PhaseShares.Source;
import keentally.study.run.SampleRecord;
import keentally.study.run.SampleRun;
import keentally.study.series.LedgerEntry;

/** Phases as rows, the whole as a bar; of the sample on the stage, or of all that have its method. */
public final class PhasesPane extends VBox {
    private static final double MOST_BARS = 230;

    private enum Of {
        SAMPLE,
        ALL
    }

    private final DeskModel desk;
    private final LedgerModel series;
    private final ObjectProperty<Of> of = new SimpleObjectProperty<>(Of.SAMPLE);
    private final ComboBox<String> whole = new ComboBox<>();
    private final VBox bars = new VBox(5);
    private final TableView<Row> table = new TableView<>();
    private final Label note = Prose.of("", "hint");
    private final Button run;
    private PhaseShares shares = new PhaseShares(LengthUnit.PX, Optional.empty(), List.of());
    private boolean filling;

    /** @param onTake told what is to be taken away */
    public PhasesPane(DeskModel desk, LedgerModel series, Consumer<PhaseShares> onTake) {
        this.desk = desk;
        this.series = series;
        setId("phases-pane");
        getStyleClass().add("phases-pane");
        whole.setId("phases-whole");
        whole.setAccessibleText(Texts.of("name.phases-whole"));
        whole.setOnAction(e -> fill());
        HBox named = new HBox(8, Pieces.name("phases.whole"), whole);
        named.setAlignment(Pos.CENTER_LEFT);
        named.getStyleClass().add("row");
        HBox choices = Pieces.choices("phases-of", Of.values(), of);
        of.addListener(o -> fill());
        table.setId("phases-table");
        table.setAccessibleText(Texts.of("name.phases-table"));
        table.setPlaceholder(new Label(Texts.of("phases.none")));
        Why.fromCell(table, Column.class, this::why);
        VBox.setVgrow(table, Priority.ALWAYS);
        note.setId("phases-note");
        bars.setId("phases-bars");
        Copies.from(this, this::copy);
        run = Pieces.button("phases-run", "phases.run", this::run);
        FlowPane buttons = new FlowPane(
                8,
                6,
                run,
                Pieces.button("phases-copy", "phases.copy", this::copy),
                Pieces.button("phases-take", "phases.take", () -> onTake.accept(shares)));
        ScrollPane seen = new ScrollPane(bars);
        seen.setFitToWidth(true);
        seen.setMaxHeight(MOST_BARS);
        seen.prefHeightProperty()
                .bind(Bindings.createDoubleBinding(
                        () -> Math.min(MOST_BARS, bars.getHeight() + 4), bars.heightProperty()));
        seen.setMinHeight(34);
        seen.getStyleClass().add("phase-bars");
        getChildren().addAll(choices, named, seen, note, table, buttons);
        desk.shown().addListener(o -> fill());
        desk.study().addListener(o -> fill());
        series.ledger().addListener(o -> fill());
        sceneProperty().addListener(o -> fill());
        fill();
    }

    private void run() {
        series.run(used());
    }

    /** Samples that have the method. */
    private List<String> used() {
        return desk.study().get().samples().stream()
                .filter(id -> desk.study()
                        .get()
                        .sample(id)
                        .filter(s -> s.method().equals(desk.methodId()))
                        .isPresent())
                .toList();
    }

    private void copy() {
        Copies.put(Copies.table(shares.copied()));
        desk.say(Texts.of("phases.copied", Figures.number(shares.rows().size())));
    }

    private List<Source> sources() {
        List<Source> sources = new ArrayList<>();
        String here = desk.sampleId().get();
        Map<String, SampleRecord> known = new HashMap<>();
        for (LedgerEntry entry : series.ledger().get().entries()) {
            if (entry.counts()) {
                known.put(entry.id(), entry.row().orElseThrow().record());
            }
        }
        desk.shown().get().map(SampleRun::record).ifPresent(r -> known.put(here, r));
        for (String id : of.get() == Of.SAMPLE ? List.of(here) : used()) {
            Optional<SampleThing> thing = desk.study().get().sample(id);
            if (thing.isPresent() && known.containsKey(id)) {
                String massUnit = thing.get().mass().map(m -> m.unit().id()).orElse("");
                boolean within = !desk.study()
                        .get()
                        .methodOn(id, desk.methodId())
                        .openParts()
                        .isEmpty();
                sources.add(new Source(id, thing.get().name(), known.get(id), massUnit, within));
            }
        }
        return sources;
    }

    private void fill() {
        if (getScene() == null || filling) {
            return;
        }
        filling = true; // the list of wholes asks for it again
        try {
            List<Source> sources = sources();
            List<String> names = sources.stream()
                    .flatMap(s -> s.record().numbers().stream())
                    .flatMap(n -> n.phases().stream())
                    .map(PhaseReading::name)
                    .distinct()
                    .toList();
            wholes(names);
            int chosen = whole.getSelectionModel().getSelectedIndex();
            Optional<String> phase = chosen <= 0 ? Optional.empty() : Optional.of(names.get(chosen - 1));
            shares = PhaseShares.of(sources, desk.unit(), phase);
            columns();
            table.getItems().setAll(shares.rows());
            bars(sources);
            note.setText(note(sources, phase));
        } finally {
            filling = false;
        }
    }

    /** The whole that is no phase: the field, or the part of it that the method goes on within. */
    private String fieldName() {
        return Texts.of(desk.method().openParts().isEmpty() ? "phases.whole.field" : "phases.whole.part");
    }

    private void wholes(List<String> names) {
        List<String> all = new ArrayList<>();
        all.add(fieldName());
        names.forEach(n -> all.add(Texts.of("phases.whole.phase", n)));
        if (!all.equals(whole.getItems())) {
            String before = whole.getValue();
            whole.getItems().setAll(all);
            whole.setValue(all.contains(before) ? before : all.getFirst());
        }
    }

    private void columns() {
        List<Column> all = shares.columns().stream()
                .filter(c -> of.get() == Of.ALL || !c.id().equals("sample"))
                .toList();
        List<String> titles = all.stream().map(Column::title).toList();
        if (titles.equals(table.getColumns().stream()
                .map(c -> ((Label) c.getGraphic()).getText())
                .toList())) {
            return;
        }
        table.getColumns().setAll(all.stream().map(this::column).toList());
    }

    private TableColumn<Row, String> column(Column of) {
        boolean words = of.text().isPresent();
        TableColumn<Row, String> column = new TableColumn<>();
        Label head = new Label(Sentences.told(of.title()));
        head.setMaxWidth(Double.MAX_VALUE);
        head.prefWidthProperty().bind(column.widthProperty().subtract(16));
        head.getStyleClass().add(words ? "head-words" : "head-number");
        column.setGraphic(head);
        column.setSortable(false);
        column.setUserData(of);
        column.setPrefWidth(
                switch (of.id()) {
                    case "name" -> 112;
                    case "sample" -> 130;
                    case "centre" -> 150;
                    case "whole" -> 64;
                    case "pixels" -> 70;
                    default -> 78 + 5 * Math.max(0, of.title().length() - 9);
                });
        column.setCellValueFactory(row -> new ReadOnlyStringWrapper(shown(of, row.getValue())));
        column.setCellFactory(c -> new Cell(words, of.id().equals("name")));
        return column;
    }

    private Optional<Topic> why(Row row, Column column) {
        if (column.text().isPresent()) {
            return Optional.empty();
        }
        String told = shown(column, row);
        Source source = sources().stream()
                .filter(s -> s.id().equals(row.id()))
                .findFirst()
                .orElseThrow();
        Optional<String> of = shares.whole();
        LengthUnit unit = shares.unit();
        ToDoubleFunction<SampleRecord> again = record -> PhaseShares.of(
                        List.of(new Source(row.id(), row.sample(), record, source.massUnit(), source.within())),
                        unit,
                        of)
                .rows()
                .stream()
                .filter(r -> r.phase().name().equals(row.phase().name()))
                .mapToDouble(column.number())
                .findFirst()
                .orElse(Double.NaN);
        return Optional.of(new Topic.OfNumber(
                Texts.of("why.of", Sentences.told(column.title()), row.phase().name()),
                told,
                List.of(definition(column, row)),
                Topic.Whose.of(desk.study().get(), row.id()),
                "",
                Optional.of(Why.byRecord(again, Figures::number))));
    }

    private static String definition(Column column, Row row) {
        String pixels = Figures.number(row.phase().pixels());
        return column.id().equals("share_percent")
                ? Texts.of(
                        "why.phase.share",
                        pixels,
                        row.phase().name(),
                        Figures.number(row.wholePixels()),
                        Sentences.told(row.whole()))
                : Texts.of("why.phase", pixels, row.phase().name());
    }

    private static String shown(Column column, Row row) {
        return column.id().equals("share_percent") && !Double.isNaN(row.share())
                ? Figures.percent(row.share())
                : column.id().equals("whole") ? Sentences.told(column.shown(row)) : column.shown(row);
    }

    /** Words or a number; a phase's name has its swatch. */
    private final class Cell extends TableCell<Row, String> {
        private final boolean swatched;

        Cell(boolean words, boolean swatched) {
            this.swatched = swatched;
            setAlignment(words ? Pos.CENTER_LEFT : Pos.CENTER_RIGHT);
            getStyleClass().add("figure");
        }

        @Override
        protected void updateItem(String item, boolean empty) {
            super.updateItem(item, empty);
            setText(empty ? null : item);
            Row row = empty ? null : getTableRow().getItem();
            if (!swatched || row == null) {
                setGraphic(null);
                return;
            }
            Region swatch = new Region();
            swatch.getStyleClass().add("swatch");
            swatch.setStyle(String.format("-fx-background-color: #%06x", ink(row) & 0xffffff));
            setGraphic(swatch);
        }
    }

    /** As the stage paints it. */
    private int ink(Row row) {
        List<String> names = shares.rows().stream()
                .filter(r -> r.sample().equals(row.sample()))
                .map(r -> r.phase().name())
                .toList();
        return inks(names)[row.phase().number()];
    }

    private int[] inks(List<String> names) {
        List<Integer> colours = desk.shown()
                .get()
                .flatMap(SampleRun::readings)
                .flatMap(Readings::phases)
                .filter(m -> m.names().equals(names))
                .map(PhaseMap::colours)
                .orElse(List.of());
        return PhaseInks.flat(names, colours, desk.phaseColours());
    }

    private void bars(List<Source> sources) {
        bars.getChildren().clear();
        for (Source source : sources) {
            source.record().numbers().ifPresent(n -> {
                List<String> names = n.phases().stream().map(PhaseReading::name).toList();
                int[] inks = inks(names);
                List<PhaseBar.Piece> pieces = n.phases().stream()
                        .map(p -> new PhaseBar.Piece(p.name(), p.percent(), inks[p.number()]))
                        .toList();
                bars.getChildren().add(new PhaseBar(of.get() == Of.ALL ? source.name() : "", pieces));
            });
        }
    }

    /** What the whole is, in words and numbers; and who is not among the rows. */
    private String note(List<Source> sources, Optional<String> phase) {
        if (sources.isEmpty()) {
            run.setVisible(of.get() == Of.ALL);
            return "";
        }
        int missing = of.get() == Of.ALL ? used().size() - sources.size() : 0;
        run.setVisible(missing > 0);
        run.setManaged(missing > 0);
        String said = sources.getFirst()
                .record()
                .numbers()
                .map(n -> Texts.of(
                        "phases.note",
                        phase.map(p -> Texts.of("phases.whole.phase", p)).orElse(fieldName()),
                        Figures.number(n.fieldPixels()),
                        Figures.area(
                                n.fieldPixels(), sources.getFirst().record().told(desk.unit())),
                        fieldName()))
                .orElse("");
        long without = shares.rows().stream()
                .filter(r -> Double.isNaN(r.share()))
                .map(Row::sample)
                .distinct()
                .count();
        String lacking =
                without == 0 ? "" : " " + Texts.of("phases.lacking", Figures.number(without), phase.orElse(""));
        return said + lacking + (missing > 0 ? " " + Texts.of("phases.missing", Figures.number(missing)) : "");
    }
}
