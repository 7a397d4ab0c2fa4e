package keentally.core.refine;

import java.util.Arrays;
import keentally.core.work.Work;

/**
 * One size of a picture that is to be cut: colours, what is decided already, and what is believed.
 *
 * @param planes of each channel, on the 0 to 255 scale
 * @param state of each pixel: {@link #AWAY}, {@link #FREE}, {@link #IN} or {@link #OUT}
 * @param pull how far each pixel is drawn in (above 0) or out (below 0) before its colour is looked at
 */
record CutLevel(int width, int height, float[][] planes, byte[] state, float[] pull) {
    /** Takes no part. */
    static final byte AWAY = 0;

    static final byte FREE = 1;
    static final byte IN = 2;
    static final byte OUT = 3;

    private static final int[] DX = {-1, 0, 1, -1, 1, -1, 0, 1};
    private static final int[] DY = {-1, -1, -1, 0, 0, 1, 1, 1};
    private static final int FORWARD = 4;
    private static final double WHOLE = 1000;
    private static final double MOST_PULL = 6;

    /** How near to the rim of a coarser cut a finer one is looked for. */
    private static final int BAND = 2;

    /** Half as large: means of what takes part, decided where more of it is decided one way than the other. */
    CutLevel halved(Work work) {
        int wide = (width + 1) / 2;
        int high = (height + 1) / 2;
        float[][] smaller = new float[planes.length][wide * high];
        byte[] states = new byte[wide * high];
        float[] pulls = new float[wide * high];
        work.bands(high, (from, to) -> {
            for (int y = from; y < to; y++) {
                for (int x = 0; x < wide; x++) {
                    halve(x, y, y * wide + x, smaller, states, pulls);
                }
            }
        });
        return new CutLevel(wide, high, smaller, states, pulls);
    }

    private void halve(int x, int y, int into, float[][] smaller, byte[] states, float[] pulls) {
        int all = 0;
        int decided = 0;
        boolean any = false;
        for (int k = 0; k < 4; k++) {
            int px = 2 * x + (k & 1);
            int py = 2 * y + (k >> 1);
            if (px >= width || py >= height || state[py * width + px] == AWAY) {
                continue;
            }
            int i = py * width + px;
            all++;
            any |= state[i] != FREE;
            decided += state[i] == IN ? 1 : state[i] == OUT ? -1 : 0;
            pulls[into] += pull[i];
            for (int c = 0; c < planes.length; c++) {
                smaller[c][into] += planes[c][i];
            }
        }
        if (all > 0) {
            states[into] = any && decided != 0 ? decided > 0 ? IN : OUT : FREE;
            pulls[into] /= all;
            for (float[] plane : smaller) {
                plane[into] /= all;
            }
        }
    }

    /** Every free pixel is asked. @param links how much a step between neighbours costs where they are alike */
    boolean[] cut(ColourModel inside, ColourModel outside, double links, Work work) {
        boolean[] labels = new boolean[state.length];
        for (int i = 0; i < labels.length; i++) {
            labels[i] = state[i] == IN;
        }
        int[] free = new int[state.length];
        Arrays.fill(free, -1);
        int count = 0;
        for (int i = 0; i < free.length; i++) {
            if (state[i] == FREE) {
                free[i] = count;
                count++;
            }
        }
        return solved(labels, free, count, inside, outside, links, work);
    }

    /** Only pixels near the rim of a coarser cut are asked. */
    boolean[] cut(boolean[] coarse, int coarseWidth, ColourModel inside, ColourModel outside, double links, Work work) {
        boolean[] labels = new boolean[state.length];
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                int i = y * width + x;
                labels[i] = state[i] == IN || state[i] == FREE && coarse[(y >> 1) * coarseWidth + (x >> 1)];
            }
        }
        boolean[] near = nearRim(labels);
        int[] free = new int[state.length];
        Arrays.fill(free, -1);
        int count = 0;
        for (int i = 0; i < free.length; i++) {
            if (state[i] == FREE && near[i]) {
                free[i] = count;
                count++;
            }
        }
        return solved(labels, free, count, inside, outside, links, work);
    }

    private boolean[] nearRim(boolean[] labels) {
        boolean[] near = new boolean[labels.length];
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                int i = y * width + x;
                boolean rim = state[i] != AWAY
                        && (x + 1 < width && state[i + 1] != AWAY && labels[i] != labels[i + 1]
                                || y + 1 < height && state[i + width] != AWAY && labels[i] != labels[i + width]);
                if (rim) {
                    for (int dy = -BAND; dy <= BAND + 1; dy++) {
                        for (int dx = -BAND; dx <= BAND + 1; dx++) {
                            if (x + dx >= 0 && x + dx < width && y + dy >= 0 && y + dy < height) {
                                near[i + dy * width + dx] = true;
                            }
                        }
                    }
                }
            }
        }
        return near;
    }

    private boolean[] solved(
            boolean[] labels, int[] free, int count, ColourModel inside, ColourModel outside, double links, Work work) {
        double perSquare = perSquare(work);
        int[] pulls = new int[count];
        work.bands(height, (from, to) -> {
            for (int i = from * width; i < to * width; i++) {
                if (free[i] >= 0) {
                    double likely = inside.logLikelihood(planes, i) - outside.logLikelihood(planes, i) + pull[i];
                    pulls[free[i]] = (int) (WHOLE * Math.clamp(likely, -MOST_PULL, MOST_PULL));
                }
            }
        });
        work.cancel().check();
        MinimumCut cut = new MinimumCut(count, work.cancel());
        for (int i = 0; i < count; i++) {
            cut.pull(i, pulls[i]);
        }
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                for (int d = FORWARD; d < DX.length; d++) {
                    int ox = x + DX[d];
                    int oy = y + DY[d];
                    if (ox >= 0 && ox < width && oy < height) {
                        link(cut, y * width + x, oy * width + ox, d, labels, free, links, perSquare);
                    }
                }
            }
        }
        boolean[] chosen = cut.inside();
        for (int i = 0; i < labels.length; i++) {
            labels[i] = free[i] >= 0 ? chosen[free[i]] : labels[i];
        }
        return labels;
    }

    private void link(
            MinimumCut cut, int i, int j, int d, boolean[] labels, int[] free, double links, double perSquare) {
        if (free[i] < 0 && free[j] < 0 || state[i] == AWAY || state[j] == AWAY) {
            return;
        }
        double length = DX[d] != 0 && DY[d] != 0 ? Math.sqrt(2) : 1;
        int weight = (int) (WHOLE * links * StrictMath.exp(-apart(i, j) * perSquare) / length);
        if (free[i] < 0) {
            cut.pull(free[j], labels[i] ? weight : -weight);
        } else if (free[j] < 0) {
            cut.pull(free[i], labels[j] ? weight : -weight);
        } else {
            cut.join(free[i], d, free[j], weight);
        }
    }

    private double apart(int i, int j) {
        double square = 0;
        for (float[] plane : planes) {
            double apart = plane[i] - plane[j];
            square += apart * apart;
        }
        return square;
    }

    /** One over twice the mean square step between neighbours. */
    private double perSquare(Work work) {
        double[] sums = work
                .map(height, y -> {
                    double sum = 0;
                    int steps = 0;
                    for (int x = 0; x + 1 < width; x++) {
                        int i = y * width + x;
                        if (state[i] != AWAY && state[i + 1] != AWAY) {
                            sum += apart(i, i + 1);
                            steps++;
                        }
                    }
                    return new double[] {sum, steps};
                })
                .stream()
                .reduce(new double[2], (a, b) -> new double[] {a[0] + b[0], a[1] + b[1]});
        return sums[0] > 0 ? sums[1] / (2 * sums[0]) : 1;
    }
}
