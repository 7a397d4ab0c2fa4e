package keentally.desk.objects;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import javafx.application.Platform;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import keentally.core.measure.Measure;
import keentally.core.region.ObjectSet;
import keentally.core.view.Pyramid;
import keentally.core.words.Figures;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.desk.model.Newest;
import keentally.desk.model.OpenSample;

/**
 * Cut-outs of the objects in the order of a measure, so that odd ones stand out. Arrow keys go through them, Delete drops one and Enter
 * brings one back.
 */
final class LineUpPane extends VBox {
    private final DeskModel desk;
    private final Newest sorting;
    private final MeasureBox measures;
    private final ToggleButton down = new ToggleButton(Texts.of("line-up.down"));
    private final CheckBox droppedToo = new CheckBox(Texts.of("line-up.dropped"));
    private final CheckBox sameScale = new CheckBox(Texts.of("line-up.scale"));
    private final CheckBox doubtful = new CheckBox(Texts.of("line-up.doubtful"));
    private final Label says = Prose.of("", "figure-line");
    private final LineUpGrid grid;
    private Optional<EndTable> of = Optional.empty();
    private int[] regions = {};
    private double[] values = {};

    LineUpPane(DeskModel desk) {
        this.desk = desk;
        this.sorting = new Newest(desk, Platform::runLater);
        this.measures = new MeasureBox(desk, "line-up-measure", Measure.AREA);
        this.grid = new LineUpGrid(desk, this::told, this::chosen);
        setId("line-up-pane");
        getStyleClass().add("distribution-pane");
        down.setId("line-up-down");
        droppedToo.setId("line-up-dropped");
        sameScale.setId("line-up-scale");
        doubtful.setId("line-up-doubtful");
        doubtful.managedProperty().bind(doubtful.visibleProperty());
        doubtful.setVisible(false);
        says.setId("line-up-says");
        VBox.setVgrow(grid, Priority.ALWAYS);
        FlowPane row = new FlowPane(8, 6, measures, down, droppedToo, sameScale, doubtful);
        row.getStyleClass().addAll("distribution-row", "choices");
        row.setPrefWrapLength(ObjectsPane.ROW);
        getChildren().addAll(row, grid, says);
        measures.valueProperty().addListener(o -> refresh());
        down.selectedProperty().addListener(o -> refresh());
        droppedToo.selectedProperty().addListener(o -> refresh());
        doubtful.selectedProperty().addListener(o -> refresh());
        sameScale.selectedProperty().addListener(o -> show());
        desk.shown().addListener(o -> refresh());
        desk.selection().addListener(o -> follow());
        visibleProperty().addListener(o -> refresh());
        grid.addEventHandler(KeyEvent.KEY_PRESSED, this::key);
        refresh();
    }

    private void refresh() {
        of = EndTable.of(desk);
        if (!isVisible() || of.isEmpty()) {
            sorting.drop();
            regions = new int[0];
            values = new double[0];
            show();
            return;
        }
        EndTable end = of.get();
        doubtful.setVisible(end.objects().isSorted());
        boolean byDoubt = isByDoubt();
        Measure measure = measures.getValue();
        boolean all = droppedToo.isSelected();
        boolean descending = down.isSelected();
        sorting.ask(work -> {
            ObjectSet whole = all ? ObjectSet.of(end.objects().regions()) : end.objects();
            double[] column = byDoubt
                    ? certainties(end.objects(), whole)
                    : all ? end.values(whole, measure, work) : end.values(measure, work);
            int[] order = RowOrder.sorted(column, descending && !byDoubt, i -> true);
            int[] sortedRegions = Arrays.stream(order).map(whole::region).toArray();
            double[] sorted = Arrays.stream(order).mapToDouble(i -> column[i]).toArray();
            return () -> {
                regions = sortedRegions;
                values = sorted;
                show();
                follow();
            };
        });
    }

    /** Those that somebody sorted by examples, the ones that could as well be something else first. */
    private boolean isByDoubt() {
        return doubtful.isSelected() && doubtful.isVisible();
    }

    /** In per cent. */
    private static double[] certainties(ObjectSet sorted, ObjectSet shown) {
        return IntStream.range(0, shown.count())
                .mapToDouble(i -> 100 * sorted.certaintyOf(shown.region(i)))
                .toArray();
    }

    private void show() {
        Optional<Pyramid> ground = desk.open().get().map(OpenSample::pyramid);
        grid.show(of.filter(e -> regions.length > 0 && ground.isPresent())
                .map(e -> new LineUpGrid.Cuts(
                        ground.get(), e.state().field(), e.objects(), regions, values, sameScale.isSelected())));
        told();
    }

    private void told() {
        int at = grid.current();
        if (at < 0 || at >= regions.length || of.isEmpty()) {
            says.setText(regions.length == 0 ? "" : Texts.of("line-up.hint", Figures.number(regions.length)));
            return;
        }
        ObjectSet objects = of.get().objects();
        int region = regions[at];
        String unit = isByDoubt() ? "%" : measures.getValue().unitSymbol(desk.unit());
        String value = Double.isNaN(values[at]) ? Texts.of("line-up.empty") : Figures.number(values[at]);
        String name = objects.isKept(region)
                ? Texts.of("line-up.object", Figures.number(objects.number(region)))
                : Texts.of("line-up.gone", title(objects.droppedBy(region)));
        if (isByDoubt()) {
            name = Texts.of("line-up.taken", name, objects.classOf(region));
        }
        says.setText(Texts.of(
                "line-up.says",
                name,
                unit.isEmpty() ? value : value + " " + unit,
                Figures.number(at + 1),
                Figures.number(regions.length)));
    }

    private String title(String stepId) {
        return desk.method()
                .step(stepId)
                .map(s -> keentally.core.words.Words.title(s.description()))
                .orElse(stepId);
    }

    private void chosen(int at) {
        desk.selection().set(Set.of(regions[at]));
    }

    private void follow() {
        Set<Integer> selection = desk.selection().get();
        if (isVisible() && selection.size() == 1) {
            int wanted = selection.iterator().next();
            IntStream.range(0, regions.length)
                    .filter(i -> regions[i] == wanted)
                    .findFirst()
                    .ifPresent(grid::goTo);
        }
        grid.mark(selection);
        told();
    }

    private void key(KeyEvent e) {
        int at = grid.current();
        if (at < 0 || at >= regions.length) {
            return;
        }
        switch (e.getCode()) {
            case DELETE, BACK_SPACE -> new ByHand(desk).drop(List.of(regions[at]));
            case ENTER -> new ByHand(desk).restore(List.of(regions[at]));
            default -> {
                return;
            }
        }
        e.consume();
    }
}
