package keentally.core.work;

/** A wish to stop, made by one thread and looked at by others between bands of work. */
public final class Cancel {
    private volatile boolean asked;

    /** Asks whoever holds this to stop; cannot be taken back. */
    public void ask() {
        asked = true;
    }

    public boolean asked() {
        return asked;
    }

    /** @throws CancelledException where the stop has been asked for */
    public void check() {
        if (asked) {
            throw new CancelledException();
        }
    }
}
