package keentally.core.hand;

import keentally.core.geometry.Point;

/**
 * One thing counted by hand.
 *
 * @param at where it was clicked, in pixels
 * @param kind the id of the class that it was counted in
 * @param second when, in seconds since 1970; 0 where nobody knows
 */
public record Mark(Point at, String kind, long second) {
    /** The same thing, elsewhere. */
    public Mark moved(Point to) {
        return new Mark(to, kind, second);
    }

    /** The same place, counted as something else. */
    public Mark as(String otherKind) {
        return new Mark(at, otherKind, second);
    }
}
