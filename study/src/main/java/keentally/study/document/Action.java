package keentally.study.document;

import java.util.List;
import java.util.Optional;

/**
 * One thing a person did.
 *
 * @param title as undo names it: "move the cut"
 * @param changes what it replaced
 */
public record Action(String title, List<Change> changes) {
    public Action {
        changes = List.copyOf(changes);
    }

    /**
     * One thing replaced.
     *
     * @param before version of the thing before; empty where it was not there
     * @param after version after; empty where it is gone
     */
    public record Change(String thing, Optional<Long> before, Optional<Long> after) {}
}
