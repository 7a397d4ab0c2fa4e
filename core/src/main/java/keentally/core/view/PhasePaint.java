package keentally.core.view;

import java.util.Arrays;
import keentally.core.picture.PhaseMap;

/**
 * Phases, and how they are painted.
 *
 * @param inks one a phase; 0 for a phase that is switched off, through which the ground is seen
 * @param outlines whether only the borders between phases are drawn, on the ground
 */
public record PhasePaint(PhaseMap map, int[] inks, boolean outlines) implements Layer {
    public PhasePaint {
        inks = inks.clone();
        if (inks.length < map.names().size()) {
            throw new IllegalArgumentException(map.names().size() + " phases need as many inks, were " + inks.length);
        }
    }

    /** With some phases switched off. */
    public PhasePaint without(Iterable<Integer> off) {
        int[] fewer = inks.clone();
        off.forEach(p -> {
            if (p >= 0 && p < fewer.length) {
                fewer[p] = 0;
            }
        });
        return new PhasePaint(map, fewer, outlines);
    }

    /** The ink at a pixel; 0 for none. */
    int at(int index) {
        int phase = map.map().values()[index] & 0xff;
        return phase < inks.length ? inks[phase] : 0;
    }

    @Override
    public boolean equals(Object o) {
        return o instanceof PhasePaint p && p.map == map && p.outlines == outlines && Arrays.equals(p.inks, inks);
    }

    @Override
    public int hashCode() {
        return 31 * System.identityHashCode(map) + Arrays.hashCode(inks);
    }
}
