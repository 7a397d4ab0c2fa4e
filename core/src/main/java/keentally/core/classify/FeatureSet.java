package keentally.core.classify;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import keentally.core.quantity.Scale;

/**
 * Which numbers tell of a pixel and its surroundings. All but the value and the averages are taken of the lightness alone.
 *
 * @param groups at least one, in the order of {@link FeatureGroup}
 * @param colour whether pictures are in colour: L*, a* and b*, else one channel
 * @param stretch by how much all widths are multiplied: 1 where a pixel is as large as where the set was chosen
 */
public record FeatureSet(List<FeatureGroup> groups, boolean colour, double stretch) {
    private static final double[] BELLS = {1, 2, 4, 8};
    private static final double[] EDGES = {1, 2, 4};
    private static final double[] AROUND = {2, 4};
    private static final int[] SQUARES = {2, 5};
    private static final double[] WAVES = {4, 8};
    private static final int DIRECTIONS = 4;
    private static final double MOST_STRETCH = 16;

    public FeatureSet {
        groups = groups.stream().distinct().sorted().toList();
        if (groups.isEmpty()) {
            throw new IllegalArgumentException("at least one group of features is needed");
        }
        if (!(stretch >= 1 / MOST_STRETCH && stretch <= MOST_STRETCH)) {
            throw new IllegalArgumentException("widths can be stretched by 1/16 to 16, but not by " + stretch);
        }
    }

    /**
     * One number.
     *
     * @param channel 0 for grey or L*, 1 for a*, 2 for b*
     * @param width in pixels, before it is stretched; 0 for the value itself
     * @param which of several that come at once: mean, sd, range, entropy; along, across; a direction
     */
    public record Feature(FeatureGroup group, int channel, double width, int which) {
        @Override
        public String toString() {
            return String.format(Locale.ROOT, "%s-%d-%s-%d", group.id(), channel, plain(width), which);
        }

        private static String plain(double width) {
            return width == Math.rint(width) ? String.valueOf((long) width) : String.valueOf(width);
        }
    }

    /** All, in the order in which they are worked out. */
    public List<Feature> features() {
        List<Feature> all = new ArrayList<>();
        int channels = colour ? 3 : 1;
        for (FeatureGroup group : groups) {
            switch (group) {
                case VALUE -> {
                    for (int c = 0; c < channels; c++) {
                        all.add(new Feature(group, c, 0, 0));
                    }
                }
                case GAUSSIAN -> {
                    for (int c = 0; c < channels; c++) {
                        add(all, group, c, BELLS, 1);
                    }
                }
                case GRADIENT -> add(all, group, 0, EDGES, 1);
                case LOCAL -> {
                    for (int side : SQUARES) {
                        add(all, group, 0, new double[] {side}, 4);
                    }
                }
                case MEDIAN -> all.add(new Feature(group, 0, 2, 0));
                case DIFFERENCE -> add(all, group, 0, EDGES, 1);
                case HESSIAN -> add(all, group, 0, EDGES, 2);
                case STRUCTURE -> add(all, group, 0, AROUND, 2);
                case GABOR -> add(all, group, 0, WAVES, DIRECTIONS);
            }
        }
        return List.copyOf(all);
    }

    private static void add(List<Feature> all, FeatureGroup group, int channel, double[] widths, int each) {
        for (double width : widths) {
            for (int i = 0; i < each; i++) {
                all.add(new Feature(group, channel, width, i));
            }
        }
    }

    /** With widths as long in reality as at another scale; as they are where either is not known. */
    public FeatureSet at(Optional<Scale> chosenAt, Optional<Scale> scale) {
        if (scale.isEmpty() || chosenAt.isEmpty()) {
            return this;
        }
        double factor = chosenAt.get().umPerPx() / scale.get().umPerPx();
        return new FeatureSet(groups, colour, stretch * factor);
    }

    /** The widest look of all, in pixels: the greatest width of any feature. */
    public double widest() {
        return features().stream().mapToDouble(Feature::width).max().orElse(0) * stretch;
    }

    /** How far a pixel's numbers look, in pixels. */
    public int reach() {
        int reach = 0;
        for (FeatureGroup group : groups) {
            reach = Math.max(
                    reach,
                    switch (group) {
                        case VALUE -> 0;
                        case GAUSSIAN ->
                            Bell.of(BELLS[BELLS.length - 1] * stretch).reach();
                        case GRADIENT, HESSIAN ->
                            Bell.of(EDGES[EDGES.length - 1] * stretch).reach() + 1;
                        case LOCAL -> side(SQUARES[SQUARES.length - 1]);
                        case MEDIAN -> side(2);
                        case DIFFERENCE ->
                            Bell.of(2 * EDGES[EDGES.length - 1] * stretch).reach();
                        case STRUCTURE ->
                            Bell.of(stretch).reach()
                                    + 1
                                    + Bell.of(AROUND[AROUND.length - 1] * stretch)
                                            .reach();
                        case GABOR ->
                            2 * Bell.of(WAVES[WAVES.length - 1] / 2 * stretch).reach();
                    });
        }
        return reach;
    }

    /** Half a square's side, in whole pixels. */
    int side(double width) {
        return Math.max(1, (int) Math.round(width * stretch));
    }
}
