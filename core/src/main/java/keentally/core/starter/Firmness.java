package keentally.core.starter;

import java.util.List;
import java.util.Optional;
import keentally.core.measure.Ground;
import keentally.core.measure.Measure;
import keentally.core.measure.ObjectTable;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.Neighbours;
import keentally.core.picture.PlaneF;
import keentally.core.region.ObjectSet;
import keentally.core.work.Work;

/**
 * How well objects that were found hold together.
 *
 * @param solidity share of their hulls that they fill, weighed by area
 * @param purity share of their pixels that are on their side of the cut; 1 where there is none
 * @param edges how much steeper the picture is along their borders than elsewhere: 0 for no more, near 1 for many times
 * @param covered share of the field that they take
 * @param largest share of the field that the largest takes
 * @param cut share of their area that belongs to objects at the field's edge
 * @param usual half of what is covered is covered by objects that are larger, in square pixels
 */
record Firmness(
        int count,
        double solidity,
        double purity,
        double edges,
        double covered,
        double largest,
        double cut,
        double usual) {
    /** Of the field; what takes more is hardly one of many things. */
    static final double MOST_OF_FIELD = 0.3;

    private static final Firmness NONE = new Firmness(0, 0, 0, 0, 0, 0, 0, 0);

    /** How likely it is that somebody wants to count one, or two. */
    private static final double[] FEW_ARE_LIKELY = {0, 0.5, 0.9};

    private static final double PURITY_WEIGHS = 0.7;
    private static final double CUT_WEIGHS = 0.5;

    /**
     * @param level what is on their side of the cut
     * @param steep how steep the picture is
     */
    static Firmness of(ObjectSet objects, Optional<Mask> level, PlaneF steep, Field field, Work work) {
        if (objects.count() == 0) {
            return NONE;
        }
        ObjectTable table = ObjectTable.of(objects, List.of(Measure.SOLIDITY), Ground.grey(steep, field), work);
        Mask rim = field.mask().minus(field.inner(Neighbours.EIGHT));
        double weighed = 0;
        double pixels = 0;
        double largest = 0;
        double cut = 0;
        for (int i = 0; i < objects.count(); i++) {
            int region = objects.region(i);
            double n = objects.regions().pixels(region);
            double solidity = table.at(i, 0);
            weighed += n * (Double.isNaN(solidity) ? 1 : solidity);
            pixels += n;
            largest = Math.max(largest, n);
            cut += touches(objects, region, rim) ? n : 0;
        }
        Mask mask = objects.mask();
        return new Firmness(
                objects.count(),
                weighed / pixels,
                level.map(l -> (double) mask.and(l).count() / mask.count()).orElse(1.0),
                edges(objects, mask, steep, field),
                pixels / field.pixels(),
                largest / field.pixels(),
                cut / pixels,
                Specks.usual(objects.regions()));
    }

    private static boolean touches(ObjectSet objects, int region, Mask rim) {
        boolean[] found = new boolean[1];
        objects.regions().runs(region, (y, from, to) -> found[0] |= rim.nextSet(y, from) < to);
        return found[0];
    }

    private static double edges(ObjectSet objects, Mask mask, PlaneF steep, Field field) {
        Mask inside = field.inner(Neighbours.EIGHT);
        Mask borders = mask.minus(Field.of(mask).inner(Neighbours.FOUR))
                .or(objects.lines())
                .and(inside);
        double at = mean(borders, steep);
        double off = mean(inside.minus(borders), steep);
        return at > 0 ? Math.max(0, 1 - off / at) : 0;
    }

    private static double mean(Mask mask, PlaneF plane) {
        double sum = 0;
        long n = 0;
        for (int y = 0; y < mask.height(); y++) {
            for (int x = mask.nextSet(y, 0); x < mask.width(); x = mask.nextSet(y, x + 1)) {
                sum += plane.at(x, y);
                n++;
            }
        }
        return n == 0 ? 0 : sum / n;
    }

    /** From 0 to 1. */
    double score() {
        double few = count < FEW_ARE_LIKELY.length ? FEW_ARE_LIKELY[count] : 1;
        double vast = largest > MOST_OF_FIELD ? MOST_OF_FIELD / largest : 1;
        return solidity * solidity * Math.pow(purity, PURITY_WEIGHS) * edges * few * vast * (1 - CUT_WEIGHS * cut);
    }

    /** What the score may become when they are parted into round ones. */
    double scoreParted() {
        return purity * edges;
    }
}
