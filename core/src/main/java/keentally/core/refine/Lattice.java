package keentally.core.refine;

import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import keentally.core.work.Work;

/**
 * Sums under a bell in a space of several dimensions, for many points at once.
 *
 * <p>Definition: for each point the sum over all points j of value<sub>j</sub>·exp(−|f − f<sub>j</sub>|²/2), up to a factor that is the same everywhere. Points
 * are laid into a lattice of simplices, each value shared out to the corners around it; corners are blurred along every axis and read back.
 *
 * <p>Accuracy: once divided by the same sum of ones, a mean is within 0.1 of the range of the values, 0.015 in the mean, of what a plain double loop gives
 * (tested). Cost: linear in points and in dimensions squared; memory 8 bytes a point and corner. Threads: points are laid in by fixed bands that are put
 * together in their order: the same bits with any number.
 *
 * <p>Source: A. Adams, J. Baek and M. A. Davis (2010), Fast high-dimensional filtering using the permutohedral lattice, Computer Graphics Forum 29(2),
 * 753–762.
 */
final class Lattice {
    private static final int BAND = 1 << 14;
    private static final double SPREAD = Math.sqrt(2.0 / 3);

    private final int count;
    private final int corners;
    private final List<Laid> bands;
    private final int vertices;

    /** For each axis the two neighbours of each vertex; the number of vertices stands for none. */
    private final int[][] neighbours;

    /** Points laid in. @param vertex for each point its corners, by the band's own numbers @param global the band's vertices in the lattice */
    private record Laid(int from, int to, int[] vertex, float[] weight, int[] global) {}

    private Lattice(int count, int corners, List<Laid> bands, int vertices, int[][] neighbours) {
        this.count = count;
        this.corners = corners;
        this.bands = bands;
        this.vertices = vertices;
        this.neighbours = neighbours;
    }

    /** @param features for each dimension a value a point, in units of the bell's width */
    static Lattice of(float[][] features, Work work) {
        int count = features[0].length;
        int corners = features.length + 1;
        Packing packing = Packing.of(features);
        int bandCount = (count + BAND - 1) / BAND;
        List<Local> local =
                work.map(bandCount, b -> local(features, packing, b * BAND, Math.min(count, (b + 1) * BAND)));
        Keys all = new Keys(local.stream().mapToInt(l -> l.keys().size()).max().orElse(0));
        int[][] global = new int[bandCount][];
        for (int b = 0; b < bandCount; b++) {
            Keys own = local.get(b).keys();
            global[b] = new int[own.size()];
            for (int v = 0; v < own.size(); v++) {
                global[b][v] = all.number(own.key(v));
            }
        }
        List<Laid> laid = IntStream.range(0, bandCount)
                .mapToObj(b -> new Laid(
                        b * BAND,
                        Math.min(count, (b + 1) * BAND),
                        local.get(b).vertex(),
                        local.get(b).weight(),
                        global[b]))
                .toList();
        int[][] neighbours = new int[corners][2 * all.size()];
        work.each(corners, axis -> {
            for (int v = 0; v < all.size(); v++) {
                neighbours[axis][2 * v] = all.find(packing.before(all.key(v), axis));
                neighbours[axis][2 * v + 1] = all.find(packing.after(all.key(v), axis));
            }
        });
        return new Lattice(count, corners, laid, all.size(), neighbours);
    }

    /** What a band lays in, by numbers of its own. */
    private record Local(Keys keys, int[] vertex, float[] weight) {}

    private static Local local(float[][] features, Packing packing, int from, int to) {
        int d = features.length;
        Keys keys = new Keys(1 << 8);
        int[] vertex = new int[(to - from) * (d + 1)];
        float[] weight = new float[(to - from) * (d + 1)];
        Simplex simplex = new Simplex(d);
        Simplex before = new Simplex(d);
        long[] corner = new long[d + 1];
        for (int i = from; i < to; i++) {
            simplex.around(features, i);
            int at = (i - from) * (d + 1);
            boolean same = i > from && simplex.isAt(before); // neighbours mostly lie in one simplex
            if (same) {
                System.arraycopy(vertex, at - d - 1, vertex, at, d + 1);
            } else {
                packing.corners(simplex, corner);
                for (int k = 0; k <= d; k++) {
                    vertex[at + k] = keys.number(corner[k]);
                }
            }
            System.arraycopy(simplex.weight, 0, weight, at, d + 1);
            Simplex other = before;
            before = simplex;
            simplex = other;
        }
        return new Local(keys, vertex, weight);
    }

    /** Sums under the bell, of a value a point. */
    float[] sums(float[] in, Work work) {
        List<float[]> shares = work.map(bands.size(), b -> shared(bands.get(b), in));
        float[] values = new float[vertices + 1]; // the last one stays 0, for neighbours that there are none of
        for (int b = 0; b < bands.size(); b++) {
            int[] global = bands.get(b).global();
            float[] share = shares.get(b);
            for (int v = 0; v < global.length; v++) {
                values[global[v]] += share[v];
            }
        }
        for (int axis = 0; axis < corners; axis++) {
            values = blurred(values, neighbours[axis], work);
        }
        float[] blurred = values;
        float[] out = new float[count];
        work.each(bands.size(), b -> read(bands.get(b), blurred, out));
        return out;
    }

    private float[] shared(Laid band, float[] in) {
        float[] share = new float[band.global().length];
        int[] vertex = band.vertex();
        float[] weight = band.weight();
        int at = 0;
        for (int i = band.from(); i < band.to(); i++) {
            for (int k = 0; k < corners; k++, at++) {
                share[vertex[at]] += weight[at] * in[i];
            }
        }
        return share;
    }

    private float[] blurred(float[] values, int[] beside, Work work) {
        float[] out = new float[values.length];
        work.bands(vertices, (from, to) -> {
            for (int v = from; v < to; v++) {
                out[v] = values[v] / 2 + (values[beside[2 * v]] + values[beside[2 * v + 1]]) / 4;
            }
        });
        return out;
    }

    private void read(Laid band, float[] values, float[] out) {
        int[] vertex = band.vertex();
        float[] weight = band.weight();
        float[] own = new float[band.global().length];
        for (int v = 0; v < own.length; v++) {
            own[v] = values[band.global()[v]];
        }
        int at = 0;
        for (int i = band.from(); i < band.to(); i++) {
            float sum = 0;
            for (int k = 0; k < corners; k++, at++) {
                sum += weight[at] * own[vertex[at]];
            }
            out[i] = sum;
        }
    }

    /** The corners around a point, and how much each has of it. */
    private static final class Simplex {
        private final int d;
        private final double[] scale;
        private final double[] raised;
        private final int[] cell;
        private final int[] rank;
        private final float[] weight;

        Simplex(int d) {
            this.d = d;
            this.scale = new double[d];
            Arrays.setAll(scale, i -> (d + 1) * SPREAD / Math.sqrt((i + 1.0) * (i + 2)));
            this.raised = new double[d + 1];
            this.cell = new int[d + 1];
            this.rank = new int[d + 1];
            this.weight = new float[d + 2];
        }

        boolean isAt(Simplex other) {
            return Arrays.equals(cell, other.cell) && Arrays.equals(rank, other.rank);
        }

        /** Eqs. 1 to 5 of the paper. */
        void around(float[][] features, int point) {
            double sum = 0;
            for (int i = d; i > 0; i--) {
                double f = features[i - 1][point] * scale[i - 1];
                raised[i] = sum - i * f;
                sum += f;
            }
            raised[0] = sum;
            int over = 0;
            for (int i = 0; i <= d; i++) {
                raised[i] /= d + 1;
                cell[i] = (int) Math.floor(raised[i] + 0.5);
                raised[i] -= cell[i];
                over += cell[i];
                rank[i] = 0;
            }
            for (int i = 0; i < d; i++) {
                for (int j = i + 1; j <= d; j++) {
                    if (raised[i] < raised[j]) {
                        rank[i]++;
                    } else {
                        rank[j]++;
                    }
                }
            }
            for (int i = 0; i <= d; i++) { // back onto the plane where the coordinates add up to 0
                rank[i] += over;
                if (rank[i] < 0) {
                    rank[i] += d + 1;
                    cell[i]++;
                    raised[i]--;
                } else if (rank[i] > d) {
                    rank[i] -= d + 1;
                    cell[i]--;
                    raised[i]++;
                }
            }
            Arrays.fill(weight, 0);
            for (int i = 0; i <= d; i++) {
                float part = (float) raised[i];
                weight[d - rank[i]] += part;
                weight[d + 1 - rank[i]] -= part;
            }
            weight[0] += 1 + weight[d + 1];
        }
    }

    /** A corner as one number: its first d coordinates divided by d + 1, and what they all leave. @param all strides together */
    private record Packing(int d, long[] stride, int[] least, long all) {
        static Packing of(float[][] features) {
            int d = features.length;
            Simplex simplex = new Simplex(d);
            double[] low = new double[d];
            double[] high = new double[d];
            for (int i = 0; i < d; i++) {
                low[i] = Double.POSITIVE_INFINITY;
                high[i] = Double.NEGATIVE_INFINITY;
                for (float f : features[i]) {
                    low[i] = Math.min(low[i], f * simplex.scale[i]);
                    high[i] = Math.max(high[i], f * simplex.scale[i]);
                }
            }
            long[] stride = new long[d];
            int[] least = new int[d];
            long next = d + 1;
            for (int i = 0; i < d; i++) {
                double from = i == 0 ? 0 : -i * high[i - 1];
                double to = i == 0 ? 0 : -i * low[i - 1];
                for (int j = i; j < d; j++) {
                    from += low[j];
                    to += high[j];
                }
                least[i] = (int) Math.floor(from / (d + 1)) - 3;
                stride[i] = next;
                next = Math.multiplyExact(next, (long) Math.ceil(to / (d + 1)) + 4 - least[i]);
            }
            return new Packing(d, stride, least, Arrays.stream(stride).sum());
        }

        /** Of the corners whose coordinates all leave 0, 1, ... d: from one to the next all grow by one, but one falls by d. */
        void corners(Simplex simplex, long[] into) {
            long key = 0;
            for (int i = 0; i < d; i++) {
                key += stride[i] * (simplex.cell[i] - least[i]);
            }
            for (int i = 0; i <= d; i++) {
                into[d - simplex.rank[i]] = i < d ? stride[i] : 0;
            }
            for (int k = 0; k <= d; k++) {
                long falls = into[k];
                into[k] = key + k;
                key -= falls;
            }
        }

        /** The neighbour with one less in every coordinate but one, which has d more. */
        long before(long key, int axis) {
            long own = axis < d ? stride[axis] : 0;
            return key % (d + 1) > 0 ? key - 1 + own : key + d - all + own;
        }

        /** The neighbour with one more in every coordinate but one, which has d less. */
        long after(long key, int axis) {
            long own = axis < d ? stride[axis] : 0;
            return key % (d + 1) < d ? key + 1 - own : key - d + all - own;
        }
    }

    /** Keys, numbered as they come. */
    private static final class Keys {
        private long[] keys;
        private int[] slots;
        private int size;

        Keys(int room) {
            this.keys = new long[Math.max(1 << 4, room)];
            this.slots = new int[Integer.highestOneBit(keys.length) * 4];
        }

        int size() {
            return size;
        }

        long key(int number) {
            return keys[number];
        }

        private static int mixed(long key) {
            long h = key * 0x9E3779B97F4A7C15L;
            return (int) (h >>> 32);
        }

        /** Of a key that is known, or becomes so. */
        int number(long key) {
            int slot = slot(key);
            if (slots[slot] > 0) {
                return slots[slot] - 1;
            }
            if (2 * (size + 1) > slots.length) {
                grow();
                slot = slot(key);
            }
            if (size == keys.length) {
                keys = Arrays.copyOf(keys, 2 * size);
            }
            keys[size] = key;
            size++;
            slots[slot] = size;
            return size - 1;
        }

        /** Its number; as many as there are where it is not known. */
        int find(long key) {
            int number = slots[slot(key)];
            return number > 0 ? number - 1 : size;
        }

        private int slot(long key) {
            int slot = mixed(key) & slots.length - 1;
            while (slots[slot] > 0 && keys[slots[slot] - 1] != key) {
                slot = slot + 1 & slots.length - 1;
            }
            return slot;
        }

        private void grow() {
            slots = new int[2 * slots.length];
            for (int n = 0; n < size; n++) {
                slots[slot(keys[n])] = n + 1;
            }
        }
    }
}
