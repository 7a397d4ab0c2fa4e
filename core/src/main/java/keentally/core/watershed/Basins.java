package keentally.core.watershed;

import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import keentally.core.work.Cancel;
import keentally.core.work.Work;

/**
 * The basins of a terrain: all places from which the way to the lowest neighbour leads to the same minimum; and the passes between them.
 *
 * <p>A basin spills into a deeper one over the lowest pass that leads to one; what that is higher than its minimum are its dynamics. Pixels
 * of one plateau meet at dynamics of 0, so that a basin of dynamics above 0 is a true minimum. Source: M. Grimaud (1992), "A new measure of
 * contrast: the dynamics", Proc. SPIE 1769, 292–305.
 *
 * <p>Method: no pixel is sorted. Again and again each basin looks for the lowest pass out of it, and joins what lies behind it where that is
 * deeper: whatever is deeper can only be reached over that pass, and of two basins that look at each other one always joins. (O. Borůvka
 * found a least spanning tree so in 1926; the passes over which basins spill are one.) What some such rounds leave goes in the order of its height. Then one walk up the tree and one down give the
 * height to which each basin fills.
 *
 * <p>Memory: five bytes a place, and for a while up to 16 a pass; only the lowest pass between two basins is kept as long as both are met
 * again within some rows.
 */
final class Basins {
    private static final long NO_PASS = Long.MAX_VALUE;
    private static final int NO_BASIN = -1;

    /** After so many few passes are left, and sorting them costs less than looking at all of them again. */
    private static final int ROUNDS = 6;

    private final Terrain terrain;

    /** One more than the number of the basin of each place; 0 outside. */
    private final int[] basin;

    private final byte[] ways;

    /** The place of each basin's minimum, in reading order. */
    private final int[] minimum;

    /** The pass over which a basin spilled: its height and its place; none of the deepest of each part that hangs together. */
    private final long[] pass;

    /** The basins on this side of it, and behind it. */
    private final int[] near;

    private final int[] far;

    /** How deep a basin is. */
    @FunctionalInterface
    interface Depth {
        double of(double spill, double minimum);
    }

    Basins(Terrain terrain, Work work) {
        this.terrain = terrain;
        this.ways = new byte[terrain.height.length];
        this.minimum = Numbers.together(work.map(terrain.parts(), this::lowest));
        this.basin = new int[ways.length];
        Terrain.number(minimum, basin);
        terrain.follow(ways, basin, work);
        this.pass = new long[minimum.length];
        this.near = new int[minimum.length];
        this.far = new int[minimum.length];
        Arrays.fill(pass, NO_PASS);
        Arrays.fill(far, NO_BASIN);
        spill(work.map(terrain.parts(), part -> new Passes(terrain, basin, part)), work.cancel());
    }

    /** The way to the lowest neighbour from each place of a part. @return the places that none is lower than */
    private Numbers lowest(int part) {
        Numbers minima = new Numbers();
        terrain.stretches(part, (from, to) -> {
            long left = lowestAbout(from - 1);
            long middle = lowestAbout(from);
            for (int place = from; place < to; place++) {
                long right = lowestAbout(place + 1);
                long least = Math.min(left << 2, Math.min(middle << 2 | 1, right << 2 | 2));
                int way = (int) (3 * (least >> 2 & 3) + (least & 3));
                ways[place] = (byte) way;
                if (way == Terrain.HERE) {
                    minima.add(place);
                }
                left = middle;
                middle = right;
            }
        });
        return minima;
    }

    /** The lowest of a place and those above and below it: its height, and in two bits which of the three. */
    private long lowestAbout(int place) {
        int[] height = terrain.height;
        long above = (long) height[place - terrain.stride] << 2;
        long here = (long) height[place] << 2 | 1;
        long below = (long) height[place + terrain.stride] << 2 | 2;
        return Math.min(above, Math.min(here, below));
    }

    private void spill(List<Passes> passes, Cancel cancel) {
        int[] joined = IntStream.range(0, minimum.length).toArray();
        long[] best = new long[minimum.length];
        int[] from = new int[minimum.length];
        int[] to = new int[minimum.length];
        Arrays.fill(best, NO_PASS);
        int[] open = joined.clone();
        int count = open.length;
        for (int round = 0; count > 0 && round < ROUNDS; round++) {
            cancel.check();
            for (Passes some : passes) {
                some.offer(joined, best, from, to);
            }
            int still = 0;
            for (int i = 0; i < count; i++) {
                int own = open[i];
                if (best[own] == NO_PASS) {
                    continue;
                }
                int other = find(joined, to[own]);
                if (other != own && minimumIsLower(other, own)) {
                    joined[own] = other;
                    pass[own] = best[own];
                    near[own] = from[own];
                    far[own] = to[own];
                } else {
                    open[still++] = own;
                }
                best[own] = NO_PASS;
            }
            count = still;
        }
        spillInOrder(passes, joined, cancel);
    }

    /** What is left, pass by pass from the lowest up: where contrast fades, one basin a round would join its neighbour. */
    private void spillInOrder(List<Passes> passes, int[] joined, Cancel cancel) {
        cancel.check();
        int count = passes.stream().mapToInt(p -> p.count).sum();
        long[] order = new long[count];
        long[] height = new long[count];
        int[] one = new int[count];
        int[] other = new int[count];
        int filled = 0;
        for (Passes some : passes) {
            System.arraycopy(some.height, 0, height, filled, some.count);
            System.arraycopy(some.one, 0, one, filled, some.count);
            System.arraycopy(some.other, 0, other, filled, some.count);
            filled += some.count;
        }
        for (int i = 0; i < count; i++) {
            order[i] = height[i] >> 32 << 32 | i;
        }
        Arrays.sort(order);
        for (long at : order) {
            int i = (int) at;
            int a = find(joined, one[i]);
            int b = find(joined, other[i]);
            if (a != b) {
                boolean spills = minimumIsLower(b, a);
                int own = spills ? a : b;
                joined[own] = spills ? b : a;
                pass[own] = height[i];
                near[own] = spills ? one[i] : other[i];
                far[own] = spills ? other[i] : one[i];
            }
        }
    }

    private boolean minimumIsLower(int one, int other) {
        return terrain.isLower(minimum[one], minimum[other]);
    }

    /** The deepest of the basins that were joined to one. */
    private static int find(int[] joined, int basin) {
        int b = basin;
        while (joined[b] != b) {
            joined[b] = joined[joined[b]];
            b = joined[b];
        }
        return b;
    }

    /** The passes of a part of the places: of each pair of basins the lowest, unless others came between. */
    private static final class Passes {
        private static final int BITS = 12;

        private final int[] slots = new int[1 << BITS];
        private int[] one = new int[256];
        private int[] other = new int[256];
        private long[] height = new long[256];
        private int count;
        private int lastLow = -1;
        private int lastHigh = -1;
        private int last;

        Passes(Terrain terrain, int[] basin, int part) {
            Arrays.fill(slots, -1);
            terrain.stretches(part, (from, to) -> of(terrain, basin, from, to));
        }

        private void of(Terrain terrain, int[] basin, int from, int to) {
            int[] heights = terrain.height;
            for (int place = from; place < to; place++) {
                int own = basin[place];
                for (int way = Terrain.HERE + 1; way < terrain.steps.length; way++) {
                    int next = place + terrain.steps[way];
                    int beside = basin[next];
                    if (beside != own && beside != 0) {
                        boolean here = heights[place] > heights[next];
                        add(own - 1, beside - 1, (long) heights[here ? place : next] << 32 | (here ? place : next));
                    }
                }
            }
        }

        private void add(int a, int b, long key) {
            int low = Math.min(a, b);
            int high = Math.max(a, b);
            if (low == lastLow && high == lastHigh) {
                height[last] = Math.min(height[last], key);
                return;
            }
            lastLow = low;
            lastHigh = high;
            last = place(low, high, key);
        }

        private int place(int low, int high, long key) {
            int slot = (low * 0x9E3779B1 + high * 0x85EBCA6B) >>> Integer.SIZE - BITS;
            int at = slots[slot];
            if (at >= 0 && one[at] == low && other[at] == high) {
                height[at] = Math.min(height[at], key);
                return at;
            }
            if (count == one.length) {
                one = Arrays.copyOf(one, 2 * count);
                other = Arrays.copyOf(other, 2 * count);
                height = Arrays.copyOf(height, 2 * count);
            }
            one[count] = low;
            other[count] = high;
            height[count] = key;
            slots[slot] = count;
            return count++;
        }

        /** Shows each pass to what it leads out of on either side; what lies within what has joined is forgotten. */
        void offer(int[] joined, long[] best, int[] from, int[] to) {
            int left = 0;
            for (int i = 0; i < count; i++) {
                int a = find(joined, one[i]);
                int b = find(joined, other[i]);
                if (a == b) {
                    continue;
                }
                long key = height[i];
                if (key < best[a]) {
                    best[a] = key;
                    from[a] = one[i];
                    to[a] = other[i];
                }
                if (key < best[b]) {
                    best[b] = key;
                    from[b] = other[i];
                    to[b] = one[i];
                }
                one[left] = one[i];
                other[left] = other[i];
                height[left++] = key;
            }
            count = left;
        }
    }

    /**
     * The places of the minima whose dynamics are above 0 and at least {@code depth}, in reading order; of each part that hangs together
     * the deepest in any case.
     */
    int[] deep(double depth, Depth measure) {
        double[] dynamics = dynamics(measure);
        return IntStream.range(0, minimum.length)
                .filter(b -> dynamics[b] >= depth)
                .map(b -> minimum[b])
                .toArray();
    }

    /** Of each basin; without end of the deepest of each part that hangs together, and less than any depth where there is no true minimum. */
    double[] dynamics(Depth measure) {
        double[] dynamics = new double[minimum.length];
        for (int b = 0; b < dynamics.length; b++) {
            double least = terrain.value(minimum[b]);
            double spill = far[b] == NO_BASIN ? Double.POSITIVE_INFINITY : terrain.value((int) pass[b]);
            dynamics[b] = far[b] == NO_BASIN
                    ? Double.POSITIVE_INFINITY
                    : spill > least ? measure.of(spill, least) : Double.NEGATIVE_INFINITY;
        }
        return dynamics;
    }

    /** The places of all minima, in reading order. */
    int[] minima() {
        return minimum;
    }

    /** Of each basin the one that lies behind the pass that it spills over; −1 of the deepest of each part that hangs together. */
    int[] beyond() {
        return far;
    }

    /** These places, in reading order, and the deepest one of each part that hangs together and has none of them. */
    int[] withDeepest(int[] places) {
        boolean[] has = new boolean[minimum.length];
        for (int place : places) {
            has[deepest(basin[place] - 1)] = true;
        }
        return IntStream.concat(
                        Arrays.stream(places),
                        IntStream.range(0, has.length)
                                .filter(b -> far[b] == NO_BASIN && !has[b])
                                .map(b -> minimum[b]))
                .sorted()
                .toArray();
    }

    private int deepest(int of) {
        int b = of;
        while (far[b] != NO_BASIN) {
            b = far[b];
        }
        return b;
    }

    /**
     * Lets water in at places, and each place's height become that of the water over it: the lowest way there from one of them. What no
     * water reaches is outside from then on. The basins are used up.
     */
    void fill(int[] seeds, Work work) {
        int[] height = terrain.height;
        int[] full = new int[minimum.length];
        Arrays.fill(full, Terrain.OUTSIDE);
        for (int seed : seeds) {
            int b = basin[seed] - 1;
            full[b] = Math.min(full[b], height[seed]);
        }
        level(full);
        work.each(
                terrain.parts(),
                part -> terrain.stretches(part, (from, to) -> {
                    for (int place = from; place < to; place++) {
                        height[place] = Math.max(height[place], full[basin[place] - 1]);
                    }
                }));
    }

    /** One more than the number of the basin of each place, 0 outside; once the basins are used up what it holds is of no use any more. */
    int[] numbers() {
        return basin;
    }

    /** A way for each place, once the basins are used up. */
    byte[] ways() {
        return ways;
    }

    /** From basins that water comes into to all others, over the passes that they spilled over: up the tree and down again. */
    private void level(int[] full) {
        int[] start = new int[full.length + 1];
        for (int b = 0; b < full.length; b++) {
            if (far[b] != NO_BASIN) {
                start[near[b] + 1]++;
                start[far[b] + 1]++;
            }
        }
        for (int b = 0; b < full.length; b++) {
            start[b + 1] += start[b];
        }
        int[] links = new int[start[full.length]];
        int[] next = start.clone();
        for (int b = 0; b < full.length; b++) {
            if (far[b] != NO_BASIN) {
                links[next[near[b]]++] = b;
                links[next[far[b]]++] = b;
            }
        }
        int[] over = new int[full.length]; // whose pass leads towards where the walk began
        int[] order = outwards(start, links, over);
        for (int i = order.length - 1; i >= 0; i--) {
            if (over[order[i]] != NO_BASIN) {
                flow(full, order[i], behind(over[order[i]], order[i]), over[order[i]]);
            }
        }
        for (int b : order) {
            if (over[b] != NO_BASIN) {
                flow(full, behind(over[b], b), b, over[b]);
            }
        }
    }

    private int[] outwards(int[] start, int[] links, int[] over) {
        int[] order = new int[over.length];
        boolean[] seen = new boolean[over.length];
        int tail = 0;
        for (int first = 0; first < over.length; first++) {
            if (seen[first]) {
                continue;
            }
            seen[first] = true;
            over[first] = NO_BASIN;
            int head = tail;
            order[tail++] = first;
            while (head < tail) {
                int b = order[head++];
                for (int i = start[b]; i < start[b + 1]; i++) {
                    int other = behind(links[i], b);
                    if (!seen[other]) {
                        seen[other] = true;
                        over[other] = links[i];
                        order[tail++] = other;
                    }
                }
            }
        }
        return order;
    }

    /** Of the two basins of a pass the other one. */
    private int behind(int spilled, int b) {
        return near[spilled] == b ? far[spilled] : near[spilled];
    }

    private void flow(int[] full, int from, int to, int spilled) {
        full[to] = Math.min(full[to], Math.max(full[from], (int) (pass[spilled] >> 32)));
    }
}
