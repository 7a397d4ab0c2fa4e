package keentally.study.series;

/** Lets as many samples be in work at the same time as there is memory for; one is always let through. */
final class MemoryGate {
    private final long budget;
    private long taken;
    private int inside;

    MemoryGate(long budget) {
        this.budget = budget;
    }

    /** Waits until there is room. @param bytes that the sample will take, about */
    synchronized void enter(long bytes) {
        boolean interrupted = false;
        while (inside > 0 && taken + bytes > budget) {
            try {
                wait();
            } catch (InterruptedException e) {
                interrupted = true;
            }
        }
        taken += bytes;
        inside++;
        if (interrupted) {
            Thread.currentThread().interrupt();
        }
    }

    synchronized void leave(long bytes) {
        taken -= bytes;
        inside--;
        notifyAll();
    }
}
