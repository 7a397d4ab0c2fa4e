package keentally.study.run;

import java.util.List;
import keentally.core.run.Readings;
import keentally.core.run.Run;
import keentally.core.work.Work;
import keentally.study.run.SampleRecord.OwnNumber;

/** The numbers of a sample that its method asks for, worked out of what there is at its end. */
public final class SampleNumbers {
    private SampleNumbers() {}

    /** In the order of the method. */
    public static List<OwnNumber> of(SampleOrder order, Run run, Readings readings, Work work) {
        List<Double> masses = order.weighing().of(readings.fractions());
        SampleFacts facts = new SampleFacts(order, run.method(), readings, masses, work);
        return run.method().numbers().stream()
                .map(n -> OwnNumber.of(n.read(facts, order.sample().scale())))
                .toList();
    }
}
