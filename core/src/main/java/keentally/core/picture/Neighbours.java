package keentally.core.picture;

/** Which pixels hang together: those that share a side, or a corner as well. */
public enum Neighbours {
    FOUR,
    EIGHT;

    /** What the background hangs together by where objects hang together by this. */
    public Neighbours other() {
        return this == FOUR ? EIGHT : FOUR;
    }

    /** How far beyond its ends a run meets runs of the next row: 1 pixel or none. */
    public int reach() {
        return this == EIGHT ? 1 : 0;
    }
}
