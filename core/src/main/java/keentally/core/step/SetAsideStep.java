package keentally.core.step;

import java.util.List;
import java.util.Set;
import keentally.core.setting.NameSetting;

/** Keeps the mask under a name, to be combined with a later one. */
record SetAsideStep(String name) implements Step {
    static final NameSetting NAME = new NameSetting("name", "first");

    static final StepDescription DESCRIPTION = new StepDescription(
            "set-aside", 1, Flow.MASK, Flow.MASK, Set.of(), List.of(NAME), v -> new SetAsideStep(v.get(NAME)));

    @Override
    public Outcome apply(State before, Site site) {
        return new Outcome(
                before.give(before.needMask()).aside(name, before.needMask()),
                Findings.NONE.area("chosen-px2", before.needMask().count()));
    }
}
