package keentally.core.refine;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import keentally.core.distance.SquaredDistance;
import keentally.core.geometry.Point;
import keentally.core.label.Labeller;
import keentally.core.morphology.Element;
import keentally.core.morphology.Probe;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.Neighbours;
import keentally.core.region.Regions;
import keentally.core.work.Work;

/**
 * What a mask lost that is easily missed, and what it did not gain.
 *
 * <p>Definition: a <em>piece</em> (8 neighbours) is lost where none of its pixels is left. A <em>thin part</em> is what an opening by a disk of two pixels takes away, at least
 * {@value #LEAST_THIN} pixels of it in one; it is lost where less than half is left. Where the mask afterwards is in two to nine pieces, the <em>gap</em> is the least distance, in px, from
 * the centre of a pixel of the largest piece to one of another, less one: as many pixels lie between them.
 *
 * @param pieces how many
 * @param thin how many thin parts of pieces that are still there
 * @param area of all of them, in pixels
 * @param places of their middles, the pieces first
 * @param left pieces of the mask afterwards
 */
public record LostParts(long pieces, long thin, long area, List<Point> places, int left, OptionalDouble gap) {
    private static final int LEAST_THIN = 12;
    private static final double THIN_RADIUS = 2;
    private static final int FEW = 9;

    public LostParts {
        places = List.copyOf(places);
    }

    /** Both masks lie within the field. */
    public static LostParts between(Mask before, Mask after, Field field, Work work) {
        Regions pieces = Labeller.regions(before, Neighbours.EIGHT, work);
        List<Point> places = new ArrayList<>();
        long area = 0;
        int lostPieces = 0;
        boolean[] gone = new boolean[pieces.count()];
        for (int p = 0; p < pieces.count(); p++) {
            gone[p] = kept(pieces, p, after) == 0;
            if (gone[p]) {
                lostPieces++;
                area += pieces.pixels(p);
                places.add(pieces.centroid(p));
            }
        }
        Mask stays = pieces.mask(p -> !gone[p]);
        Mask thick = Probe.of(new Element.Disk(THIN_RADIUS), field, work).open(stays);
        Regions thins = Labeller.regions(stays.minus(thick), Neighbours.EIGHT, work);
        int lostThin = 0;
        for (int t = 0; t < thins.count(); t++) {
            if (thins.pixels(t) >= LEAST_THIN && 2 * kept(thins, t, after) < thins.pixels(t)) {
                lostThin++;
                area += thins.pixels(t);
                places.add(thins.centroid(t));
            }
        }
        Regions left = Labeller.regions(after, Neighbours.EIGHT, work);
        return new LostParts(lostPieces, lostThin, area, places, left.count(), gap(left, work));
    }

    private static long kept(Regions regions, int region, Mask after) {
        long[] kept = new long[1];
        regions.runs(region, (y, from, to) -> kept[0] += after.count(y, from, to));
        return kept[0];
    }

    private static OptionalDouble gap(Regions left, Work work) {
        if (left.count() < 2 || left.count() > FEW) {
            return OptionalDouble.empty();
        }
        int largest = IntStream.range(0, left.count())
                .reduce((a, b) -> left.pixels(b) > left.pixels(a) ? b : a)
                .orElseThrow();
        int[] far = SquaredDistance.to(left.mask(p -> p == largest), work);
        int[] least = {Integer.MAX_VALUE};
        for (int p = 0; p < left.count(); p++) {
            if (p != largest) {
                left.runs(p, (y, from, to) -> {
                    for (int x = from; x < to; x++) {
                        least[0] = Math.min(least[0], far[y * left.width() + x]);
                    }
                });
            }
        }
        return OptionalDouble.of(Math.sqrt(least[0]) - 1);
    }
}
