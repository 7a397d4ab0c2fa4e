package keentally.desk.objects;

import java.util.Arrays;
import java.util.Optional;
import java.util.concurrent.Executor;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleObjectProperty;
import keentally.core.measure.Measure;
import keentally.core.region.ObjectSet;
import keentally.core.words.Words;
import keentally.desk.model.DeskModel;
import keentally.desk.model.Newest;
import keentally.desk.stage.MeasureFill;
import keentally.desk.stage.StageModel;

/** Which measure objects are filled by, and between which of its values. For the interface thread. */
public final class FillModel {
    private final DeskModel desk;
    private final StageModel stage;
    private final Newest newest;
    private final ObjectProperty<Optional<Measure>> measure = new SimpleObjectProperty<>(Optional.empty());
    private final ReadOnlyObjectWrapper<Optional<Extent>> extent = new ReadOnlyObjectWrapper<>(Optional.empty());
    private Optional<Extent> chosen = Optional.empty();

    /** From the least value to the greatest. */
    public record Extent(double least, double most) {
        /** Whether the measure is everywhere the same. */
        boolean isOne() {
            return least == most;
        }
    }

    /** @param ui runs what it is given on the interface thread, in order */
    public FillModel(DeskModel desk, StageModel stage, Executor ui) {
        this.desk = desk;
        this.stage = stage;
        this.newest = new Newest(desk, ui);
        measure.addListener(o -> {
            chosen = Optional.empty();
            refresh();
        });
        stage.meanFill().addListener((o, was, is) -> {
            if (is) {
                measure.set(Optional.empty()); // the one or the other
            }
        });
        desk.shown().addListener(o -> refresh());
        desk.preview().addListener(o -> refresh());
        desk.station().addListener(o -> refresh());
        stage.atEnd().addListener(o -> refresh());
    }

    /** Empty for colours that tell objects apart, or their mean colours. */
    ObjectProperty<Optional<Measure>> measure() {
        return measure;
    }

    /** Of the values that there are; empty as long as they are not worked out, and without any. */
    ReadOnlyObjectProperty<Optional<Extent>> extent() {
        return extent.getReadOnlyProperty();
    }

    /** What has the darkest and what the lightest colour. */
    void range(double from, double to) {
        chosen = Optional.of(new Extent(from, to));
        stage.fill().get().ifPresent(f -> put(f.title(), f));
    }

    private void put(String title, MeasureFill of) {
        Extent now = chosen.or(extent::get).orElse(new Extent(0, 1));
        stage.fill().set(Optional.of(new MeasureFill(title, of.regions(), of.values(), now.least(), now.most())));
    }

    /** The objects that are on the stage: those of the selected station, where it has some, else those at the end. */
    private ObjectSet seen(EndTable end) {
        return stage.atEnd().get()
                ? end.objects()
                : desk.reached(desk.station().get())
                        .flatMap(s -> s.after().objects())
                        .orElse(end.objects());
    }

    private void refresh() {
        Optional<EndTable> end = EndTable.of(desk);
        if (measure.get().isEmpty() || end.isEmpty()) {
            newest.drop();
            extent.set(Optional.empty());
            stage.fill().set(Optional.empty());
            return;
        }
        Measure by = measure.get().get();
        EndTable table = end.get();
        ObjectSet objects = seen(table);
        String title = Words.title(by, desk.unit());
        newest.ask(work -> {
            double[] values = objects == table.objects() ? table.values(by, work) : table.values(objects, by, work);
            double[] byRegion = new double[objects.regions().count()];
            Arrays.fill(byRegion, Double.NaN);
            for (int i = 0; i < values.length; i++) {
                byRegion[objects.region(i)] = values[i];
            }
            var told = Arrays.stream(values).filter(Double::isFinite).summaryStatistics();
            Optional<Extent> found =
                    told.getCount() == 0 ? Optional.empty() : Optional.of(new Extent(told.getMin(), told.getMax()));
            return () -> {
                extent.set(found);
                put(title, new MeasureFill(title, objects.regions(), byRegion, 0, 1));
            };
        });
    }
}
