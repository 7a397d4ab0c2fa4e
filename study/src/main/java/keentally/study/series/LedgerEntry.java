package keentally.study.series;

import java.util.Optional;
import keentally.study.document.Thing.SampleThing;
import keentally.study.run.SampleRecord;

/**
 * A sample in the ledger, run or not.
 *
 * @param id in its study
 * @param method its method's name
 * @param row of its last run
 * @param stale whether what the row hangs on has changed since
 * @param wants the station whose work by hand is still to be done on it, without which its method cannot be run
 */
public record LedgerEntry(
        String id, SampleThing thing, String method, Optional<LedgerRow> row, boolean stale, Optional<String> wants) {
    /** Whether there are numbers that count: run, not failed, as the study stands now, and not left out. */
    public boolean counts() {
        return row.isPresent()
                && !row.get().isFailed()
                && !stale
                && thing.leftOut().isEmpty();
    }

    /** Had its run come to something else. */
    public LedgerEntry cameTo(SampleRecord other) {
        return new LedgerEntry(id, thing, method, row.map(r -> r.cameTo(other)), stale, wants);
    }

    /** Where the sample stands. */
    public Standing standing() {
        if (row.isEmpty()) {
            return Standing.NOT_RUN;
        }
        return stale ? Standing.CHANGED : row.get().isFailed() ? Standing.FAILED : Standing.DONE;
    }

    /** From not run to done. */
    public enum Standing {
        NOT_RUN,
        CHANGED,
        FAILED,
        DONE
    }
}
