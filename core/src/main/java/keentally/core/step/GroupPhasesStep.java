package keentally.core.step;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import keentally.core.picture.PhaseMap;
import keentally.core.setting.Item;
import keentally.core.setting.ListSetting;

/** Makes several phases one, with a name. Phases keep the order of the lowest that they were made of. */
record GroupPhasesStep(List<Item.Group> groups) implements Step {
    private static final ListSetting<Item.Group> GROUPS = ListSetting.free("groups", Item.GROUP, PhaseMap.OUTSIDE);

    static final StepDescription DESCRIPTION = new StepDescription(
            "group-phases",
            1,
            Flow.PHASES,
            Flow.PHASES,
            Set.of(),
            List.of(GROUPS),
            v -> new GroupPhasesStep(v.get(GROUPS)));

    @Override
    public Outcome apply(State before, Site site) throws StepFault {
        PhaseMap map = before.needPhases();
        int[] group = new int[map.names().size()];
        Arrays.fill(group, -1);
        for (int g = 0; g < groups.size(); g++) {
            for (String phase : groups.get(g).phases()) {
                int old = PhaseNames.need(map.names(), phase);
                if (group[old] >= 0) {
                    throw new StepFault("puts the phase '" + phase + "' into two groups");
                }
                group[old] = g;
            }
        }
        byte[] to = new byte[PhaseMap.OUTSIDE + 1];
        to[PhaseMap.OUTSIDE] = (byte) PhaseMap.OUTSIDE;
        List<String> names = new ArrayList<>();
        int[] made = new int[groups.size()];
        Arrays.fill(made, -1);
        for (int old = 0; old < group.length; old++) {
            int g = group[old];
            if (g < 0 || made[g] < 0) {
                if (g >= 0) {
                    made[g] = names.size();
                }
                to[old] = (byte) names.size();
                names.add(g < 0 ? map.names().get(old) : groups.get(g).name());
            } else {
                to[old] = (byte) made[g];
            }
        }
        return new Outcome(
                before.give(map.changed(to, PhaseNames.of(names, names.size()), site.work())),
                Findings.NONE.count("phases", names.size()));
    }
}
