package keentally.study.document;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import java.util.function.UnaryOperator;

/**
 * The study as it is and the actions that made it so. Undo and redo move a pointer through the actions; a new action drops
 * those that were undone. Not safe for several threads: the interface thread owns it.
 */
public final class Journal {
    private static final int MOST_ACTIONS = 1000;

    private final Versions versions = new Versions();
    private final List<Action> actions = new ArrayList<>();
    private Study study;
    private int done;

    public Journal(Study start) {
        this.study = start;
    }

    public Study study() {
        return study;
    }

    /** Replaces the study; nothing is noted where nothing changed. Returns whether anything did. */
    public boolean act(String title, UnaryOperator<Study> how) {
        Study next = how.apply(study);
        List<Action.Change> changes = changes(study, next);
        if (changes.isEmpty()) {
            return false;
        }
        actions.subList(done, actions.size()).clear();
        actions.add(new Action(title, changes));
        if (actions.size() > MOST_ACTIONS) {
            actions.removeFirst();
        }
        done = actions.size();
        study = next;
        return true;
    }

    private List<Action.Change> changes(Study before, Study after) {
        TreeSet<String> ids = new TreeSet<>(before.things().keySet());
        ids.addAll(after.things().keySet());
        List<Action.Change> changes = new ArrayList<>();
        for (String id : ids) {
            Optional<Thing> was = Optional.ofNullable(before.things().get(id));
            Optional<Thing> is = Optional.ofNullable(after.things().get(id));
            if (!was.equals(is)) {
                changes.add(new Action.Change(id, was.map(versions::put), is.map(versions::put)));
            }
        }
        return changes;
    }

    /** The title of the action that {@link #undo} takes back. */
    public Optional<String> undoable() {
        return done > 0 ? Optional.of(actions.get(done - 1).title()) : Optional.empty();
    }

    /** The title of the action that {@link #redo} does again. */
    public Optional<String> redoable() {
        return done < actions.size() ? Optional.of(actions.get(done).title()) : Optional.empty();
    }

    public boolean undo() {
        if (done == 0) {
            return false;
        }
        for (Action.Change change : actions.get(--done).changes()) {
            study = study.with(change.thing(), change.before().map(versions::get));
        }
        return true;
    }

    public boolean redo() {
        if (done == actions.size()) {
            return false;
        }
        for (Action.Change change : actions.get(done++).changes()) {
            study = study.with(change.thing(), change.after().map(versions::get));
        }
        return true;
    }
}
