package keentally.study.document;

import java.time.Instant;
import java.time.temporal.ChronoUnit;

/**
 * That a method is locked: used, and not edited.
 *
 * @param by who approved it
 * @param at when
 */
public record Approval(String by, Instant at) {
    public Approval {
        at = at.truncatedTo(ChronoUnit.MILLIS);
        if (by.isBlank()) {
            throw new IllegalArgumentException("a method is approved by somebody with a name");
        }
    }
}
