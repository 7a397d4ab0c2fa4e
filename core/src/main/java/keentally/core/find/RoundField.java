package keentally.core.find;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import keentally.core.geometry.Ellipse;
import keentally.core.picture.Picture;
import keentally.core.stats.LinearSystem;
import keentally.core.stats.Selection;
import keentally.core.work.Work;

/**
 * The rim of a round tray, dish or pan: the circle that the most of a picture's edges run along.
 *
 * <p>Method, on the picture reduced to {@value #SIDE} pixels: edge points vote, along their gradient and both ways, for centres
 * and radii; each of the strongest circles is then fitted to the steepest radial edge in every one of {@value #RAYS}
 * directions, points far from the fit losing their say (biweight). A circle counts where the picture shows at least
 * {@value #LEAST_SEEN} of it and edges run along at least {@value #LEAST_SUPPORT} of what is seen, clearly more than along
 * circles a little smaller and larger. Of two that share their centre the inner one is taken, so that the rim itself stays
 * outside the field.
 *
 * <p>Accuracy: about a pixel of the reduced picture or better. Edge cases: a picture under 32 pixels holds none. Cost: some 0.15 s for 12
 * megapixels. Sources: R. O. Duda and P. E. Hart (1972), "Use of the Hough
 * transformation to detect lines and curves in pictures", Communications of the ACM 15(1), 11–15; A. E. Beaton and J. W. Tukey
 * (1974), "The fitting of power series", Technometrics 16(2), 147–185, for the biweight.
 */
public final class RoundField {
    private static final int SIDE = 1000;
    private static final int SMALLEST = 32;
    private static final int RAYS = 720;
    private static final double LEAST_SEEN = 0.45;
    private static final double LEAST_SUPPORT = 0.65;

    /** The support that a circle must have over its neighbours, which chance gives too. */
    private static final double OVER_CHANCE = 1.5;

    private static final double LEAST_RADIUS = 0.18;
    private static final double MOST_RADIUS = 0.75;
    private static final double CELL = 1.0 / 90;
    private static final int CANDIDATES = 24;
    /** Half widths of the rings in which the rim is looked for, one after another, in radii. */
    private static final double[] WIDE = {0.05, 0.03, 0.018, 0.012, 0.012};

    /** Rays that are looked along. */
    private static final int ALL = 1;

    private static final int FEW = 8;

    /** Rings that these are followed in. */
    private static final int HOPEFUL = 2;

    /** In pixels of the reduced picture. */
    private static final double SAME = 1;

    /** Of the least support: what few rays must show. */
    private static final double HOPE = 0.8;

    private static final double[] NARROW = {0.01, 0.008};
    private static final double INNER = 0.9;
    private static final double CONCENTRIC = 0.02;
    private static final double COMPARABLE = 0.75;
    private static final double FAINTER = 0.2;
    private static final double CALM = 0.7;
    private static final double ASIDE = 0.012;
    private static final double AS_GOOD = 0.97;
    private static final double AS_STEEP = 0.8;

    /** In narrow rings, of two edges on a ray the inner one is followed, unless it is much fainter. */
    private static final double INNER_FIRST_BELOW = 0.013;

    private static final double NOT_MUCH_LOWER = 0.55;

    /** The cosine between a gradient and a ray that it points along. */
    private static final double ALONG = 0.9;

    /** Steps along a ray. */
    private static final double FINE = 0.25;

    private static final double[] COS = new double[RAYS];
    private static final double[] SIN = new double[RAYS];

    static {
        for (int a = 0; a < RAYS; a++) {
            COS[a] = StrictMath.cos(2 * Math.PI * a / RAYS);
            SIN[a] = StrictMath.sin(2 * Math.PI * a / RAYS);
        }
    }

    private final int width;
    private final int height;
    private final double side;
    private final float[] gx;
    private final float[] gy;
    private final float[] steep;

    private RoundField(ReducedPicture picture, Work work) {
        this.width = picture.width();
        this.height = picture.height();
        this.side = Math.max(width, height);
        this.gx = new float[width * height];
        this.gy = new float[width * height];
        this.steep = new float[width * height];
        picture.planes().forEach(plane -> gradient(plane, work));
    }

    /**
     * What was found.
     *
     * @param rim a circle, in pixels of the picture
     * @param support the share of the seen part of the rim that edges run along, 0 to 1
     */
    public record Fit(Ellipse rim, double support) {
        /** Moved inward by {@code margin} pixels. */
        public Optional<Ellipse> inward(double margin) {
            double radius = rim.a() - margin;
            return radius > 0 ? Optional.of(Ellipse.disc(rim.cx(), rim.cy(), radius)) : Optional.empty();
        }
    }

    /** Empty where no round field can be seen. */
    public static Optional<Fit> find(Picture picture, Work work) {
        if (Math.min(picture.width(), picture.height()) < SMALLEST) {
            return Optional.empty();
        }
        ReducedPicture reduced = ReducedPicture.of(picture, SIDE, work);
        return new RoundField(reduced, work)
                .best(work)
                .map(c -> new Fit(
                        Ellipse.disc(c.x * reduced.factor(), c.y * reduced.factor(), c.r * reduced.factor()),
                        c.support));
    }

    private record Circle(double x, double y, double r, double support) {
        /** Whether a few rays tell no more than this apart. */
        boolean isAbout(Circle other) {
            return distance(x - other.x, y - other.y) < SAME && Math.abs(r - other.r) < SAME;
        }
    }

    /** Of all channels the steepest at each pixel, after smoothing over 3 × 3. */
    private void gradient(float[] raw, Work work) {
        float[] v = smooth(smooth(raw, work), work);
        work.bands(height - 2, (from, to) -> {
            for (int y = from + 1; y < to + 1; y++) {
                for (int i = y * width + 1; i < (y + 1) * width - 1; i++) {
                    float dx = (v[i + 1] - v[i - 1]) / 2;
                    float dy = (v[i + width] - v[i - width]) / 2;
                    float size = (float) Math.sqrt(dx * dx + dy * dy);
                    if (size > steep[i]) {
                        steep[i] = size;
                        gx[i] = dx / size;
                        gy[i] = dy / size;
                    }
                }
            }
        });
    }

    private float[] smooth(float[] v, Work work) {
        float[] out = v.clone();
        work.bands(height - 2, (from, to) -> {
            for (int y = from + 1; y < to + 1; y++) {
                for (int i = y * width + 1; i < (y + 1) * width - 1; i++) {
                    float rows = v[i - width - 1]
                            + 2 * v[i - width]
                            + v[i - width + 1]
                            + v[i + width - 1]
                            + 2 * v[i + width]
                            + v[i + width + 1];
                    out[i] = (rows + 2 * (v[i - 1] + 2 * v[i] + v[i + 1])) / 16;
                }
            }
        });
        return out;
    }

    private Optional<Circle> best(Work work) {
        List<Circle> rough = candidates(work);
        return fits(rough, c -> standsOut(c, FEW, HOPE), work, WIDE).stream()
                .filter(c -> standsOut(c, ALL, 1))
                .max(Comparator.comparingDouble(RoundField::merit))
                .map(outer -> innermost(outer, work));
    }

    /**
     * Where a few of the rays let hope that a rim is there; of starts that these lead to the same circle, the first.
     *
     * @param hope what a circle must be besides
     */
    private List<Circle> fits(List<Circle> starts, Predicate<Circle> hope, Work work, double... rings) {
        List<Optional<Circle>> hopes =
                work.map(starts.size(), i -> hope(starts.get(i), rings).filter(hope));
        List<Circle> apart = new ArrayList<>();
        List<Circle> worth = new ArrayList<>();
        for (int i = 0; i < hopes.size(); i++) {
            Circle start = starts.get(i);
            hopes.get(i).filter(h -> apart.stream().noneMatch(h::isAbout)).ifPresent(h -> {
                apart.add(h);
                worth.add(start);
            });
        }
        return work.map(worth.size(), i -> fit(worth.get(i), rings)).stream()
                .flatMap(Optional::stream)
                .toList();
    }

    /** A rim has two edges; the field ends at the inner one. A fit that leans on both is set free by starts a little aside. */
    private Circle innermost(Circle outer, Work work) {
        double aside = ASIDE * outer.r;
        double outerSteepness = typicalSteepness(outer);
        List<Circle> starts = new ArrayList<>();
        for (double[] by : new double[][] {{0, 0}, {aside, 0}, {-aside, 0}, {0, aside}, {0, -aside}}) {
            for (double factor = INNER; factor < 0.999; factor += 0.006) {
                starts.add(new Circle(outer.x + by[0], outer.y + by[1], factor * outer.r, 0));
            }
        }
        return fits(starts, c -> true, work, NARROW).stream()
                .filter(c -> isInner(c, outer, outerSteepness))
                .reduce(outer, (best, inner) -> inner.r < best.r ? inner : best);
    }

    private boolean isInner(Circle inner, Circle outer, double outerSteepness) {
        boolean concentric = distance(inner.x - outer.x, inner.y - outer.y) < CONCENTRIC * outer.r && inner.r < outer.r;
        double steepness = typicalSteepness(inner);
        boolean asGood = inner.support >= AS_GOOD * outer.support && steepness >= AS_STEEP * outerSteepness;
        boolean apart = inner.support >= COMPARABLE * outer.support
                && steepness >= FAINTER * outerSteepness
                && isApart(inner, outer);
        return concentric && (asGood || apart);
    }

    /** Whether there is calm between two edges, so that they are two and not the flanks of one. */
    private boolean isApart(Circle inner, Circle outer) {
        Circle between = new Circle(inner.x, inner.y, (inner.r + outer.r) / 2, 0);
        return outer.r - inner.r >= 2.5 && typicalSteepness(between) < CALM * typicalSteepness(inner);
    }

    /** A field is worth more the better its rim is seen, and a little more the larger it is. */
    private static double merit(Circle c) {
        return c.support * Math.sqrt(c.r);
    }

    /** Circles that many edge points vote for: the strongest cells of an accumulator over centre and radius. */
    private List<Circle> candidates(Work work) {
        Votes votes = new Votes();
        List<float[]> strength = work.map(votes.radii, votes::strength);
        List<Circle> found = new ArrayList<>();
        int[] best = strength.stream().mapToInt(RoundField::highest).toArray();
        for (int n = 0; n < CANDIDATES; n++) {
            int k = 0;
            for (int i = 1; i < best.length; i++) {
                k = strength.get(i)[best[i]] > strength.get(k)[best[k]] ? i : k;
            }
            if (strength.get(k)[best[k]] <= 0) {
                break;
            }
            found.add(votes.circle(best[k], k));
            int cell = best[k];
            for (int i = Math.max(0, k - 1); i <= Math.min(votes.radii - 1, k + 1); i++) {
                votes.clear(strength.get(i), cell);
                best[i] = highest(strength.get(i));
            }
        }
        return found;
    }

    /** The first of the highest. */
    private static int highest(float[] values) {
        int best = 0;
        for (int i = 1; i < values.length; i++) {
            best = values[i] > values[best] ? i : best;
        }
        return best;
    }

    /** What the steepest eighth of all pixels votes for, one radius after another so that its cells stay near. */
    private final class Votes {
        private final double cell = CELL * side;
        private final double margin = 0.35 * side;
        private final int columns = (int) Math.ceil((width + 2 * margin) / cell);
        private final int rows = (int) Math.ceil((height + 2 * margin) / cell);
        private final int radii = (int) Math.ceil((MOST_RADIUS - LEAST_RADIUS) / CELL) + 1;

        /** Of those who vote: where the middle of the pixel lies, in cells, and which way its gradient points. */
        private final double[] xs;

        private final double[] ys;
        private final float[] towardsX;
        private final float[] towardsY;

        Votes() {
            float limit = Math.max(1e-4f, Selection.of(steep, steep.length - steep.length / 8));
            int[] strong = IntStream.range(0, steep.length)
                    .filter(i -> steep[i] >= limit)
                    .toArray();
            xs = new double[strong.length];
            ys = new double[strong.length];
            towardsX = new float[strong.length];
            towardsY = new float[strong.length];
            for (int n = 0; n < strong.length; n++) {
                xs[n] = (strong[n] % width + 0.5 + margin) / cell;
                ys[n] = (strong[n] / width + 0.5 + margin) / cell;
                towardsX[n] = gx[strong[n]];
                towardsY[n] = gy[strong[n]];
            }
        }

        /** The share of a circle's length that voted decides, not the number, so that small circles are not at a loss. */
        float[] strength(int k) {
            float[] votes = new float[columns * rows];
            for (double r = LEAST_RADIUS * side; r < MOST_RADIUS * side; r += cell) {
                if ((int) ((r - LEAST_RADIUS * side) / cell) == k) {
                    vote(r, votes);
                    vote(-r, votes);
                }
            }
            float[] strength = new float[votes.length];
            double root = Math.sqrt(radius(k));
            for (int cy = 1; cy < rows - 1; cy++) {
                for (int cx = 1; cx < columns - 1; cx++) {
                    float sum = 0;
                    for (int dy = -1; dy <= 1; dy++) {
                        for (int dx = -1; dx <= 1; dx++) {
                            sum += votes[(cy + dy) * columns + cx + dx];
                        }
                    }
                    strength[cy * columns + cx] = (float) (sum / root);
                }
            }
            return strength;
        }

        /** @param r against the gradient where it is below 0 */
        private void vote(double r, float[] votes) {
            double cells = r / cell;
            for (int i = 0; i < xs.length; i++) {
                int cx = (int) (xs[i] + cells * towardsX[i]);
                int cy = (int) (ys[i] + cells * towardsY[i]);
                if (cx >= 0 && cy >= 0 && cx < columns && cy < rows) {
                    votes[cy * columns + cx] += 1;
                }
            }
        }

        private double radius(int k) {
            return LEAST_RADIUS * side + (k + 0.5) * cell;
        }

        Circle circle(int at, int k) {
            double cx = at % columns;
            double cy = at / columns;
            return new Circle((cx + 0.5) * cell - margin, (cy + 0.5) * cell - margin, radius(k), 0);
        }

        void clear(float[] strength, int at) {
            int cx = at % columns;
            int cy = at / columns;
            for (int y = Math.max(0, cy - 2); y <= Math.min(rows - 1, cy + 2); y++) {
                int from = y * columns + Math.max(0, cx - 2);
                Arrays.fill(strength, from, y * columns + Math.min(columns - 1, cx + 2) + 1, 0);
            }
        }
    }

    private Optional<Circle> hope(Circle rough, double... rings) {
        return follow(rough, FEW, Arrays.copyOf(rings, HOPEFUL))
                .map(c -> new Circle(c.x, c.y, c.r, support(c, typicalSteepness(c), LEAST_SEEN, FEW)))
                .filter(c -> c.support >= HOPE * LEAST_SUPPORT);
    }

    private Optional<Circle> fit(Circle rough, double... rings) {
        return follow(rough, ALL, rings)
                .map(c -> new Circle(c.x, c.y, c.r, support(c)))
                .filter(c -> c.support >= LEAST_SUPPORT);
    }

    /** Follows the rim in ever narrower rings. @param every so many rays one is looked along */
    private Optional<Circle> follow(Circle rough, int every, double... rings) {
        Optional<Circle> circle = Optional.of(rough);
        for (double ring : rings) {
            circle = circle.flatMap(c -> step(c, ring, every));
        }
        return circle;
    }

    private Optional<Circle> step(Circle c, double ring, int every) {
        double[] xs = new double[RAYS];
        double[] ys = new double[RAYS];
        int n = 0;
        double half = Math.max(1.5, ring * c.r);
        double[] profile = new double[(int) (2 * half / FINE) + 1];
        for (int a = 0; a < RAYS; a += every) {
            double cos = COS[a];
            double sin = SIN[a];
            for (int k = 0; k < profile.length; k++) {
                double r = c.r - half + k * FINE;
                profile[k] = along(c.x + r * cos, c.y + r * sin, cos, sin);
            }
            int edge = ring < INNER_FIRST_BELOW ? innermostEdge(profile) : steepest(profile);
            if (profile[edge] > 0) {
                double at = c.r - half + edge * FINE;
                xs[n] = c.x + at * cos;
                ys[n++] = c.y + at * sin;
            }
        }
        return n < RAYS / every / 5 ? Optional.empty() : circle(xs, ys, n, c, half);
    }

    private static int steepest(double[] profile) {
        int best = 0;
        for (int k = 1; k < profile.length; k++) {
            best = profile[k] > profile[best] ? k : best;
        }
        return best;
    }

    /** The first peak from inside that is not much lower than the highest. */
    private static int innermostEdge(double[] profile) {
        int best = steepest(profile);
        for (int k = 1; k < best; k++) {
            boolean peak = profile[k] > profile[k - 1] && profile[k] >= profile[k + 1];
            if (peak && profile[k] >= NOT_MUCH_LOWER * profile[best]) {
                return k;
            }
        }
        return best;
    }

    /** How steep the picture is at a point, where its gradient points along the ray, either way; 0 where it does not. */
    private double along(double x, double y, double cos, double sin) {
        if (!(x >= 1 && y >= 1 && x < width - 1 && y < height - 1)) {
            return 0;
        }
        int near = (int) y * width + (int) x;
        if (!(Math.abs(gx[near] * cos + gy[near] * sin) > ALONG)) {
            return 0;
        }
        double fx = x - 0.5;
        double fy = y - 0.5;
        int i = (int) fy * width + (int) fx;
        double tx = fx - (int) fx;
        double ty = fy - (int) fy;
        return (1 - ty) * ((1 - tx) * steep[i] + tx * steep[i + 1])
                + ty * ((1 - tx) * steep[i + width] + tx * steep[i + width + 1]);
    }

    /** Least squares on x² + y² = 2ax + 2by + c, weighted anew several times by the distance from the circle before. */
    private static Optional<Circle> circle(double[] xs, double[] ys, int n, Circle start, double half) {
        Circle c = start;
        for (int round = 0; round < 6; round++) {
            double reach = half * (round < 2 ? 1 : 0.5);
            double[][] m = new double[3][4];
            for (int i = 0; i < n; i++) {
                double off = (distance(xs[i] - c.x, ys[i] - c.y) - c.r) / reach;
                double w = Math.abs(off) >= 1 ? 0 : (1 - off * off) * (1 - off * off);
                double x = xs[i] - start.x;
                double y = ys[i] - start.y;
                double[] row = {2 * x, 2 * y, 1, x * x + y * y};
                for (int j = 0; j < 3; j++) {
                    for (int k = 0; k < 4; k++) {
                        m[j][k] += w * row[j] * row[k];
                    }
                }
            }
            Optional<double[]> solved = LinearSystem.solve(m);
            if (solved.isEmpty()) {
                return Optional.empty();
            }
            double[] s = solved.get();
            double r2 = s[2] + s[0] * s[0] + s[1] * s[1];
            if (r2 <= 0) {
                return Optional.empty();
            }
            Circle next = new Circle(start.x + s[0], start.y + s[1], Math.sqrt(r2), 0);
            if (distance(next.x - start.x, next.y - start.y) > 0.15 * start.r
                    || Math.abs(next.r - start.r) > 0.15 * start.r) {
                return Optional.empty();
            }
            c = next;
        }
        return Optional.of(c);
    }

    private static double distance(double dx, double dy) {
        return Math.sqrt(dx * dx + dy * dy);
    }

    /** The share of the seen part of a circle along which there is a clear edge; 0 where too little is seen. */
    private double support(Circle c) {
        return support(c, typicalSteepness(c), LEAST_SEEN, ALL);
    }

    private double support(Circle c, double limit, double leastSeen, int every) {
        double near = Math.max(1.0, 0.006 * c.r);
        int seen = 0;
        int carried = 0;
        for (int a = 0; a < RAYS; a += every) {
            double cos = COS[a];
            double sin = SIN[a];
            double x = c.x + c.r * cos;
            double y = c.y + c.r * sin;
            if (x < 2 || y < 2 || x > width - 2 || y > height - 2) {
                continue;
            }
            seen++;
            double best = 0;
            for (double d = -near; d <= near; d += 0.5) {
                best = Math.max(best, along(x + d * cos, y + d * sin, cos, sin));
            }
            carried += best > limit ? 1 : 0;
        }
        return seen == 0 || seen < leastSeen * RAYS / every ? 0 : (double) carried / seen;
    }

    /** Half the median steepness along the rim itself, so that faint and strong rims are judged alike. */
    private double typicalSteepness(Circle c) {
        double[] found = new double[RAYS];
        int n = 0;
        for (int a = 0; a < RAYS; a++) {
            double cos = COS[a];
            double sin = SIN[a];
            double s = along(c.x + c.r * cos, c.y + c.r * sin, cos, sin);
            if (s > 0) {
                found[n++] = s;
            }
        }
        Arrays.sort(found, 0, n);
        return n == 0 ? Double.MAX_VALUE : Math.max(0.004, 0.4 * found[n / 2]);
    }

    /**
     * Whether far more edges run along this circle than along those a little smaller and larger.
     *
     * @param share of what is wanted
     */
    private boolean standsOut(Circle c, int every, double share) {
        double limit = typicalSteepness(c);
        double[] around = new double[6];
        int n = 0;
        for (double factor : new double[] {0.86, 0.89, 0.92, 1.09, 1.12, 1.15}) {
            around[n++] = support(new Circle(c.x, c.y, c.r * factor, 0), limit, 0, every);
        }
        Arrays.sort(around, 0, n);
        return c.support >= share * (OVER_CHANCE * around[n / 2] + 0.12);
    }
}
