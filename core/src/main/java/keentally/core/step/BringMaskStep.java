package keentally.core.step;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import keentally.core.hand.Brought;
import keentally.core.hand.LabelRuns;
import keentally.core.label.Labeller;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.Neighbours;
import keentally.core.picture.PhaseMap;
import keentally.core.picture.Plane8;
import keentally.core.region.ObjectSet;
import keentally.core.setting.ChoiceSetting;
import keentally.core.setting.Setting;
import keentally.core.setting.Values;

/** Takes what a picture made elsewhere says of this very sample. */
public record BringMaskStep(As as) implements Step {
    public static final String ID = "bring-mask";

    /** What it is taken for. */
    public enum As {
        MASK,
        PHASES,
        OBJECTS
    }

    public static final ChoiceSetting<As> AS = ChoiceSetting.of("as", As.MASK);

    static final StepDescription DESCRIPTION = new StepDescription(
            ID,
            1,
            values -> Flow.PICTURE,
            BringMaskStep::gives,
            Set.of(Use.FIELD, Use.HAND_WORK),
            List.<Setting<?>>of(AS),
            Beginning.NONE,
            v -> new BringMaskStep(v.get(AS)));

    private static Flow gives(Values values) {
        return switch (values.get(AS)) {
            case MASK -> Flow.MASK;
            case PHASES -> Flow.PHASES;
            case OBJECTS -> Flow.OBJECTS;
        };
    }

    @Override
    public boolean byHand() {
        return true;
    }

    @Override
    public Outcome apply(State before, Site site) throws StepFault {
        if (!(site.hand().orElse(null) instanceof Brought brought)) {
            throw new StepFault(
                    "takes a mask that was made elsewhere, and none has been brought in for this sample yet");
        }
        Field field = before.field();
        LabelRuns runs = brought.runs();
        if (runs.width() != field.width() || runs.height() != field.height()) {
            throw new StepFault("was brought in for a picture of " + runs.width() + " × " + runs.height()
                    + " px, but this one has " + field.width() + " × " + field.height() + " px");
        }
        State after = switch (as) {
            case MASK -> before.give(mask(brought));
            case PHASES -> before.give(phases(brought, field));
            case OBJECTS -> before.give(objects(brought, field, site));
        };
        return new Outcome(after, findings(after));
    }

    private Findings findings(State after) {
        return switch (as) {
            case MASK ->
                Findings.NONE.percent(
                        Findings.CHOSEN,
                        100.0 * after.needMask().count() / after.field().pixels());
            case PHASES ->
                Findings.NONE.count("classes", after.needPhases().names().size());
            case OBJECTS ->
                Findings.NONE.count(Findings.OBJECTS, after.needObjects().count());
        };
    }

    private static Mask mask(Brought brought) throws StepFault {
        if (brought.isClasses()) {
            throw new StepFault("brought in " + brought.classes().size()
                    + " classes; take them as phases, and pick the one that is wanted");
        }
        return brought.runs().mask();
    }

    private static ObjectSet objects(Brought brought, Field field, Site site) throws StepFault {
        return ObjectSet.of(
                brought.isLabels()
                        ? brought.runs().regions(field.mask())
                        : Labeller.regions(field.clip(mask(brought)), Neighbours.EIGHT, site.work()));
    }

    /** A mask is the rest and what is chosen; of classes the pixels without one are the rest, where there are such. */
    private static PhaseMap phases(Brought brought, Field field) throws StepFault {
        if (brought.isLabels()) {
            throw new StepFault("brought in labels, each an object of its own; take them as objects or as a mask");
        }
        if (!brought.isClasses()) {
            return PhaseMap.of(field.clip(brought.runs().mask()), field);
        }
        byte[] map = brought.runs().bytes(0);
        Mask inside = field.mask();
        boolean rest = false;
        for (int y = 0; y < field.height(); y++) {
            for (int x = 0; x < field.width(); x++) {
                rest |= inside.at(x, y) && map[y * field.width() + x] == 0;
            }
        }
        int first = rest ? 0 : 1;
        for (int y = 0; y < field.height(); y++) {
            for (int x = 0; x < field.width(); x++) {
                int i = y * field.width() + x;
                map[i] = (byte) (inside.at(x, y) ? (map[i] & 0xff) - first : PhaseMap.OUTSIDE);
            }
        }
        List<String> names = new ArrayList<>(brought.classes());
        if (rest) {
            names.addFirst("rest");
        }
        return new PhaseMap(Plane8.of(field.width(), field.height(), map), names);
    }
}
