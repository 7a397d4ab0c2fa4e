package keentally.desk.trial;

import java.util.HashSet;
import java.util.Optional;
import java.util.Set;
import keentally.core.agree.ObjectFates;
import keentally.core.picture.Buffers;
import keentally.core.picture.HoldsBuffers;
import keentally.core.region.ObjectSet;
import keentally.core.trial.Outcomes;
import keentally.core.view.Layer;

/**
 * Which objects an alternative has otherwise than the current choice.
 *
 * @param change new ones as added, those that are gone as taken away
 * @param other those that were parted or joined, as they are in the alternative
 */
record ChangedObjects(ObjectFates fates, Layer.Change change, Layer.SelectedObjects other) implements HoldsBuffers {
    /** Empty where objects are not told apart, or where nothing changed. */
    static Optional<ChangedObjects> of(Outcomes now, Outcomes tried) {
        return tried.fates(now).map(fates -> {
            ObjectSet before = now.judged().needObjects();
            ObjectSet after = tried.judged().needObjects();
            Set<Integer> other = new HashSet<>(fates.parts());
            other.addAll(fates.joined());
            return new ChangedObjects(
                    fates,
                    new Layer.Change(
                            after.regions().mask(fates.fresh()::contains),
                            before.regions().mask(fates.gone()::contains)),
                    new Layer.SelectedObjects(after, other));
        });
    }

    @Override
    public void addTo(Buffers buffers) {
        buffers.add(change.added());
        buffers.add(change.removed());
    }
}
