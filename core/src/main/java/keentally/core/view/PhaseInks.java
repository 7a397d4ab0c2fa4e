package keentally.core.view;

import java.util.List;
import java.util.Map;
import keentally.core.colour.Rgb;
import keentally.core.picture.PhaseMap;
import keentally.core.work.Work;

/** Colours for phases. */
public final class PhaseInks {
    /** Ink, plum, teal, marigold and paper: from dark to light, so that they keep the order of the phases for everybody's eyes. */
    private static final int[] STOPS = {0x1e2a38, 0x6b2a62, 0x1f7a80, 0xe0a93a, 0xf4ecd8};

    private static final int OPAQUE = 0xff000000;

    private PhaseInks() {}

    /** Flat colours that run from dark to light, evenly spaced. */
    public static int[] flat(int phases) {
        int[] inks = new int[phases];
        for (int p = 0; p < phases; p++) {
            double at = phases == 1 ? 2 : (double) p / (phases - 1) * (STOPS.length - 1);
            int below = Math.min(STOPS.length - 2, (int) at);
            inks[p] = Inks.mix(STOPS[below], STOPS[below + 1], (int) Math.round(256 * (at - below)));
        }
        return inks;
    }

    /** Flat colours of a map: those that somebody gave to phases, by their names; else the map's own; else as {@link #flat(int)}. */
    public static int[] flat(PhaseMap map, Map<String, Rgb> own) {
        return flat(map.names(), map.colours(), own);
    }

    /** As {@link #flat(PhaseMap, Map)}, of what a map says. */
    public static int[] flat(List<String> names, List<Integer> colours, Map<String, Rgb> own) {
        int[] inks = colours.isEmpty()
                ? flat(names.size())
                : colours.stream().mapToInt(c -> OPAQUE | c).toArray();
        for (int p = 0; p < inks.length; p++) {
            Rgb colour = own.get(names.get(p));
            inks[p] = colour == null ? inks[p] : OPAQUE | colour.packed();
        }
        return inks;
    }

    /** Evenly spaced greys, black to white. */
    public static int[] greys(int phases) {
        int[] inks = new int[phases];
        for (int p = 0; p < phases; p++) {
            int grey = phases == 1 ? 128 : Math.round(255f * p / (phases - 1));
            inks[p] = 0xff000000 | grey << 16 | grey << 8 | grey;
        }
        return inks;
    }

    /** The mean colour of each phase as the ground shows it: the simplified picture. */
    public static int[] mean(PhaseMap map, Pyramid ground, Work work) {
        int n = map.names().size();
        double[][] sums = new double[ground.level(0).size()][n];
        long[] counts = new long[n];
        byte[] phases = map.map().values();
        int width = map.map().width();
        int height = map.map().height();
        int bands = 16;
        var parts = work.map(bands, b -> {
            double[][] own = new double[sums.length + 1][n];
            float[] row = new float[width];
            for (int y = (int) ((long) height * b / bands); y < (long) height * (b + 1) / bands; y++) {
                for (int c = 0; c < sums.length; c++) {
                    ground.level(0).get(c).readRow(y, 0, width, row, 0);
                    add(row, phases, y * width, own[c], c == 0 ? own[sums.length] : null);
                }
            }
            return own;
        });
        for (double[][] own : parts) {
            for (int p = 0; p < n; p++) {
                for (int c = 0; c < sums.length; c++) {
                    sums[c][p] += own[c][p];
                }
                counts[p] += (long) own[sums.length][p];
            }
        }
        int[] inks = new int[n];
        for (int p = 0; p < n; p++) {
            double[] means = new double[sums.length];
            for (int c = 0; c < means.length; c++) {
                means[c] = counts[p] == 0 ? 0 : sums[c][p] / counts[p];
            }
            inks[p] = ground.colour(means);
        }
        return inks;
    }

    private static void add(float[] row, byte[] phases, int base, double[] sums, double[] counts) {
        for (int x = 0; x < row.length; x++) {
            int p = phases[base + x] & 0xff;
            if (p < sums.length && row[x] == row[x]) {
                sums[p] += row[x];
                if (counts != null) {
                    counts[p]++;
                }
            }
        }
    }
}
