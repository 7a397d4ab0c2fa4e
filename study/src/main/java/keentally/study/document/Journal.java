package keentally.study.document;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import java.util.stream.Collector;
import java.util.stream.Collectors;
import keentally.study.document.Action.Change;

/**
 * The study as it is and the actions that made it so. Undo and redo move a pointer through the actions; a new action drops
 * those that were undone. Every move is told to a keeper, who puts it on disk. Not safe for several threads: the interface
 * thread owns it.
 */
public final class Journal {
    private static final int MOST_ACTIONS = 1000;

    private final Versions versions;
    private final List<Action> actions;
    private final Consumer<Commit> keeper;
    private Study study;
    private long forgotten;
    private int done;

    /** A journal that nobody keeps. */
    public Journal(Study start) {
        this(History.of(start), commit -> {});
    }

    /** Goes on from where a history stands. */
    public Journal(History history, Consumer<Commit> keeper) {
        this.versions = new Versions(history.versions());
        this.actions = new ArrayList<>(history.actions());
        this.forgotten = history.forgotten();
        this.done = history.done();
        this.study = history.study();
        this.keeper = keeper;
    }

    /**
     * All that is needed to go on with a study.
     *
     * @param versions things by number
     * @param actions those still known, the first one at place {@code forgotten}
     * @param done how many of them are done
     */
    public record History(Study study, Map<Long, Thing> versions, List<Action> actions, long forgotten, int done) {
        public History {
            versions = Map.copyOf(versions);
            actions = List.copyOf(actions);
        }

        public static History of(Study start) {
            return new History(start, Map.of(), List.of(), 0, 0);
        }
    }

    public Study study() {
        return study;
    }

    /** Replaces the study; nothing is noted where nothing changed. Returns whether anything did. */
    public boolean act(String title, UnaryOperator<Study> how) {
        Study next = how.apply(study);
        List<Change> changes = changes(study, next);
        if (changes.isEmpty()) {
            return false;
        }
        actions.subList(done, actions.size()).clear();
        Action action = new Action(title, changes);
        actions.add(action);
        if (actions.size() > MOST_ACTIONS) {
            actions.removeFirst();
            forgotten++;
        }
        done = actions.size();
        study = next;
        tell(Optional.of(action), changes.stream().collect(now(Change::after)));
        return true;
    }

    private List<Change> changes(Study before, Study after) {
        TreeSet<String> ids = new TreeSet<>(before.things().keySet());
        ids.addAll(after.things().keySet());
        List<Change> changes = new ArrayList<>();
        for (String id : ids) {
            Optional<Thing> was = Optional.ofNullable(before.things().get(id));
            Optional<Thing> is = Optional.ofNullable(after.things().get(id));
            if (!was.equals(is)) {
                changes.add(new Change(id, was.map(versions::put), is.map(versions::put)));
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
        move(actions.get(--done).changes(), Change::before);
        return true;
    }

    public boolean redo() {
        if (done == actions.size()) {
            return false;
        }
        move(actions.get(done++).changes(), Change::after);
        return true;
    }

    private void move(List<Change> changes, Function<Change, Optional<Long>> to) {
        for (Change change : changes) {
            study = study.with(change.thing(), to.apply(change).map(versions::get));
        }
        tell(Optional.empty(), changes.stream().collect(now(to)));
    }

    private static Collector<Change, ?, Map<String, Optional<Long>>> now(Function<Change, Optional<Long>> to) {
        return Collectors.toMap(Change::thing, to);
    }

    private void tell(Optional<Action> added, Map<String, Optional<Long>> now) {
        long place = forgotten + actions.size() - 1;
        Map<Long, Thing> fresh = versions.takeFresh();
        keeper.accept(new Commit(fresh, bases(fresh, added), added, place, forgotten, forgotten + done, now));
    }

    /** Hand work is what it was before with a little more; only that is written down. */
    private Map<Long, Long> bases(Map<Long, Thing> fresh, Optional<Action> added) {
        Map<Long, Long> bases = new TreeMap<>();
        for (Change change : added.map(Action::changes).orElse(List.of())) {
            boolean grows = change.before().isPresent()
                    && change.after().filter(fresh::containsKey).isPresent()
                    && versions.get(change.before().get()) instanceof Thing.HandThing
                    && fresh.get(change.after().get()) instanceof Thing.HandThing;
            if (grows) {
                bases.put(change.after().get(), change.before().get());
            }
        }
        return bases;
    }

    /** Everything in the study as if it had just been put there, for a file that starts with it. */
    public static Commit beginning(Study study) {
        Map<Long, Thing> versions = new TreeMap<>();
        Map<String, Optional<Long>> now = new TreeMap<>();
        study.things().forEach((id, thing) -> {
            long number = versions.size();
            versions.put(number, thing);
            now.put(id, Optional.of(number));
        });
        return new Commit(versions, Map.of(), Optional.empty(), -1, 0, 0, now);
    }
}
