package keentally.desk.objects;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import keentally.core.measure.Column;
import keentally.core.measure.ObjectTable;
import keentally.core.quantity.PixelSize;
import keentally.core.region.ObjectSet;
import keentally.core.run.Readings;
import keentally.core.step.State;
import keentally.core.step.StepFault;
import keentally.core.work.Work;
import keentally.desk.model.DeskModel;
import keentally.study.run.SampleRun;

/**
 * The objects at the method's end with their numbers: those that the run measured are there, others are measured when asked for.
 *
 * @param size what numbers are shown in
 */
record EndTable(ObjectTable table, State state, String signal, PixelSize size) {

    /** Of what is on the stage; nothing where the method ends in no objects. */
    static Optional<EndTable> of(DeskModel desk) {
        Optional<Readings> readings = desk.shown().get().flatMap(SampleRun::readings);
        return readings.flatMap(r -> r.objects()
                .map(t -> new EndTable(
                        t,
                        r.state(),
                        desk.shown().get().orElseThrow().run().method().signal(),
                        desk.pixelSize())));
    }

    ObjectSet objects() {
        return table.objects();
    }

    /** In pixels, one value a kept object; not-a-number where it cannot be had. Not on the interface thread. */
    double[] px(Column column, Work work) {
        int known = table.columns().indexOf(column);
        if (known >= 0) {
            return table.column(known);
        }
        return measured(objects(), column, work);
    }

    /** In the unit shown. */
    double[] values(Column column, Work work) {
        return scaled(px(column, work), column);
    }

    /** Of other objects in the same picture, in the unit shown. */
    double[] values(ObjectSet others, Column column, Work work) {
        return scaled(measured(others, column, work), column);
    }

    private double[] scaled(double[] px, Column column) {
        return Arrays.stream(px).map(v -> column.told(v, size)).toArray();
    }

    private double[] measured(ObjectSet of, Column column, Work work) {
        try {
            return ObjectTable.of(of, List.of(column), state.ground(signal, work), work)
                    .column(0);
        } catch (StepFault | IllegalArgumentException cannotBe) {
            // the run itself says so
            double[] none = new double[of.count()];
            Arrays.fill(none, Double.NaN);
            return none;
        }
    }
}
