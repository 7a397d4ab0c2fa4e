package keentally.core.region;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.function.IntPredicate;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import keentally.core.picture.Buffers;
import keentally.core.picture.HoldsBuffers;
import keentally.core.picture.Mask;

/** Regions with their fate: kept, or dropped by a station. What is dropped stays known, so that it can be shown. */
public final class ObjectSet implements HoldsBuffers {
    /** Of an entry that says the class of a region: a number, and its place in a table half full. */
    private static final long BYTES_A_CLASS = 32;

    private final Regions regions;
    private final List<String> stations;
    private final int[] fate;
    private final int[] number;
    private final int[] kept;

    /** All regions in the order in which they are numbered. */
    private final int[] order;

    /** The classes that regions were given, by region; most have none. */
    private final Map<Integer, Kind> classes;

    /**
     * What a region was sorted as.
     *
     * @param name of its class
     * @param certainty from 0 to 1; 1 where somebody said so
     */
    public record Kind(String name, double certainty) {}

    private ObjectSet(Regions regions, List<String> stations, int[] fate, int[] order, Map<Integer, Kind> classes) {
        this.classes = Map.copyOf(classes);
        this.regions = regions;
        this.stations = List.copyOf(stations);
        this.fate = fate;
        this.order = order;
        this.kept = Arrays.stream(order).filter(i -> fate[i] == 0).toArray();
        this.number = new int[fate.length];
        for (int i = 0; i < kept.length; i++) {
            number[kept[i]] = i + 1;
        }
    }

    /** All of them kept, numbered in reading order. */
    public static ObjectSet of(Regions regions) {
        return of(regions, IntStream.range(0, regions.count()).toArray());
    }

    /** All of them kept, numbered in a given order. */
    public static ObjectSet of(Regions regions, int[] order) {
        return new ObjectSet(regions, List.of(), new int[regions.count()], order.clone(), Map.of());
    }

    /**
     * Regions that have a past already.
     *
     * @param droppedBy for each region the station that dropped it, or nothing
     * @param order all regions in the order in which the kept ones are numbered
     */
    public static ObjectSet of(Regions regions, List<String> droppedBy, int[] order) {
        List<String> stations =
                droppedBy.stream().filter(s -> !s.isEmpty()).distinct().toList();
        int[] fate = droppedBy.stream().mapToInt(s -> stations.indexOf(s) + 1).toArray();
        return new ObjectSet(regions, stations, fate, order.clone(), Map.of());
    }

    /** All regions in the order in which they are numbered. */
    public int[] order() {
        return order.clone();
    }

    /** Those kept ones that qualify are now dropped by {@code station}. */
    public ObjectSet drop(String station, IntPredicate dropped) {
        int[] changed = fate.clone();
        for (int region : kept) {
            if (dropped.test(region)) {
                changed[region] = stations.size() + 1;
            }
        }
        return new ObjectSet(
                regions, Stream.concat(stations.stream(), Stream.of(station)).toList(), changed, order, classes);
    }

    /** The same objects, sorted into classes. @param kinds by region; regions without one have no class */
    public ObjectSet sorted(Map<Integer, Kind> kinds) {
        return new ObjectSet(regions, stations, fate, order, kinds);
    }

    /** The class that a region was given; empty for none. */
    public String classOf(int region) {
        Kind kind = classes.get(region);
        return kind == null ? "" : kind.name();
    }

    /** How certain that is, from 0 to 1; not-a-number where it has no class. */
    public double certaintyOf(int region) {
        Kind kind = classes.get(region);
        return kind == null ? Double.NaN : kind.certainty();
    }

    /** Whether any region was given a class. */
    public boolean isSorted() {
        return !classes.isEmpty();
    }

    public Regions regions() {
        return regions;
    }

    /** Number of kept objects. */
    public int count() {
        return kept.length;
    }

    /** The region of the kept object at {@code index}, that is of object number {@code index} + 1. */
    public int region(int index) {
        return kept[index];
    }

    /** Whether a region counts as an object; regions are counted from 0. */
    public boolean isKept(int region) {
        return fate[region] == 0;
    }

    /** The object number of a region, 1, 2, ...; 0 where it was dropped. */
    public int number(int region) {
        return number[region];
    }

    /** The id of the station that dropped a region; empty where it is kept. */
    public String droppedBy(int region) {
        return fate[region] == 0 ? "" : stations.get(fate[region] - 1);
    }

    /** How many objects a station dropped. */
    public int dropped(String station) {
        int code = stations.indexOf(station) + 1;
        return code == 0 ? 0 : (int) Arrays.stream(fate).filter(f -> f == code).count();
    }

    /** The union of the kept objects. */
    public Mask mask() {
        return regions.mask(this::isKept);
    }

    /** The lines between kept objects that touch: of every pair by eight neighbours, the pixels of the one with the higher number. */
    public Mask lines() {
        return regions.lines(this::isKept);
    }

    @Override
    public void addTo(Buffers buffers) {
        buffers.add(regions);
        buffers.add(this, 4L * (3 * fate.length + kept.length) + BYTES_A_CLASS * classes.size());
    }
}
