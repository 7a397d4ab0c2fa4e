package keentally.study.document;

import java.util.Map;
import java.util.Optional;

/**
 * What one move of the journal changes on disk, so that disk and memory have the one structure.
 *
 * @param versions things that were never kept before, by their numbers
 * @param bases of versions that add to another one: the number of that one
 * @param added the action that was done, with its place; empty for undo and redo
 * @param place of the action, counted from 0 since the study began
 * @param forgotten actions before this place are no longer kept
 * @param done how many actions are done, counted from 0 since the study began
 * @param now the version of each thing that changed; empty where it is gone
 */
public record Commit(
        Map<Long, Thing> versions,
        Map<Long, Long> bases,
        Optional<Action> added,
        long place,
        long forgotten,
        long done,
        Map<String, Optional<Long>> now) {
    public Commit {
        versions = Map.copyOf(versions);
        bases = Map.copyOf(bases);
        now = Map.copyOf(now);
    }
}
