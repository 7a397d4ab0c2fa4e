package keentally.core.region;

import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.IntPredicate;
import keentally.core.geometry.Point;
import keentally.core.picture.Buffers;
import keentally.core.picture.HoldsBuffers;
import keentally.core.picture.Mask;

/**
 * Regions of a picture, each a set of runs (stretches of pixels in one row). Runs are held in reading order; {@link #runs}
 * lists those of one region, in reading order too. Memory: 20 bytes a run, whatever the size of the picture.
 */
public final class Regions implements HoldsBuffers {
    private final int width;
    private final int height;
    private final int[] y;
    private final int[] from;
    private final int[] to;
    private final int[] owner;
    private final int[] rowStart;
    private final int[] order;
    private final int[] start;

    /**
     * Takes the arrays over.
     *
     * @param rowStart the first run of each row, and the number of runs at the end
     * @param from first pixel of each run, in reading order
     * @param to behind the last pixel of each run
     * @param owner region of each run; regions are numbered 0 to count − 1 by their first run
     */
    public Regions(int width, int height, int[] rowStart, int[] from, int[] to, int[] owner, int count) {
        this.width = width;
        this.height = height;
        this.rowStart = rowStart;
        this.from = from;
        this.to = to;
        this.owner = owner;
        this.y = new int[from.length];
        for (int row = 0; row < height; row++) {
            Arrays.fill(y, rowStart[row], rowStart[row + 1], row);
        }
        this.start = new int[count + 1];
        for (int region : owner) {
            start[region + 1]++;
        }
        for (int i = 1; i < start.length; i++) {
            start[i] += start[i - 1];
        }
        int[] next = start.clone();
        this.order = new int[owner.length];
        for (int run = 0; run < owner.length; run++) {
            order[next[owner[run]]++] = run;
        }
    }

    public int width() {
        return width;
    }

    public int height() {
        return height;
    }

    /** Number of regions. */
    public int count() {
        return start.length - 1;
    }

    /** Number of runs of all regions. */
    public int runCount() {
        return owner.length;
    }

    /** Number of pixels of a region. */
    public long pixels(int region) {
        long sum = 0;
        for (int i = start[region]; i < start[region + 1]; i++) {
            sum += to[order[i]] - from[order[i]];
        }
        return sum;
    }

    /**
     * The upright box round a region.
     *
     * @param right behind the last column
     * @param bottom behind the last row
     */
    public record Box(int left, int top, int right, int bottom) {
        public int width() {
            return right - left;
        }

        public int height() {
            return bottom - top;
        }
    }

    /** The smallest box around a region, in px; regions are counted from 0. */
    public Box box(int region) {
        int left = Integer.MAX_VALUE;
        int right = 0;
        for (int place = start[region]; place < start[region + 1]; place++) {
            left = Math.min(left, runFrom(place));
            right = Math.max(right, runTo(place));
        }
        return new Box(left, runY(start[region]), right, runY(start[region + 1] - 1) + 1);
    }

    /** The mean of the centres of its pixels. */
    public Point centroid(int region) {
        long pixels = 0;
        long twiceX = 0;
        long sumY = 0;
        for (int place = start[region]; place < start[region + 1]; place++) {
            long length = runTo(place) - runFrom(place);
            pixels += length;
            twiceX += length * (runFrom(place) + runTo(place));
            sumY += length * runY(place);
        }
        return new Point(twiceX / 2.0 / pixels, (double) sumY / pixels + 0.5);
    }

    /** The region's identity: index y · width + x of its first pixel in reading order. */
    public long firstPixel(int region) {
        int run = order[start[region]];
        return (long) y[run] * width + from[run];
    }

    /** The middle of the region's first pixel, by which a place knows it. */
    public Point inside(int region) {
        int run = order[start[region]];
        return new Point(from[run] + 0.5, y[run] + 0.5);
    }

    /** The region at a pixel, or −1. */
    public int at(int x, int row) {
        if (x < 0 || row < 0 || x >= width || row >= height) {
            return -1;
        }
        int found = Arrays.binarySearch(from, rowStart[row], rowStart[row + 1], x);
        int run = found >= 0 ? found : -found - 2;
        return run >= rowStart[row] && x < to[run] ? owner[run] : -1;
    }

    /** The region here that holds the first pixel of a region of others, by which it is known; −1 where none does. */
    public int find(Regions others, int region) {
        int run = others.firstRun(region);
        return at(others.runFrom(run), others.runY(run));
    }

    /** The runs of one region, in reading order. */
    public void runs(int region, RunVisitor visitor) {
        for (int i = start[region]; i < start[region + 1]; i++) {
            int run = order[i];
            visitor.run(y[run], from[run], to[run]);
        }
    }

    /** Where the runs of a region begin in {@link #run}'s places; they end where those of the next begin. */
    public int firstRun(int region) {
        return start[region];
    }

    /** The row of the run at a place. */
    public int runY(int place) {
        return y[order[place]];
    }

    /** The first pixel of the run at a place. */
    public int runFrom(int place) {
        return from[order[place]];
    }

    /** Behind the last pixel of the run at a place. */
    public int runTo(int place) {
        return to[order[place]];
    }

    /** The runs in rows [top, bottom) in reading order, each with its region. */
    public void rows(int top, int bottom, OwnedRunVisitor visitor) {
        for (int row = top; row < bottom; row++) {
            for (int run = rowStart[row]; run < rowStart[row + 1]; run++) {
                visitor.run(owner[run], row, from[run], to[run]);
            }
        }
    }

    /** Whether each region qualifies: asked once of each, since a region of noise has as many runs as pixels. */
    private boolean[] each(IntPredicate chosen) {
        boolean[] answers = new boolean[count()];
        for (int region = 0; region < answers.length; region++) {
            answers[region] = chosen.test(region);
        }
        return answers;
    }

    /** The pixels of all regions that qualify. */
    public Mask mask(IntPredicate qualifies) {
        boolean[] chosen = each(qualifies);
        int stride = Mask.stride(width);
        long[] words = new long[stride * height];
        for (int run = 0; run < owner.length; run++) {
            if (chosen[owner[run]]) {
                Mask.setRun(words, y[run] * stride, from[run], to[run]);
            }
        }
        return Mask.of(width, height, words);
    }

    /** The pixels of qualifying regions that have one of their eight neighbours in a qualifying region of a lower index. */
    public Mask lines(IntPredicate qualifies) {
        boolean[] chosen = each(qualifies);
        int stride = Mask.stride(width);
        long[] words = new long[stride * height];
        for (int run = 0; run < owner.length; run++) {
            if (chosen[owner[run]]) {
                for (int row = Math.max(0, y[run] - 1); row <= Math.min(height - 1, y[run] + 1); row++) {
                    lines(run, row, chosen, words, stride);
                }
            }
        }
        return Mask.of(width, height, words);
    }

    /** Sets what of a run lies beside runs of lower regions in one row. */
    private void lines(int run, int row, boolean[] chosen, long[] words, int stride) {
        for (int other = firstBeside(run, row); other < rowStart[row + 1] && from[other] <= to[run]; other++) {
            boolean lower = owner[other] < owner[run] && chosen[owner[other]];
            if (lower && to[other] >= from[run]) {
                int left = Math.max(from[run], from[other] - 1);
                int right = Math.min(to[run], to[other] + 1);
                Mask.setRun(words, y[run] * stride, left, right);
            }
        }
    }

    /** The pairs of qualifying regions that touch by eight neighbours, the lower first, each pair once, in order. */
    public List<int[]> touching(IntPredicate qualifies) {
        boolean[] chosen = each(qualifies);
        Set<Long> pairs = new HashSet<>();
        for (int run = 0; run < owner.length; run++) {
            for (int row = y[run]; row <= Math.min(height - 1, y[run] + 1) && chosen[owner[run]]; row++) {
                for (int other = firstBeside(run, row); other < rowStart[row + 1] && from[other] <= to[run]; other++) {
                    int a = Math.min(owner[run], owner[other]);
                    int b = Math.max(owner[run], owner[other]);
                    if (a != b && to[other] >= from[run] && chosen[owner[other]]) {
                        pairs.add((long) a << 32 | b);
                    }
                }
            }
        }
        return pairs.stream()
                .sorted()
                .map(p -> new int[] {(int) (p >> 32), p.intValue()})
                .toList();
    }

    /** The first run of a row that may lie beside a run. */
    private int firstBeside(int run, int row) {
        int found = Arrays.binarySearch(from, rowStart[row], rowStart[row + 1], from[run] - 1);
        return found >= 0 ? found : Math.max(rowStart[row], -found - 2);
    }

    /** Without the pixels of a mask; a region that has no pixel left is gone. */
    public Regions without(Mask gone) {
        RegionBuilder builder = new RegionBuilder(width, height);
        for (int region = 0; region < count(); region++) {
            builder.next();
        }
        for (int run = 0; run < owner.length; run++) {
            int at = gone.nextClear(y[run], from[run]);
            while (at < to[run]) {
                int end = Math.min(to[run], gone.nextSet(y[run], at));
                builder.add(owner[run], y[run], at, end);
                at = gone.nextClear(y[run], end);
            }
        }
        return builder.regions();
    }

    /**
     * The same pixels, regions of one group being one region; numbered by the first pixel of each.
     *
     * @param group of each region: a number from 0 to count − 1
     */
    public Regions joined(int[] group) {
        int[] number = new int[count()];
        Arrays.fill(number, -1);
        int groups = 0;
        int[] begin = new int[height + 1];
        int[] first = new int[owner.length];
        int[] behind = new int[owner.length];
        int[] of = new int[owner.length];
        int runs = 0;
        for (int row = 0; row < height; row++) {
            begin[row] = runs;
            for (int run = rowStart[row]; run < rowStart[row + 1]; run++) {
                int own = group[owner[run]];
                if (number[own] < 0) {
                    number[own] = groups++;
                }
                if (runs > begin[row] && behind[runs - 1] == from[run] && of[runs - 1] == number[own]) {
                    behind[runs - 1] = to[run];
                    continue;
                }
                first[runs] = from[run];
                behind[runs] = to[run];
                of[runs++] = number[own];
            }
        }
        begin[height] = runs;
        return new Regions(
                width,
                height,
                begin,
                Arrays.copyOf(first, runs),
                Arrays.copyOf(behind, runs),
                Arrays.copyOf(of, runs),
                groups);
    }

    /** Whether any pixel of the region lies outside {@code mask}. */
    public boolean leaves(int region, Mask mask) {
        for (int i = start[region]; i < start[region + 1]; i++) {
            int run = order[i];
            if (mask.count(y[run], from[run], to[run]) < to[run] - from[run]) {
                return true;
            }
        }
        return false;
    }

    public long bytes() {
        return 20L * owner.length + 4L * (rowStart.length + start.length);
    }

    @Override
    public void addTo(Buffers buffers) {
        buffers.add(this, bytes());
    }

    /** One run of a region. */
    @FunctionalInterface
    public interface RunVisitor {
        void run(int y, int from, int to);
    }

    /** One run and the region it belongs to. */
    @FunctionalInterface
    public interface OwnedRunVisitor {
        void run(int region, int y, int from, int to);
    }
}
