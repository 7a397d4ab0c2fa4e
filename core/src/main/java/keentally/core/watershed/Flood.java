package keentally.core.watershed;

import java.util.Arrays;
import java.util.List;
import keentally.core.work.Work;
import keentally.core.work.Workers;

/**
 * Floods a terrain from seeds.
 *
 * <p>Definition: all seeds wait. Again and again the pixel is taken at which the water stands lowest; of equal ones the one that it reached
 * in the fewest steps at that height, and of these the first in reading order. Each of its eight neighbours that has no label yet takes the
 * pixel's label and waits: at its own height, where that is higher, else at the water's, one step on. Source: F. Meyer (1994), "Topographic
 * distance and watershed lines", Signal Processing 38(1), 113–125 (flooding by an ordered queue).
 *
 * <p>Method: nothing waits in a queue. How high the water comes to stand in each basin is known from the passes (see {@link Basins}). A pixel with
 * lower water beside it was reached from there; the others, in steps, from where their level begins. So each pixel knows the neighbour that it
 * has its label from: the one with the lowest water, fewest steps and first place; and labels are found along these.
 *
 * <p>Memory: nine bytes a place.
 */
final class Flood {
    private static final int NOT_YET = 0;
    private static final int FIRST = 1;

    /** Places that are not worth a second thread's while. */
    private static final int FEW = 10_000;

    private final Terrain terrain;
    private final int[] water;
    private final int[] steps;
    private final int[] turn;

    private Flood(Terrain terrain, int[] turn) {
        this.terrain = terrain;
        this.water = terrain.height;
        this.steps = terrain.steps;
        this.turn = turn;
    }

    /**
     * @param basins which are used up, as are the heights
     * @param seeds places, in reading order
     * @return for each place one more than the index of the seed whose water reached it; 0 where none did
     */
    static int[] of(Terrain terrain, Basins basins, int[] seeds, Work work) {
        basins.fill(seeds, work);
        Flood flood = new Flood(terrain, basins.numbers());
        work.each(terrain.parts(), flood::lower);
        for (int seed : seeds) {
            flood.turn[seed] = FIRST;
        }
        flood.spread(work);
        byte[] ways = basins.ways();
        work.each(terrain.parts(), part -> flood.ways(part, ways));
        for (int seed : seeds) {
            ways[seed] = Terrain.HERE;
        }
        int[] label = flood.turn;
        Arrays.fill(label, 0);
        Terrain.number(seeds, label);
        terrain.follow(ways, label, work);
        return label;
    }

    /** Marks what has lower water beside it. */
    private void lower(int part) {
        terrain.stretches(part, (from, to) -> {
            int left = lowestAbout(from - 1);
            int middle = lowestAbout(from);
            for (int place = from; place < to; place++) {
                int right = lowestAbout(place + 1);
                turn[place] = Math.min(left, Math.min(middle, right)) < water[place] ? FIRST : NOT_YET;
                left = middle;
                middle = right;
            }
        });
    }

    private int lowestAbout(int place) {
        return Math.min(water[place - terrain.stride], Math.min(water[place], water[place + terrain.stride]));
    }

    /** Counts the steps over the rest of each level. */
    private void spread(Work work) {
        List<Numbers> reached = work.map(terrain.parts(), this::second);
        int count = count(reached);
        for (int step = FIRST + 1; count > 0; step++) {
            List<Numbers> last = reached;
            int now = step;
            Work hands = count < FEW ? new Work(Workers.alone(), work.cancel()) : work;
            reached = hands.map(last.size(), i -> beyond(last.get(i), now)).stream()
                    .filter(n -> n.count() > 0)
                    .toList();
            count = count(reached);
        }
    }

    private static int count(List<Numbers> lists) {
        return lists.stream().mapToInt(Numbers::count).sum();
    }

    /** What lies beside the first of its level. */
    private Numbers second(int part) {
        Numbers found = new Numbers();
        terrain.stretches(part, (from, to) -> {
            long left = beganAbout(from - 1);
            long middle = beganAbout(from);
            for (int place = from; place < to; place++) {
                long right = beganAbout(place + 1);
                boolean besideFirst = Math.min(left, Math.min(middle, right)) == (long) water[place] << 1;
                if (besideFirst && turn[place] == NOT_YET) {
                    turn[place] = FIRST + 1;
                    found.add(place);
                }
                left = middle;
                middle = right;
            }
        });
        return found;
    }

    /** The lowest water of a place and those above and below it, twice, and one more where it is of none that is the first of its level. */
    private long beganAbout(int place) {
        return Math.min(began(place - terrain.stride), Math.min(began(place), began(place + terrain.stride)));
    }

    private long began(int place) {
        return (long) water[place] << 1 | (turn[place] == FIRST ? 0 : 1);
    }

    /** Where threads meet both write the same, and look twice at what is beyond. */
    private Numbers beyond(Numbers reached, int now) {
        Numbers next = new Numbers();
        for (int i = 0; i < reached.count(); i++) {
            int place = reached.at(i);
            for (int step : steps) {
                int beside = place + step;
                if (turn[beside] == NOT_YET && water[beside] == water[place]) {
                    turn[beside] = now + 1;
                    next.add(beside);
                }
            }
        }
        return next;
    }

    /** Where each place has its label from. */
    private void ways(int part, byte[] ways) {
        terrain.stretches(part, (from, to) -> {
            long left = firstAbout(from - 1);
            long middle = firstAbout(from);
            for (int place = from; place < to; place++) {
                long right = firstAbout(place + 1);
                long least = Math.min(left, Math.min(middle | 1, right | 2));
                ways[place] = (byte) (3 * (least >> 2 & 3) + (least & 3));
                left = middle;
                middle = right;
            }
        });
    }

    /** Of a place and those above and below it the one that was taken first: water, steps, and in two bits which of the three. */
    private long firstAbout(int place) {
        long above = key(place - terrain.stride);
        long here = key(place) | 1 << 2;
        long below = key(place + terrain.stride) | 2 << 2;
        return Math.min(above, Math.min(here, below));
    }

    private long key(int place) {
        return (long) water[place] << 32 | (long) turn[place] << 4;
    }
}
