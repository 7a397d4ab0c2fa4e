package keentally.desk.objects;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.DoublePredicate;
import java.util.function.IntPredicate;
import java.util.stream.IntStream;
import javafx.application.Platform;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import keentally.core.measure.Measure;
import keentally.core.measure.ObjectTable;
import keentally.core.method.MethodStep;
import keentally.core.quantity.PixelSize;
import keentally.core.region.ObjectSet;
import keentally.core.region.Regions;
import keentally.core.setting.ChoiceSetting;
import keentally.core.stats.Distribution;
import keentally.core.step.State;
import keentally.core.step.StepFault;
import keentally.core.words.Figures;
import keentally.core.words.Words;
import keentally.desk.help.Why;
import keentally.desk.look.Copies;
import keentally.desk.look.Pieces;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.desk.model.Newest;
import keentally.study.plot.SpreadPlot;
import keentally.study.run.SampleRun;

/**
 * How a measure is spread over the objects, with the gate on it to drag. Where the method has a gate on the measure, the bars are of all
 * objects that enter it, those it drops hollow.
 */
final class DistributionPane extends VBox {
    private enum Weight {
        COUNT,
        AREA
    }

    private enum Steps {
        LINEAR,
        LOG
    }

    private final DeskModel desk;
    private final Newest newest;
    private final Newest picking;
    private final MeasureBox measures;
    private final ObjectProperty<Weight> weight = new SimpleObjectProperty<>(Weight.COUNT);
    private final ObjectProperty<Steps> steps = new SimpleObjectProperty<>(Steps.LINEAR);
    private final CheckBox sum = new CheckBox(Texts.of("distribution.sum"));
    private final DistributionPlot plot;
    private final Label numbers = Prose.of("", "figure-line");
    private Population known = Population.NONE;

    /**
     * The objects that bars are drawn of.
     *
     * @param ofRegions their regions at the end of the method; −1 for none
     * @param values of the measure, in the unit shown
     * @param areas in pixels
     * @param kept what a gate on the measure keeps
     */
    private record Population(int[] ofRegions, double[] values, double[] areas, Distribution all, Distribution kept) {
        /** The objects at the end that lie in a class. */
        Set<Integer> inClass(int wanted, IntPredicate stillKept) {
            Set<Integer> regions = new HashSet<>();
            for (int i = 0; i < values.length; i++) {
                boolean counts = values[i] >= all.edge(0) && values[i] <= all.edge(all.classes());
                if (counts && all.classOf(values[i]) == wanted && ofRegions[i] >= 0 && stillKept.test(ofRegions[i])) {
                    regions.add(ofRegions[i]);
                }
            }
            return Set.copyOf(regions);
        }

        double[] valuesOf(Set<Integer> regions) {
            return IntStream.range(0, values.length)
                    .filter(i -> regions.contains(ofRegions[i]))
                    .mapToDouble(i -> values[i])
                    .toArray();
        }

        static final Population NONE = of(new int[0], new double[0], new double[0], Weight.COUNT, false, v -> true);

        static Population of(
                int[] regions, double[] values, double[] areas, Weight by, boolean log, DoublePredicate gate) {
            double[] weights = by == Weight.AREA
                    ? areas
                    : IntStream.range(0, values.length).mapToDouble(i -> 1).toArray();
            int[] in = IntStream.range(0, values.length)
                    .filter(i -> gate.test(values[i]))
                    .toArray();
            int classes = Distribution.classesFor(values.length);
            return new Population(
                    regions,
                    values,
                    areas,
                    Distribution.of(values, weights, log, classes),
                    Distribution.of(
                            IntStream.of(in).mapToDouble(i -> values[i]).toArray(),
                            IntStream.of(in).mapToDouble(i -> weights[i]).toArray(),
                            log,
                            classes));
        }
    }

    /** Shows how another measure is spread. */
    void measure(Measure measure) {
        measures.setValue(measure);
    }

    DistributionPane(DeskModel desk) {
        this.desk = desk;
        this.newest = new Newest(desk, Platform::runLater);
        this.picking = new Newest(desk, Platform::runLater);
        this.measures = new MeasureBox(desk, "distribution-measure", Measure.ECD);
        setId("distribution-pane");
        getStyleClass().add("distribution-pane");
        measures.valueProperty().addListener(o -> refresh());
        weight.addListener(o -> refresh());
        steps.addListener(o -> refresh());
        sum.setId("distribution-sum");
        sum.setSelected(true);
        sum.selectedProperty().addListener(o -> draw());
        plot = new DistributionPlot(r -> gate().tryOut(r), r -> gate().keep(r), this::pick);
        Copies.from(plot, this::copy);
        numbers.setId("distribution-numbers");
        Why.ask(
                numbers,
                () -> known.kept().count() == 0
                        ? Optional.empty()
                        : new ObjectsWhy(desk)
                                .spread(measures.getValue(), numbers.getText(), weight.get() == Weight.AREA));
        FlowPane row = new FlowPane(
                8,
                6,
                measures,
                Pieces.choices("distribution-by", Weight.values(), weight),
                Pieces.choices("distribution-steps", Steps.values(), steps),
                sum);
        row.getStyleClass().add("distribution-row");
        row.setPrefWrapLength(ObjectsPane.ROW);
        getChildren().addAll(row, plot, numbers);
        desk.shown().addListener(o -> refresh());
        desk.selection().addListener(o -> follow());
        visibleProperty().addListener(o -> refresh());
        refresh();
    }

    private MeasureGate gate() {
        return new MeasureGate(desk, measures.getValue());
    }

    /** Works out the bars of what is on the stage, where somebody looks. */
    private void refresh() {
        Optional<SampleRun> shown = desk.shown().get();
        if (!isVisible() || shown.flatMap(SampleRun::readings).isEmpty()) {
            newest.drop();
            known = Population.NONE;
            draw();
            return;
        }
        Measure measure = measures.getValue();
        MeasureGate.Range range = gate().range();
        Optional<State> before = gate().step().map(MethodStep::id).flatMap(desk::entering);
        State state = before.filter(s -> s.objects().isPresent())
                .orElseGet(
                        () -> shown.flatMap(SampleRun::readings).orElseThrow().state());
        Optional<Regions> end = shown.flatMap(SampleRun::objects).map(ObjectSet::regions);
        String signal = desk.method().signal();
        PixelSize size = desk.pixelSize();
        Weight by = weight.get();
        boolean log = steps.get() == Steps.LOG;
        newest.ask(work -> {
            Population made = Population.NONE;
            try {
                if (state.objects().isPresent()) {
                    ObjectSet objects = state.objects().get();
                    ObjectTable table =
                            ObjectTable.of(objects, List.of(measure, Measure.AREA), state.ground(signal, work), work);
                    int[] regions = IntStream.range(0, objects.count())
                            .map(i -> end.map(e -> e.find(objects.regions(), objects.region(i)))
                                    .orElse(-1))
                            .toArray();
                    made = Population.of(regions, table.column(0, size), table.column(1), by, log, range::holds);
                }
            } catch (StepFault noSuchSignal) {
                // the run itself says so
            }
            Population found = made;
            return () -> {
                known = found;
                draw();
                follow();
            };
        });
    }

    /** @param onSave told the plot of what the gate keeps */
    void save(Consumer<SpreadPlot> onSave) {
        if (known.kept().count() == 0) {
            desk.say(Texts.of("distribution.none"));
            return;
        }
        onSave.accept(spread());
    }

    private SpreadPlot spread() {
        return new SpreadPlot(
                known.kept(),
                steps.get() == Steps.LOG,
                Words.title(measures.getValue(), desk.unit()),
                Texts.of("distribution.of." + ChoiceSetting.word(weight.get())));
    }

    private void copy() {
        String csv = known.kept().count() == 0 ? "" : spread().csv();
        Copies.put(Copies.plotWithCsv(plot, csv));
    }

    private void draw() {
        plot.show(
                Optional.of(known.all()).filter(d -> d.count() > 0),
                steps.get() == Steps.LOG,
                sum.isSelected(),
                gate().range());
        Distribution kept = known.kept();
        String unit = measures.getValue().dimension().unitSymbol(desk.unit());
        numbers.setText(
                kept.count() == 0
                        ? Texts.of("distribution.none")
                        : Texts.of(
                                "distribution.numbers",
                                with(kept.at(10), unit),
                                with(kept.at(50), unit),
                                with(kept.at(90), unit),
                                with(kept.mean(), unit),
                                with(kept.sd(), unit),
                                Figures.percent(kept.cv()),
                                Figures.number(kept.count())));
    }

    private static String with(double number, String unit) {
        return unit.isEmpty() ? Figures.number(number) : Figures.number(number) + " " + unit;
    }

    /** Selects the kept objects of the class that was clicked. */
    private void pick(double value) {
        Population of = known;
        Optional<ObjectSet> objects = desk.shown().get().flatMap(SampleRun::objects);
        if (of.all().classes() == 0 || objects.isEmpty()) {
            return;
        }
        picking.ask(work -> {
            Set<Integer> regions = of.inClass(of.all().classOf(value), objects.get()::isKept);
            return () -> desk.selection().set(regions);
        });
    }

    private void follow() {
        Population of = known;
        Set<Integer> selection = desk.selection().get();
        picking.ask(work -> {
            double[] values = selection.isEmpty() ? new double[0] : of.valuesOf(selection);
            return () -> plot.pick(values);
        });
    }
}
