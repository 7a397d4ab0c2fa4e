package keentally.core.trial;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import keentally.core.Chance;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane8;
import keentally.core.quantity.Scale;
import keentally.core.step.State;
import keentally.core.work.Work;
import org.junit.jupiter.api.Test;

class ComparisonTest {
    private static final Mask MASK = new Chance(3).mask(40, 30);

    private static State state(String scale, Mask mask) {
        Picture picture = Picture.grey(Plane8.of(mask.width(), mask.height(), new byte[mask.width() * mask.height()]));
        return State.of(
                        picture,
                        Field.whole(mask.width(), mask.height()),
                        scale.isEmpty() ? Optional.empty() : Optional.of(Scale.of(scale)))
                .give(mask);
    }

    private static Comparison held(State first, State second) {
        return Comparison.of(first, second, Work.alone());
    }

    /** A pixel that is twice as large is another place, however alike the sizes of the pictures are. */
    @Test
    void areasAreLaidOnlyWhereAPixelIsAPixel() {
        State one = state("2 um/px", MASK);
        assertThat(held(one, state("2 um/px", MASK)).areas()).isPresent();
        assertThat(held(one, state("", MASK)).areas()).isPresent();
        assertThat(held(one, state("1 um/px", MASK)).areas()).isEmpty();
        assertThat(held(one, state("2 um/px", new Chance(4).mask(20, 15))).areas())
                .isEmpty();
        assertThat(held(one, state("1 um/px", MASK)).second().orElseThrow().pixels())
                .isEqualTo(MASK.count());
        State nothing = State.of(one.original(), one.field(), one.scale());
        assertThat(held(one, nothing).second()).isEmpty();
    }
}
