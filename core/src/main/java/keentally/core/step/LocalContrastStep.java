package keentally.core.step;

import java.util.List;
import java.util.Set;
import keentally.core.filter.LocalContrast;
import keentally.core.quantity.Length;
import keentally.core.setting.LengthSetting;
import keentally.core.setting.NumberSetting;
import keentally.core.setting.Setting;

/** Equalises each part of the picture by itself, within a limit. */
record LocalContrastStep(Length tile, double limit) implements Step {
    private static final LengthSetting TILE = LengthSetting.of("tile", "64 px");
    private static final NumberSetting LIMIT = NumberSetting.of("limit", 3, 1, 100);
    private static final double LEAST_TILE = 8;

    static final StepDescription DESCRIPTION = new StepDescription(
            "local-contrast",
            1,
            Flow.PICTURE,
            Flow.PICTURE,
            Set.of(Use.FIELD, Use.SCALE),
            List.<Setting<?>>of(TILE, LIMIT),
            v -> new LocalContrastStep(v.get(TILE), v.get(LIMIT)));

    @Override
    public Outcome apply(State before, Site site) throws StepFault {
        double px = tile.px(before.scale());
        if (px < LEAST_TILE) {
            throw new StepFault("needs tiles of at least 8 px, but found " + px);
        }
        int side = (int) Math.min(Math.rint(px), 100_000);
        return new Outcome(
                before.give(EachChannel.of(
                        before.current(), p -> LocalContrast.of(p, before.field(), side, limit, site.work()))),
                Findings.NONE);
    }
}
