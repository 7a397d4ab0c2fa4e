package keentally.core.work;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;

/** Which jobs are being done just now, and who has to give way to whom. The smaller an urgency, the more urgent. */
final class Precedence {
    /** Longest rest, in ms: nothing waits for ever, whatever the more urgent job waits for. */
    private static final long REST = 10;

    /** A job that ended less than this ago, in ns, may be followed by another of its kind. */
    private static final long LULL = 100_000_000;

    /** Longest that something without bands is believed to be under way, in ns, where its end is not told. */
    private static final long HURRY = 50_000_000;

    private final List<Integer> underWay = new ArrayList<>();

    /** Until then something most urgent is under way that has no bands. */
    private long hurriedUntil = System.nanoTime();

    /** The most urgent of what ended lately, and when it did. */
    private int lastUrgency;

    private long lastEnd = System.nanoTime() - LULL;

    /** @return whether it may have all hands: none is to be kept for something more urgent that comes again and again, as in a drag */
    synchronized boolean begin(int urgency) {
        underWay.add(urgency);
        return urgency <= lastUrgency || System.nanoTime() - lastEnd > LULL;
    }

    synchronized void end(int urgency) {
        underWay.remove(Integer.valueOf(urgency));
        long now = System.nanoTime();
        if (urgency <= lastUrgency || now - lastEnd > LULL) {
            lastUrgency = urgency;
            lastEnd = now;
        }
        notifyAll();
    }

    synchronized void hurry() {
        hurriedUntil = System.nanoTime() + HURRY;
    }

    synchronized void calm() {
        hurriedUntil = System.nanoTime();
        lastUrgency = 0;
        lastEnd = hurriedUntil;
        notifyAll();
    }

    private boolean isAnything(int moreUrgentThan) {
        boolean hurried = moreUrgentThan > 0 && hurriedUntil - System.nanoTime() > 0;
        return hurried || underWay.stream().anyMatch(u -> u < moreUrgentThan);
    }

    /** Waits while something more urgent is being done, at most for a little. Whoever is interrupted meanwhile asks to be cancelled. */
    synchronized void rest(int urgency, Cancel cancel) {
        long until = System.nanoTime() + TimeUnit.MILLISECONDS.toNanos(REST);
        long left = REST;
        while (left > 0 && isAnything(urgency)) {
            try {
                wait(left);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                cancel.ask();
                return;
            }
            left = TimeUnit.NANOSECONDS.toMillis(until - System.nanoTime());
        }
    }
}
