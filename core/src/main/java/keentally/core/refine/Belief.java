package keentally.core.refine;

import java.util.Arrays;
import keentally.core.picture.PhaseMap;
import keentally.core.picture.Probabilities;

/** What was said of pixels before, and how far it is believed. */
public sealed interface Belief {
    int classes();

    /** How likely each class is at a pixel, from {@code into[at]} on; all above 0. */
    void read(int x, int y, double[] into);

    /**
     * One class a pixel.
     *
     * @param trust how likely it is the right one, below 1; the other classes have the rest in equal parts
     */
    record Said(PhaseMap phases, double trust) implements Belief {
        @Override
        public int classes() {
            return phases.names().size();
        }

        @Override
        public void read(int x, int y, double[] into) {
            Arrays.fill(into, (1 - trust) / (classes() - 1));
            int phase = phases.map().values()[y * phases.map().width() + x] & 0xff;
            if (phase < classes()) {
                into[phase] = trust;
            }
        }
    }

    /**
     * Every class with a likelihood.
     *
     * @param trust how much of it is kept; the rest is shared out evenly
     */
    record Likely(Probabilities probabilities, double trust) implements Belief {
        @Override
        public int classes() {
            return probabilities.classes();
        }

        @Override
        public void read(int x, int y, double[] into) {
            for (int c = 0; c < into.length; c++) {
                into[c] = trust * probabilities.at(c, x, y) + (1 - trust) / into.length;
            }
        }
    }
}
