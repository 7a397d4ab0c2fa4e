package keentally.core.step;

import java.util.Arrays;
import java.util.List;
import java.util.Set;
import keentally.core.colour.ColourSpace;
import keentally.core.measure.Ground;
import keentally.core.measure.Measure;
import keentally.core.measure.ObjectTable;
import keentally.core.region.MergeSimilar;
import keentally.core.region.ObjectSet;
import keentally.core.setting.NumberSetting;

/**
 * Makes one object of neighbours of like colour. Colours are means of red, green and blue of the original, compared by their distance
 * in CIE L*a*b*; of a picture without colour it is the difference of the means of the prepared picture, in its values.
 */
public record MergeSimilarStep(double difference) implements Step {
    public static final String ID = "merge-similar";
    public static final NumberSetting DIFFERENCE = NumberSetting.of("difference", 5, 0, 1e9);

    static final StepDescription DESCRIPTION = new StepDescription(
            ID,
            1,
            Flow.OBJECTS,
            Flow.OBJECTS,
            Set.of(Use.FIELD),
            List.of(DIFFERENCE),
            v -> new MergeSimilarStep(v.get(DIFFERENCE)));

    @Override
    public Outcome apply(State before, Site site) throws StepFault {
        ObjectSet objects = before.needObjects();
        boolean colour = before.original().isColour();
        Ground ground = colour ? before.ground("red", site.work()) : Ground.grey(before.plane(), before.field());
        List<Measure> means =
                colour ? List.of(Measure.MEAN_RED, Measure.MEAN_GREEN, Measure.MEAN_BLUE) : List.of(Measure.MEAN);
        ObjectTable table = ObjectTable.of(objects, means, ground, site.work());
        double perLevel = colour ? before.original().depth().most() / 255.0 : 1;
        double[][] mean = new double[objects.regions().count()][means.size()];
        for (double[] none : mean) {
            Arrays.fill(none, Double.NaN);
        }
        for (int i = 0; i < objects.count(); i++) {
            for (int c = 0; c < means.size(); c++) {
                mean[objects.region(i)][c] = table.at(i, c) / perLevel;
            }
        }
        ObjectSet merged = MergeSimilar.of(
                objects,
                mean,
                colour ? MergeSimilarStep::apart : (a, b) -> Math.abs(a[0] - b[0]),
                difference,
                site.work().cancel());
        return new Outcome(
                before.give(merged),
                Findings.NONE.count(Findings.OBJECTS, merged.count()).count("of", objects.count()));
    }

    private static double apart(double[] a, double[] b) {
        double[] labA = new double[3];
        double[] labB = new double[3];
        ColourSpace.LAB.of(a, labA);
        ColourSpace.LAB.of(b, labB);
        return Math.sqrt(ColourSpace.LAB.squareDistance(labA, labB));
    }
}
