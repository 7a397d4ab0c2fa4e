package keentally.study.starter;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import keentally.core.starter.Starter;
import keentally.study.caution.Caution;
import keentally.study.caution.CautionKind;

/** Of all cautions the one to say beside an answer. */
public final class Warning {
    /** Those of the result go before those of the picture, which hold for every question. */
    private static final List<CautionKind> LAST =
            List.of(CautionKind.NO_SCALE, CautionKind.CLIPPED, CautionKind.LOSSY, CautionKind.OTHER_PAGES);

    /** Of objects, which a share has none of. */
    private static final List<CautionKind> OF_OBJECTS =
            List.of(CautionKind.EDGE_OBJECTS, CautionKind.TOUCHING, CautionKind.MOSTLY_SPECKS, CautionKind.FEW_PIXELS);

    private Warning() {}

    /** A missing scale goes first where sizes and areas are asked for, and is not said beside other answers. */
    public static Optional<Caution> of(Starter question, List<Caution> cautions) {
        boolean real = question == Starter.HOW_BIG || question == Starter.PER_AREA;
        return cautions.stream()
                .filter(c -> real || c.kind() != CautionKind.NO_SCALE)
                .filter(c -> question.isCounting() || !OF_OBJECTS.contains(c.kind()))
                .filter(c -> c.kind() != CautionKind.SAME_SIGNAL) // no starter measures brightness
                .min(Comparator.comparingInt(
                        c -> c.kind() == CautionKind.NO_SCALE ? -1 : LAST.contains(c.kind()) ? 1 : 0));
    }
}
