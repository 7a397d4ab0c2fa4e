package keentally.core.hand;

import java.util.ArrayList;
import java.util.List;
import keentally.core.colour.Rgb;

/** Strokes that a step's numbers were fitted to. They stay as evidence: the numbers stand in the method, and no run reads the strokes. */
public record Strokes(List<StrokeSample> taken) implements HandWork {
    public static final Strokes NONE = new Strokes(List.of());

    public Strokes {
        taken = List.copyOf(taken);
    }

    @Override
    public List<StrokeSample> parts() {
        return taken;
    }

    /** With one more at the end. */
    public Strokes and(StrokeSample stroke) {
        List<StrokeSample> more = new ArrayList<>(taken);
        more.add(stroke);
        return new Strokes(more);
    }

    /** Without those that fit one of several things. */
    public Strokes without(int of) {
        return new Strokes(taken.stream().filter(t -> t.of() != of).toList());
    }

    public List<Stroke> strokes() {
        return taken.stream().map(StrokeSample::stroke).toList();
    }

    /**
     * A stroke with the colours that lay under it, thinned out evenly where there were many.
     *
     * @param of which of several things it fits, from 0: a dye
     * @param colours on the 8-bit scale, whatever the picture's depth
     */
    public record StrokeSample(Stroke stroke, int of, List<Rgb> colours) {
        private static final int MOST = 400;

        public StrokeSample {
            colours = List.copyOf(colours);
        }

        /** @param colours red, green and blue from 0 to 255 */
        public static StrokeSample of(Stroke stroke, int of, List<double[]> colours) {
            int kept = Math.min(MOST, colours.size());
            List<Rgb> thinned = new ArrayList<>();
            for (int i = 0; i < kept; i++) {
                double[] c = colours.get((int) ((long) i * colours.size() / kept));
                thinned.add(Rgb.from(c[0], c[1], c[2]));
            }
            return new StrokeSample(stroke, of, thinned);
        }
    }
}
