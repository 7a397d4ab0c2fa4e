package keentally.core.correct;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.IntPredicate;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import keentally.core.draw.Canvas;
import keentally.core.geometry.Point;
import keentally.core.geometry.Polygon;
import keentally.core.hand.Correction;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.region.ObjectSet;
import keentally.core.region.RegionBuilder;
import keentally.core.region.Regions;
import keentally.core.work.Cancel;

/**
 * Does to objects what a hand did, one correction after the other, as far as each still fits.
 *
 * <p>An object is found by a place that lies in it. A correction whose objects are not there, or that would change nothing, does not fit
 * and is left out. Cuts give the pixels under the line back to the parts beside it, so that areas add up. Where an eraser parts an
 * object, its parts are objects. A drawn object takes what no kept object holds; dropped ones give way to it. Kept objects keep the
 * order in which they were numbered; parts and drawn ones come by their first pixels.
 *
 * <p>Cost: as long as the runs of all objects, and a walk over them for every place.
 */
public final class Correcting {
    private final String station;
    private final Field field;
    private final List<EditedObject> all = new ArrayList<>();
    private final List<Boolean> fits = new ArrayList<>();
    private final int width;
    private final int height;

    /** Which entry the regions that came in are, to find places fast; entries that a hand made come after. */
    private final Regions came;

    /**
     * An object on its way.
     *
     * @param rank of the object it comes from
     * @param kind the class that it was given; empty for none
     */
    private record EditedObject(CorrectedPiece piece, String droppedBy, int rank, boolean touched, String kind) {
        boolean isKept() {
            return droppedBy.isEmpty();
        }

        EditedObject as(CorrectedPiece other) {
            return new EditedObject(other, droppedBy, rank, true, kind);
        }
    }

    /**
     * What came of it.
     *
     * @param fits for each correction whether it did anything
     * @param touched for each region whether a hand changed it or its fate
     */
    public record Outcome(ObjectSet objects, List<Boolean> fits, boolean[] touched) {
        /** How many of the kept objects a hand changed or brought back. */
        public long touchedKept() {
            return IntStream.range(0, touched.length)
                    .filter(i -> touched[i] && objects.isKept(i))
                    .count();
        }

        /** How many objects a hand took away. */
        public long touchedDropped() {
            return IntStream.range(0, touched.length)
                    .filter(i -> touched[i] && !objects.isKept(i))
                    .count();
        }
    }

    private Correcting(ObjectSet objects, Field field, String station) {
        this.station = station;
        this.field = field;
        this.came = objects.regions();
        this.width = came.width();
        this.height = came.height();
        int[] rank = new int[came.count()];
        int[] order = objects.order();
        for (int i = 0; i < order.length; i++) {
            rank[order[i]] = i;
        }
        for (int region = 0; region < came.count(); region++) {
            all.add(new EditedObject(
                    CorrectedPiece.of(came, region),
                    objects.droppedBy(region),
                    rank[region],
                    false,
                    objects.classOf(region)));
        }
    }

    /**
     * @param station by which dropped objects are dropped
     * @param cancel looked at before each correction
     */
    public static Outcome of(
            ObjectSet objects, List<Correction> corrections, Field field, String station, Cancel cancel) {
        if (corrections.isEmpty()) {
            return new Outcome(objects, List.of(), new boolean[objects.regions().count()]);
        }
        Correcting work = new Correcting(objects, field, station);
        for (Correction correction : corrections) {
            cancel.check();
            work.fits.add(work.apply(correction));
        }
        return work.done();
    }

    private boolean apply(Correction correction) {
        return switch (correction) {
            case Correction.Join join -> join(join.on());
            case Correction.Cut cut -> cut(cut.line());
            case Correction.Drop drop -> fate(found(drop.on(), i -> all.get(i).isKept()), station);
            case Correction.Restore restore ->
                fate(found(restore.on(), i -> !all.get(i).isKept()), "");
            case Correction.KeepOnly only -> keepOnly(only.on());
            case Correction.Draw draw -> draw(draw.outline());
            case Correction.Sort sort -> sort(found(sort.on(), i -> all.get(i).isKept()), sort.as());
            case Correction.Erase erase -> erase(erase);
        };
    }

    /** The objects at places, each once, in the order of the places. */
    private List<Integer> found(List<Point> on, IntPredicate wanted) {
        return on.stream()
                .map(p -> at((int) Math.floor(p.x()), (int) Math.floor(p.y())))
                .filter(i -> i >= 0 && wanted.test(i))
                .distinct()
                .toList();
    }

    private int at(int x, int y) {
        int region = came.at(x, y);
        if (region >= 0 && all.get(region) != null && all.get(region).piece.has(x, y)) {
            return region;
        }
        for (int i = 0; i < all.size(); i++) {
            boolean changed = i >= came.count() || all.get(i) != null && all.get(i).touched;
            if (changed && all.get(i) != null && all.get(i).piece.has(x, y)) {
                return i;
            }
        }
        return -1;
    }

    private boolean join(List<Point> on) {
        List<Integer> those = found(on, i -> all.get(i).isKept());
        if (those.size() < 2) {
            return false;
        }
        EditedObject first = all.get(those.getFirst());
        String kind = first.kind;
        CorrectedPiece joined = first.piece;
        int rank = first.rank;
        for (int i : those.subList(1, those.size())) {
            joined = joined.and(all.get(i).piece);
            rank = Math.min(rank, all.get(i).rank);
            all.set(i, null);
        }
        all.set(those.getFirst(), new EditedObject(joined, "", rank, true, kind));
        return true;
    }

    private boolean fate(List<Integer> those, String droppedBy) {
        for (int i : those) {
            EditedObject was = all.get(i);
            all.set(i, new EditedObject(was.piece, droppedBy, was.rank, true, was.kind));
        }
        return !those.isEmpty();
    }

    /** A class is no change of the object itself. */
    private boolean sort(List<Integer> those, String kind) {
        boolean any = false;
        for (int i : those) {
            EditedObject was = all.get(i);
            any |= !was.kind.equals(kind);
            all.set(i, new EditedObject(was.piece, was.droppedBy, was.rank, was.touched, kind));
        }
        return any;
    }

    private boolean keepOnly(List<Point> on) {
        Set<Integer> kept = new HashSet<>(found(on, i -> all.get(i).isKept()));
        List<Integer> others = IntStream.range(0, all.size())
                .filter(i -> all.get(i) != null && all.get(i).isKept() && !kept.contains(i))
                .boxed()
                .toList();
        return !kept.isEmpty() && fate(others, station);
    }

    private boolean draw(List<Point> outline) {
        if (outline.size() < 3) {
            return false;
        }
        Mask inside = field.clip(Field.within(new Polygon(outline), width, height));
        CorrectedPiece free = CorrectedPiece.of(inside.minus(kept()), 0, 0);
        if (free.isEmpty()) {
            return false;
        }
        take(free, e -> !e.isKept(), false);
        all.add(new EditedObject(free, "", Integer.MAX_VALUE, true, ""));
        return true;
    }

    private Mask kept() {
        int stride = Mask.stride(width);
        long[] words = new long[stride * height];
        for (EditedObject e : all) {
            if (e != null && e.isKept()) {
                int[] runs = e.piece.runs();
                for (int i = 0; i < runs.length; i += 3) {
                    Mask.setRun(words, runs[i] * stride, runs[i + 1], runs[i + 2]);
                }
            }
        }
        return Mask.of(width, height, words);
    }

    private boolean erase(Correction.Erase erase) {
        double reach = erase.width() / 2;
        Canvas under = new Canvas(erase.path(), reach, width, height);
        under.brush(erase.path(), reach);
        return take(piece(under), EditedObject::isKept, true);
    }

    /** Takes pixels from objects. @param parted whether what falls into more parts than it had becomes several objects */
    private boolean take(CorrectedPiece gone, Predicate<EditedObject> from, boolean parted) {
        boolean any = false;
        int entries = all.size();
        for (int i = 0; i < entries; i++) {
            EditedObject e = all.get(i);
            if (e == null || !from.test(e) || !e.piece.meets(gone)) {
                continue;
            }
            any = true;
            Mask left = e.piece.without(gone);
            List<CorrectedPiece> parts = CorrectedPiece.parts(left, e.piece.left(), e.piece.top());
            if (parts.isEmpty()) {
                all.set(i, null);
            } else if (parted && parts.size() > e.piece.parts().size()) {
                replace(i, parts);
            } else {
                all.set(i, e.as(CorrectedPiece.of(left, e.piece.left(), e.piece.top())));
            }
        }
        return any;
    }

    private void replace(int i, List<CorrectedPiece> parts) {
        EditedObject whole = all.get(i);
        all.set(i, whole.as(parts.getFirst()));
        parts.subList(1, parts.size()).forEach(p -> all.add(whole.as(p)));
    }

    private boolean cut(List<Point> line) {
        Canvas under = new Canvas(line, 0, width, height);
        under.trace(line);
        CorrectedPiece knife = piece(under);
        boolean any = false;
        int entries = all.size();
        for (int i = 0; i < entries; i++) {
            EditedObject e = all.get(i);
            if (e != null && e.isKept() && e.piece.meets(knife)) {
                List<CorrectedPiece> parts = parted(e.piece, knife);
                if (parts.size() > e.piece.parts().size()) {
                    replace(i, parts);
                    any = true;
                }
            }
        }
        return any;
    }

    private static CorrectedPiece piece(Canvas under) {
        return under.isEmpty()
                ? new CorrectedPiece(new int[0])
                : CorrectedPiece.of(under.mask(), under.left(), under.top());
    }

    /** What a knife leaves of a piece; the pixels under it go to the part that reaches them first, in reading order. */
    private static List<CorrectedPiece> parted(CorrectedPiece piece, CorrectedPiece knife) {
        Mask whole = piece.mask();
        List<CorrectedPiece> parts = CorrectedPiece.parts(piece.without(knife), 0, 0);
        int across = whole.width();
        int[] owner = new int[across * whole.height()];
        Deque<Integer> next = new ArrayDeque<>();
        for (int p = 0; p < parts.size(); p++) {
            int[] runs = parts.get(p).runs();
            for (int i = 0; i < runs.length; i += 3) {
                for (int x = runs[i + 1]; x < runs[i + 2]; x++) {
                    owner[runs[i] * across + x] = p + 1;
                    next.add(runs[i] * across + x);
                }
            }
        }
        while (!next.isEmpty()) {
            int at = next.remove();
            for (int d = 0; d < 9; d++) {
                int x = at % across + d % 3 - 1;
                int y = at / across + d / 3 - 1;
                boolean inside = x >= 0 && y >= 0 && x < across && y < whole.height();
                if (inside && owner[y * across + x] == 0 && whole.at(x, y)) {
                    owner[y * across + x] = owner[at];
                    next.add(y * across + x);
                }
            }
        }
        RegionBuilder builder = new RegionBuilder(across, whole.height());
        parts.forEach(p -> builder.next());
        int start = 0;
        for (int at = 1; at <= owner.length; at++) {
            if (at % across == 0 || owner[at] != owner[start]) {
                if (owner[start] > 0) {
                    builder.add(owner[start] - 1, start / across, start % across, (at - 1) % across + 1);
                }
                start = at;
            }
        }
        return CorrectedPiece.all(builder.regions(), piece.left(), piece.top());
    }

    private Outcome done() {
        RegionBuilder builder = new RegionBuilder(width, height);
        List<EditedObject> left = all.stream()
                .filter(e -> e != null && !e.piece.isEmpty())
                .sorted(FIRST)
                .toList();
        for (EditedObject e : left) {
            int region = builder.next();
            for (int i = 0; i < e.piece.runs().length; i += 3) {
                builder.add(
                        region,
                        e.piece.runs()[i],
                        e.piece.runs()[i + 1],
                        e.piece.runs()[i + 2]);
            }
        }
        boolean[] touched = new boolean[left.size()];
        List<String> fates = new ArrayList<>();
        for (int i = 0; i < touched.length; i++) {
            touched[i] = left.get(i).touched;
            fates.add(left.get(i).droppedBy);
        }
        boolean reading = isReading();
        int[] order = IntStream.range(0, touched.length)
                .boxed()
                .sorted(Comparator.comparingInt(i -> reading ? 0 : left.get(i).rank))
                .mapToInt(i -> i)
                .toArray();
        Map<Integer, ObjectSet.Kind> kinds = new HashMap<>();
        for (int i = 0; i < touched.length; i++) {
            if (!left.get(i).kind.isEmpty()) {
                kinds.put(i, new ObjectSet.Kind(left.get(i).kind, 1));
            }
        }
        return new Outcome(ObjectSet.of(builder.regions(), fates, order).sorted(kinds), List.copyOf(fits), touched);
    }

    /** As regions are numbered: by their first pixels. */
    private static final Comparator<EditedObject> FIRST = Comparator.comparingInt((EditedObject e) -> e.piece.top())
            .thenComparingInt(e -> e.piece.runs()[1]);

    /** Whether what was untouched came in reading order. */
    private boolean isReading() {
        int last = -1;
        for (int i = 0; i < came.count(); i++) {
            EditedObject e = all.get(i);
            if (e != null && !e.touched) {
                if (e.rank < last) {
                    return false;
                }
                last = e.rank;
            }
        }
        return true;
    }
}
