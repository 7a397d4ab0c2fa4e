package keentally.study.starter;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import keentally.core.quantity.Scale;
import keentally.core.starter.Answer;
import keentally.core.starter.Spread;
import keentally.core.starter.Starter;
import keentally.study.caution.Caution;
import keentally.study.caution.CautionKind;
import org.junit.jupiter.api.Test;

/** Answers in their units, and the caution that is said beside one. */
class ToldTest {
    private static final Optional<Scale> TWO_UM = Optional.of(Scale.of("2 um/px"));

    private static Told told(Answer.Kind kind, double value, Optional<Scale> scale) {
        return Told.of(new Answer(kind, value), Optional.of(new Spread(0.9, 1.2)), scale);
    }

    @Test
    void aSizeIsInTheUnitOfTheScale() {
        Told told = told(Answer.Kind.SIZE_PX, 10, TWO_UM);
        assertThat(told.symbol()).isEqualTo("um");
        assertThat(List.of(told.value(), told.least(), told.most())).containsExactly(20.0, 18.0, 24.0);
        assertThat(told(Answer.Kind.SIZE_PX, 10, Optional.empty()).symbol()).isEqualTo("px");
    }

    /** A square millimetre is 250,000 pixels of 2 µm, a square centimetre 25 million. */
    @Test
    void aDensityIsOfAnAreaThatHoldsAtLeastOne() {
        Told many = told(Answer.Kind.PER_PX2, 1e-4, TWO_UM);
        assertThat(many.symbol()).isEqualTo("per mm2");
        assertThat(many.value()).isCloseTo(25, within(1e-9));
        Told few = told(Answer.Kind.PER_PX2, 1e-6, TWO_UM);
        assertThat(few.symbol()).isEqualTo("per cm2");
        assertThat(few.value()).isCloseTo(25, within(1e-9));
        Told none = told(Answer.Kind.PER_PX2, 1e-4, Optional.empty());
        assertThat(none.symbol()).isEqualTo("per million px2");
        assertThat(none.value()).isCloseTo(100, within(1e-9));
    }

    @Test
    void countsAreWholeAndSharesEndAtAHundred() {
        Told count = told(Answer.Kind.COUNT, 54, Optional.empty());
        assertThat(List.of(count.least(), count.most())).containsExactly(49.0, 65.0);
        assertThat(told(Answer.Kind.SHARE, 95, Optional.empty()).most()).isEqualTo(100);
    }

    /** Shades come from no setting that could be moved a little. */
    @Test
    void aNumberThatNothingWasMovedForHasNoRange() {
        Told shades = Told.of(new Answer(Answer.Kind.PHASES, 3), Optional.empty(), Optional.empty());
        assertThat(shades.value()).isEqualTo(3);
        assertThat(shades.hasRange()).isFalse();
        assertThat(told(Answer.Kind.COUNT, 54, Optional.empty()).hasRange()).isTrue();
    }

    private static Caution caution(CautionKind kind) {
        return new Caution(kind, "It is so.", "Therefore.", "Do this.");
    }

    @Test
    void theCautionIsAboutTheQuestion() {
        List<Caution> all = List.of(
                caution(CautionKind.NO_SCALE),
                caution(CautionKind.CLIPPED),
                caution(CautionKind.SAME_SIGNAL),
                caution(CautionKind.TOUCHING));
        assertThat(Warning.of(Starter.HOW_BIG, all)).map(Caution::kind).contains(CautionKind.NO_SCALE);
        assertThat(Warning.of(Starter.HOW_MANY, all)).map(Caution::kind).contains(CautionKind.TOUCHING);
        assertThat(Warning.of(Starter.DARK, all)).map(Caution::kind).contains(CautionKind.CLIPPED);
        assertThat(Warning.of(Starter.DARK, List.of())).isEmpty();
    }
}
