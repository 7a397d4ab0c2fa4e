package keentally.core.step;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import keentally.core.picture.Mask;
import keentally.core.picture.PhaseMap;
import keentally.core.setting.Item;
import keentally.core.setting.ListSetting;

/** Chooses the pixels of one or more phases. */
record PickPhaseStep(List<String> phases) implements Step {
    private static final ListSetting<String> PHASES = new ListSetting<>(
            "phases", Optional.of(List.of("0")), false, Optional.empty(), 1, PhaseMap.OUTSIDE, Item.NAME, List.of());

    static final StepDescription DESCRIPTION = new StepDescription(
            "pick-phase", 1, Flow.PHASES, Flow.MASK, Set.of(), List.of(PHASES), v -> new PickPhaseStep(v.get(PHASES)));

    @Override
    public Outcome apply(State before, Site site) throws StepFault {
        PhaseMap map = before.needPhases();
        boolean[] picked = new boolean[PhaseMap.OUTSIDE + 1];
        for (String phase : phases) {
            picked[PhaseNames.need(map.names(), phase)] = true;
        }
        Mask mask = map.mask(picked, site.work());
        double percent = 100.0 * mask.count() / before.field().pixels();
        return new Outcome(before.give(mask), Findings.NONE.percent(Findings.CHOSEN, percent));
    }
}
