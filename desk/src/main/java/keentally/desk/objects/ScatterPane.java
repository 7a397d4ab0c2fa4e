package keentally.desk.objects;

import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import javafx.application.Platform;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import keentally.core.measure.Measure;
import keentally.core.method.MethodStep;
import keentally.core.region.ObjectSet;
import keentally.core.region.Regions;
import keentally.core.words.Figures;
import keentally.core.words.Words;
import keentally.desk.look.Pieces;
import keentally.desk.look.PlotImages;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.desk.model.Newest;
import keentally.study.run.SampleRun;

/**
 * Any two measures against each other. Where the method has gates on them, the points are of all objects that enter the first of these,
 * those outside hollow. A box chooses points, and can become a gate on both.
 */
final class ScatterPane extends VBox {
    private static final int[] DAY = {0xff0e6470, 0xff9a958a, 0xff7a2e6e};
    private static final int[] NIGHT = {0xff4fb3bf, 0xff6e757c, 0xffe29ad3};

    private final DeskModel desk;
    private final Newest gathering;
    private final Newest painting;
    private final MeasureBox across;
    private final MeasureBox up;
    private final CheckBox log = new CheckBox(Texts.of("scatter.log"));
    private final Button gateBox = Pieces.button("scatter-gate", "scatter.gate", this::gateBox);
    private final Label says = Prose.of("", "figure-line");
    private final ScatterPlot plot;
    private Cloud cloud = Cloud.NONE;
    private Optional<MeasureGate.Range[]> box = Optional.empty();

    ScatterPane(DeskModel desk) {
        this.desk = desk;
        this.gathering = new Newest(desk, Platform::runLater);
        this.painting = new Newest(desk, Platform::runLater);
        this.across = new MeasureBox(desk, "scatter-across", Measure.ECD);
        this.up = new MeasureBox(desk, "scatter-up", Measure.CIRCULARITY);
        setId("scatter-pane");
        getStyleClass().add("distribution-pane");
        log.setId("scatter-log");
        says.setId("scatter-says");
        plot = new ScatterPlot(new ByMouse(), (w, h) -> paint());
        VBox.setVgrow(plot, Priority.ALWAYS);
        FlowPane row = new FlowPane(8, 6, across, Pieces.name("scatter.against"), up, log, gateBox);
        row.getStyleClass().add("distribution-row");
        row.setPrefWrapLength(ObjectsPane.ROW);
        getChildren().addAll(row, plot, says);
        across.valueProperty().addListener(o -> refresh());
        up.valueProperty().addListener(o -> refresh());
        log.selectedProperty().addListener(o -> draw());
        desk.shown().addListener(o -> refresh());
        desk.selection().addListener(o -> paint());
        visibleProperty().addListener(o -> refresh());
        refresh();
    }

    private MeasureGate gate(boolean isAcross) {
        return new MeasureGate(desk, isAcross ? across.getValue() : up.getValue());
    }

    private void refresh() {
        Optional<EndTable> end = EndTable.of(desk);
        if (!isVisible() || end.isEmpty()) {
            gathering.drop();
            cloud = Cloud.NONE;
            draw();
            return;
        }
        EndTable of = end.get();
        ObjectSet entering = Stream.of(gate(true).step(), gate(false).step())
                .flatMap(Optional::stream)
                .map(MethodStep::id)
                .min(java.util.Comparator.comparingInt(desk.method()::indexOf))
                .flatMap(desk::entering)
                .flatMap(s -> s.objects())
                .orElse(of.objects());
        Measure x = across.getValue();
        Measure y = up.getValue();
        gathering.ask(work -> {
            Regions last = of.objects().regions();
            boolean same = entering == of.objects();
            int[] regions = IntStream.range(0, entering.count())
                    .map(i -> same ? entering.region(i) : last.find(entering.regions(), entering.region(i)))
                    .toArray();
            Cloud made = new Cloud(
                    regions,
                    same ? of.values(x, work) : of.values(entering, x, work),
                    same ? of.values(y, work) : of.values(entering, y, work));
            return () -> {
                cloud = made;
                draw();
            };
        });
    }

    private void draw() {
        plot.show(
                Cloud.extent(cloud.x(), log.isSelected()),
                Cloud.extent(cloud.y(), log.isSelected()),
                log.isSelected(),
                gate(true).range(),
                gate(false).range());
        box = Optional.empty();
        plot.unbox();
        paint();
        told();
    }

    private void told() {
        gateBox.setDisable(box.isEmpty());
        MeasureGate.Range x = gate(true).range();
        MeasureGate.Range y = gate(false).range();
        long in = IntStream.range(0, cloud.size())
                .filter(i -> x.holds(cloud.x()[i]) && y.holds(cloud.y()[i]))
                .count();
        says.setText(Texts.of(
                "scatter.says",
                Figures.number(in),
                Figures.number(cloud.size()),
                Words.title(across.getValue(), desk.unit()),
                Words.title(up.getValue(), desk.unit())));
    }

    private void paint() {
        int width = (int) plot.getWidth();
        int height = (int) plot.getHeight();
        if (!isVisible() || width < 80 || height < 60) {
            return;
        }
        Cloud of = cloud;
        Axis x = plot.across();
        Axis y = plot.up();
        MeasureGate.Range gateX = gate(true).range();
        MeasureGate.Range gateY = gate(false).range();
        Set<Integer> selection = desk.selection().get();
        int[] inks = PlotImages.isDark(getScene()) ? NIGHT : DAY;
        painting.ask(work -> {
            PointPainter painter = new PointPainter(width, height);
            for (int i = 0; i < of.size(); i++) {
                boolean in = gateX.holds(of.x()[i]) && gateY.holds(of.y()[i]);
                painter.point(x.at(of.x()[i]), y.at(of.y()[i]), in ? inks[0] : inks[1], in);
            }
            for (int i = 0; i < of.size(); i++) {
                if (selection.contains(of.ofRegions()[i])) {
                    painter.chosen(x.at(of.x()[i]), y.at(of.y()[i]), inks[2]);
                }
            }
            return () -> plot.put(painter.pixels(), width, height);
        });
    }

    private void gateBox() {
        box.ifPresent(b -> desk.change(
                Texts.of("action.gates"), m -> gate(false).in(gate(true).in(m, b[0]), b[1])));
    }

    /** What the mouse did on the plot. */
    private final class ByMouse implements ScatterPlot.Hand {
        @Override
        public void gating(boolean isAcross, MeasureGate.Range range, boolean done) {
            if (done) {
                gate(isAcross).keep(range);
            } else {
                gate(isAcross).tryOut(range);
            }
        }

        @Override
        public void boxed(MeasureGate.Range x, MeasureGate.Range y) {
            box = Optional.of(new MeasureGate.Range[] {x, y});
            gateBox.setDisable(false);
            Optional<ObjectSet> objects = desk.shown().get().flatMap(SampleRun::objects);
            objects.ifPresent(o -> desk.selection().set(cloud.within(x, y, o::isKept)));
        }
    }
}
