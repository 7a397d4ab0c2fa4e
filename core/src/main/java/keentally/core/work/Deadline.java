package keentally.core.work;

/** A time after which what may be cut short begins nothing more. What came of it then hangs on how fast the machine is, and has to say how far it got. */
public final class Deadline {
    /** Everything is done. */
    public static final Deadline NEVER = new Deadline(Long.MAX_VALUE, false);

    private static final long NANOS = 1_000_000_000L;

    private final long at;
    private final boolean any;

    private Deadline(long at, boolean any) {
        this.at = at;
        this.any = any;
    }

    /** So many seconds from now. */
    public static Deadline in(double seconds) {
        return new Deadline(System.nanoTime() + (long) (seconds * NANOS), true);
    }

    public boolean isPast() {
        return any && System.nanoTime() - at >= 0;
    }
}
