package keentally.core.find;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import keentally.core.find.Caption.Bar;
import keentally.core.geometry.Rectangle;
import keentally.core.picture.Picture;
import keentally.core.work.Work;

/**
 * Finds a caption strip and a burnt-in scale bar, told from the sample by what no camera takes: ground of one single value
 * along a straight line across the whole picture; a level line of one value with sharp ends and clean ground round it.
 *
 * <p>Definition. A strip: rows at the lower or upper edge of which nearly all pixels have one value, up to a straight line
 * beyond which they do not, with some writing in them. A bar: rows of the same run of one value, at least
 * {@value #LEAST_SHARE} of the picture's width long, at least four times as long as thick, whose ends and surround differ from
 * it by at least a fifth of the range. The ends are told to a part of a pixel from how far the next pixels are covered.
 *
 * <p>Edge cases: a picture without either gives {@link Caption#NONE}. Accuracy of a bar's ends: better than a pixel where it was
 * drawn sharp or smoothed by its drawing program. Cost: one pass over the picture, two where it is deeper than 8 bits; memory for some rows. Any number of threads finds the same.
 */
public final class CaptionFinder {
    private static final double LEAST_SHARE = 0.035;
    private static final double MOST_SHARE = 0.92;
    private static final int LEAST_LENGTH = 16;
    private static final double MOST_THICK = 0.25;
    private static final double CONTRAST = 0.2;

    /** How far values of one colour may lie apart, as a share of the range: lossy files ripple. */
    private static final double SAME = 0.07;

    private static final double PLAIN = 0.016;
    private static final double MOST_STRIP = 0.3;
    private static final int LEAST_STRIP = 8;

    private final int width;
    private final int height;
    private final LightRows light;
    private final Work work;

    private CaptionFinder(Picture picture, Work work) {
        this.width = picture.width();
        this.height = picture.height();
        this.light = LightRows.of(picture, work);
        this.work = work;
    }

    /** What was burnt into a picture. @param work whose wish to stop is looked at between rows */
    public static Caption find(Picture picture, Work work) {
        CaptionFinder finder = new CaptionFinder(picture, work);
        Optional<Rectangle> strip = finder.strip();
        Optional<Bar> bar =
                strip.flatMap(finder::bar).or(() -> finder.bar(new Rectangle(0, 0, picture.width(), picture.height())));
        return new Caption(strip, bar);
    }

    // The strip.

    private Optional<Rectangle> strip() {
        Optional<Rectangle> below = strip(height - 1, -1);
        return below.isPresent() ? below : strip(0, 1);
    }

    /** From the edge row {@code first} inward by {@code step}. */
    private Optional<Rectangle> strip(int first, int step) {
        int most = (int) (MOST_STRIP * height);
        if (most <= LEAST_STRIP) {
            return Optional.empty();
        }
        float ground = median(first, step);
        int rows = 0;
        int last = 0;
        while (rows < most && plain(first + step * rows, ground) >= 0.3) {
            rows++;
            // the strip ends with a row that has no writing in it
            last = plain(first + step * (rows - 1), ground) >= 0.9 ? rows : last;
        }
        if (last < LEAST_STRIP || last >= most) {
            return Optional.empty();
        }
        // a lossy or smoothed border takes a row or two; beyond it the ground must be gone
        double beyond = 0;
        for (int k = 3; k < 11; k++) {
            int y = first + step * (last + k - 1);
            beyond = y < 0 || y >= height ? 1 : Math.max(beyond, plain(y, ground));
        }
        double written = writing(first, step, last, ground);
        if (beyond > 0.5 || written < 0.002 || written > 0.4) {
            return Optional.empty();
        }
        int edge = edgeRows(first, step, last, ground);
        int top = step > 0 ? 0 : height - edge;
        return Optional.of(new Rectangle(0, top, width, edge));
    }

    /** With the rows of a smoothed border, which are neither strip nor sample. */
    private int edgeRows(int first, int step, int last, float ground) {
        int rows = last;
        while (rows < last + 2 && near(first + step * rows, ground) >= 0.9) {
            rows++;
        }
        return rows;
    }

    private double near(int y, float ground) {
        return share(y, ground, 4 * PLAIN);
    }

    private float median(int first, int step) {
        float[] values = new float[3 * width];
        for (int k = 0; k < 3; k++) {
            System.arraycopy(light.row(first + step * k), 0, values, k * width, width);
        }
        Arrays.sort(values);
        return values[values.length / 2];
    }

    /** The share of a row that has the ground's one value. */
    private double plain(int y, float ground) {
        return share(y, ground, PLAIN);
    }

    private double share(int y, float ground, double within) {
        int n = 0;
        for (float value : light.row(y)) {
            n += Math.abs(value - ground) <= within ? 1 : 0;
        }
        return (double) n / width;
    }

    private double writing(int first, int step, int rows, float ground) {
        long n = 0;
        for (int k = 0; k < rows; k++) {
            for (float value : light.row(first + step * k)) {
                n += Math.abs(value - ground) > CONTRAST ? 1 : 0;
            }
        }
        return (double) n / rows / width;
    }

    // The bar.

    /** A run of one colour in a row. */
    private record Run(int y, int from, int to, float value) {}

    private Optional<Bar> bar(Rectangle within) {
        int top = (int) within.y();
        int bottom = (int) within.bottom();
        List<List<Run>> open = new ArrayList<>();
        List<List<Run>> done = new ArrayList<>();
        List<List<Run>> rows = work.map(bottom - top, i -> runs(top + i));
        for (List<Run> row : rows) {
            List<List<Run>> next = new ArrayList<>();
            for (Run run : row) {
                List<Run> stack = open.stream()
                        .filter(s -> continues(s.getLast(), run))
                        .findFirst()
                        .orElseGet(ArrayList::new);
                stack.add(run);
                next.add(stack);
            }
            for (List<Run> stack : open) {
                if (next.stream().noneMatch(s -> s == stack)) {
                    done.add(stack);
                }
            }
            open = next;
        }
        done.addAll(open);
        List<Candidate> candidates =
                done.stream().map(this::judged).flatMap(Optional::stream).toList();
        return candidates.stream()
                .filter(c -> candidates.stream().noneMatch(c::frames))
                .max(Comparator.comparingDouble(Candidate::merit))
                .map(c -> bar(c.stack));
    }

    private static boolean continues(Run above, Run below) {
        return below.y == above.y + 1
                && Math.abs(below.from - above.from) <= 1
                && Math.abs(below.to - above.to) <= 1
                && Math.abs(below.value - above.value) <= SAME;
    }

    /** Runs of one colour that are long enough, and end sharply on both sides. */
    private List<Run> runs(int y) {
        List<Run> found = new ArrayList<>();
        float[] row = light.row(y);
        int least = Math.max(LEAST_LENGTH, (int) (LEAST_SHARE * width));
        int block = least / 2; // one that is long enough holds a whole block, wherever it begins
        int done = 0;
        for (int start = 0; start < width; start += block) {
            Optional<Run> run = start < done ? Optional.empty() : run(row, y, start, block, done);
            done = run.map(Run::to).orElse(done);
            run.filter(r -> r.to - r.from >= least && r.to - r.from <= MOST_SHARE * width)
                    .filter(r -> ends(row, r.from - 1, -1, r.value) && ends(row, r.to, 1, r.value))
                    .ifPresent(found::add);
        }
        return found;
    }

    /** What is of one colour with a place to the right of it, and then to the left; empty where that is less than a block. */
    private static Optional<Run> run(float[] row, int y, int start, int block, int leftmost) {
        float low = row[start];
        float high = low;
        int to = start + 1;
        for (; to < row.length && row[to] - low <= SAME && high - row[to] <= SAME; to++) {
            low = Math.min(low, row[to]);
            high = Math.max(high, row[to]);
        }
        if (to - start < block) {
            return Optional.empty();
        }
        int from = start;
        for (; from > leftmost && row[from - 1] - low <= SAME && high - row[from - 1] <= SAME; from--) {
            low = Math.min(low, row[from - 1]);
            high = Math.max(high, row[from - 1]);
        }
        return Optional.of(new Run(y, from, to, (low + high) / 2));
    }

    /** Whether within three pixels outward the value differs clearly; a bar that is cut by the picture's edge is none. */
    private boolean ends(float[] row, int x, int step, float value) {
        for (int k = 0; k < 3; k++) {
            int at = x + k * step;
            if (at < 0 || at >= width) {
                return false;
            }
            if (Math.abs(row[at] - value) >= CONTRAST) {
                return true;
            }
        }
        return false;
    }

    private record Candidate(List<Run> stack, double merit) {
        private static final int RIM = 3;
        private static final double ALIKE = 0.7;

        /** Whether this is the rim, or the box, that another one lies in. */
        boolean frames(Candidate other) {
            Run own = stack.getFirst();
            Run its = other.stack.getFirst();
            boolean wider = own.from < its.from && own.to > its.to;
            boolean alike = its.to - its.from >= ALIKE * (own.to - own.from);
            int gap = Math.max(its.y - stack.getLast().y, own.y - other.stack.getLast().y);
            return wider && alike && gap <= RIM;
        }
    }

    /** Whether a stack of runs is a bar: thin, of one colour, and alone on its ground. */
    private Optional<Candidate> judged(List<Run> stack) {
        int rows = stack.size();
        Run middle = stack.get(rows / 2);
        int length = middle.to - middle.from;
        boolean leaning =
                stack.stream().anyMatch(r -> Math.abs(r.from - middle.from) > 1 || Math.abs(r.to - middle.to) > 1);
        if (rows > MOST_THICK * length || leaning) {
            return Optional.empty();
        }
        double above = apart(stack.getFirst().y, -1, middle);
        double below = apart(stack.getLast().y, 1, middle);
        double rough = roughness(stack);
        if (above < 0.85 || below < 0.85 || rough > 0.02) {
            return Optional.empty();
        }
        double extreme = Math.max(middle.value, 1 - middle.value);
        return Optional.of(new Candidate(stack, extreme * Math.sqrt(length) * (rows == 1 ? 0.5 : 1)));
    }

    /** The share of a bar's length over which the third row beyond it differs; the first two may be its smoothed edge. */
    private double apart(int y, int step, Run bar) {
        int at = y + 3 * step;
        if (at < 0 || at >= height) {
            return 0;
        }
        BitSet differs = new BitSet();
        for (int k = 1; k <= 3; k++) {
            float[] row = light.row(y + k * step);
            for (int x = bar.from; x < bar.to; x++) {
                if (Math.abs(row[x] - bar.value) >= CONTRAST) {
                    differs.set(x);
                }
            }
        }
        return (double) differs.cardinality() / (bar.to - bar.from);
    }

    /** Root mean square about the mean, over the inner part of the bar. */
    private double roughness(List<Run> stack) {
        double sum = 0;
        double squares = 0;
        long n = 0;
        for (Run run : stack.subList(stack.size() > 4 ? 1 : 0, stack.size() > 4 ? stack.size() - 1 : stack.size())) {
            float[] row = light.row(run.y);
            for (int x = run.from + 2; x < run.to - 2; x++) {
                double value = row[x];
                sum += value;
                squares += value * value;
                n++;
            }
        }
        double mean = sum / n;
        return Math.sqrt(Math.max(0, squares / n - mean * mean));
    }

    private Bar bar(List<Run> stack) {
        List<Run> inner = stack.size() > 2 ? stack.subList(1, stack.size() - 1) : stack;
        double[] from = new double[inner.size()];
        double[] to = new double[inner.size()];
        for (int i = 0; i < from.length; i++) {
            Run run = inner.get(i);
            float[] row = light.row(run.y);
            from[i] = run.from - covered(row, run, run.from - 1, -1) + lacking(row, run.from, 1);
            to[i] = run.to + covered(row, run, run.to, 1) - lacking(row, run.to - 1, -1);
        }
        Arrays.sort(from);
        Arrays.sort(to);
        Run first = stack.getFirst();
        Run last = stack.getLast();
        double y = (first.y + last.y + 1) / 2.0;
        return new Bar(from[from.length / 2], to[to.length / 2], y, stack.size(), surround(first, last));
    }

    /** How much of the next pixels outward the bar covers, from their values between bar and ground. */
    private double covered(float[] row, Run run, int x, int step) {
        double ground = row[Math.clamp(x + 3 * step, 0, width - 1)];
        double reach = run.value - ground;
        if (Math.abs(reach) < CONTRAST / 2) {
            return 0;
        }
        double sum = 0;
        for (int k = 0; k < 2; k++) {
            int at = x + k * step;
            if (at >= 0 && at < width) {
                sum += Math.clamp((row[at] - ground) / reach, 0, 1);
            }
        }
        return sum;
    }

    /** What the run's own last pixel lacks: it may be let in although it is not quite of the bar's colour. */
    private double lacking(float[] row, int x, int step) {
        double inside = row[Math.clamp(x + 3 * step, 0, width - 1)];
        double ground = row[Math.clamp(x - 3 * step, 0, width - 1)];
        double reach = inside - ground;
        return Math.abs(reach) < CONTRAST / 2 ? 0 : Math.clamp((inside - row[x]) / reach, 0, 1);
    }

    /** The bar with what is of its very colour close by: its caption. */
    private Rectangle surround(Run first, Run last) {
        int length = first.to - first.from;
        int reachY = Math.max(24, (int) (0.4 * length));
        int reachX = Math.max(4, (int) (0.12 * length));
        int left = first.from;
        int right = first.to;
        int top = first.y;
        int bottom = last.y + 1;
        long found = 0;
        int x0 = Math.max(0, first.from - reachX);
        int x1 = Math.min(width, first.to + reachX);
        int y0 = Math.max(0, first.y - reachY);
        int y1 = Math.min(height, last.y + 1 + reachY);
        for (int y = y0; y < y1; y++) {
            float[] row = light.row(y);
            for (int x = x0; x < x1; x++) {
                if (Math.abs(row[x] - first.value) <= PLAIN) {
                    found++;
                    left = Math.min(left, x);
                    right = Math.max(right, x + 1);
                    top = Math.min(top, y);
                    bottom = Math.max(bottom, y + 1);
                }
            }
        }
        boolean everywhere = found > 0.5 * (x1 - x0) * (y1 - y0);
        int pad = 3;
        return everywhere
                ? new Rectangle(first.from - pad, first.y - pad, length + 2 * pad, last.y + 1 - first.y + 2 * pad)
                : new Rectangle(left - pad, top - pad, right - left + 2 * pad, bottom - top + 2 * pad);
    }
}
