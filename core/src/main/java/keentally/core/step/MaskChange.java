package keentally.core.step;

import keentally.core.picture.Mask;

/** What a step that turns a mask into a mask has to say: how much it added and how much it took away. */
final class MaskChange {
    private MaskChange() {}

    static Outcome outcome(State before, Mask after) {
        return new Outcome(before.give(after), findings(before.needMask(), after));
    }

    static Findings findings(Mask before, Mask after) {
        return Findings.NONE
                .area(Findings.ADDED, after.minus(before).count())
                .area(Findings.REMOVED, before.minus(after).count());
    }
}
