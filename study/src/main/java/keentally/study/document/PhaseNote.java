package keentally.study.document;

import java.util.Optional;
import keentally.core.colour.Rgb;

/**
 * What is said of a phase beside how it is found.
 *
 * @param colour that it is shown in; empty for the usual one
 * @param density in any one unit for all phases, above 0; empty for 1
 */
public record PhaseNote(Optional<Rgb> colour, Optional<Double> density) {
    public static final PhaseNote NONE = new PhaseNote(Optional.empty(), Optional.empty());

    public PhaseNote {
        density.ifPresent(d -> {
            if (!(d > 0 && Double.isFinite(d))) {
                throw new IllegalArgumentException("a density must be a number above 0, was " + d);
            }
        });
    }

    public PhaseNote coloured(Optional<Rgb> other) {
        return new PhaseNote(other, density);
    }

    public PhaseNote dense(Optional<Double> other) {
        return new PhaseNote(colour, other);
    }
}
