package keentally.core.step;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import keentally.core.hand.Dab;
import keentally.core.hand.HandWork;
import keentally.core.hand.Painting;
import keentally.core.picture.Mask;
import keentally.core.refine.ScribbleCut;
import keentally.core.setting.ChoiceSetting;
import keentally.core.setting.NumberSetting;
import keentally.core.setting.Setting;

/** A mask that follows from strokes inside and outside, on this very sample. */
public record ScribbleCutStep(From from, double smoothness) implements Step {
    public static final String ID = "scribble-cut";

    /** What the strokes begin with. */
    public enum From {
        NOTHING,
        MASK
    }

    public static final ChoiceSetting<From> FROM = ChoiceSetting.of("from", From.NOTHING);
    public static final NumberSetting SMOOTHNESS = NumberSetting.of("smoothness", 10, 0, 200);

    static final StepDescription DESCRIPTION = new StepDescription(
            ID,
            1,
            v -> v.get(FROM) == From.MASK ? Flow.MASK : Flow.PICTURE,
            v -> Flow.MASK,
            Set.of(Use.FIELD, Use.HAND_WORK),
            List.<Setting<?>>of(FROM, SMOOTHNESS),
            Beginning.NONE,
            v -> new ScribbleCutStep(v.get(FROM), v.get(SMOOTHNESS)));

    @Override
    public boolean byHand() {
        return true;
    }

    /** Whoever adds it looks at that sample. */
    @Override
    public Optional<HandWork> handToBegin() {
        return Optional.of(Painting.NONE);
    }

    @Override
    public Outcome apply(State before, Site site) throws StepFault {
        if (!(site.hand().orElse(null) instanceof Painting strokes)) {
            throw new StepFault("follows strokes, and nobody has drawn any on this sample yet");
        }
        if (strokes.dabs().stream().anyMatch(Dab.Fill.class::isInstance)) {
            throw new StepFault("follows strokes and outlines, but a fill was painted");
        }
        Optional<Mask> mend = from == From.MASK ? Optional.of(before.needMask()) : Optional.empty();
        Mask cut = ScribbleCut.of(
                        before.current(),
                        before.original(),
                        before.field(),
                        strokes.dabs(),
                        mend,
                        smoothness,
                        site.work())
                .orElseThrow(() -> new StepFault("needs a grey or a colour picture, but the picture has "
                        + before.current().channelNames()));
        Findings findings = mend.isPresent()
                ? MaskChange.findings(mend.get(), cut)
                : Findings.NONE.percent(
                        Findings.CHOSEN, 100.0 * cut.count() / before.field().pixels());
        return new Outcome(
                before.give(cut),
                findings.count(Findings.CORRECTIONS, strokes.dabs().size()));
    }
}
