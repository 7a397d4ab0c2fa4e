package keentally.core.work;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.concurrent.PriorityBlockingQueue;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.IntFunction;

/**
 * A fixed set of threads that share out bands of one job at a time.
 *
 * <p>The calling thread works too, so a job always moves on, even when every other thread is busy with somebody else's.
 * A job started from inside a band runs on that band's thread alone: there is one level of parallelism. Bands are cut by
 * the length of the job and never by the number of threads. The more urgent job goes first: between two bands helpers leave
 * a job for one that is asked for by a more urgent thread, and who asked for the less urgent one rests.
 */
public final class Workers implements AutoCloseable {
    private static final int MOST_BANDS = 32;
    private static final int LEAST_BAND = 8;
    private static final ThreadLocal<Boolean> INSIDE = ThreadLocal.withInitial(() -> false);
    private static final ThreadLocal<Integer> URGENCY = ThreadLocal.withInitial(() -> 1);

    private final int threads;
    private final ThreadPoolExecutor helpers;
    private final Precedence precedence = new Precedence();

    private Workers(int threads) {
        if (threads < 1) {
            throw new IllegalArgumentException("threads must be at least 1, was " + threads);
        }
        this.threads = threads;
        this.helpers = threads == 1 ? null : pool(threads - 1);
    }

    /** Once closed it drops what it is given: the caller of a job does without help. */
    private static ThreadPoolExecutor pool(int size) {
        return new ThreadPoolExecutor(
                size,
                size,
                0,
                TimeUnit.SECONDS,
                new PriorityBlockingQueue<>(),
                Thread.ofPlatform().daemon().name("worker-", 1).factory(),
                new ThreadPoolExecutor.DiscardPolicy());
    }

    /** {@code threads} in all, the calling one included. */
    public static Workers of(int threads) {
        return new Workers(threads);
    }

    /** No thread but the caller's. */
    public static Workers alone() {
        return new Workers(1);
    }

    public int threads() {
        return threads;
    }

    /** How urgent what the calling thread asks for is from now on; 0 is the most urgent, and 1 what a thread has that says nothing. */
    public static void serveAs(int urgency) {
        URGENCY.set(urgency);
    }

    /** Something most urgent begins that is done elsewhere, as by the interface thread; until {@link #calm}, or for a blink, other jobs rest between bands. */
    public void hurry() {
        precedence.hurry();
    }

    /** What was urgent is done. */
    public void calm() {
        precedence.calm();
    }

    void bands(int length, Cancel cancel, Work.Band band) {
        int size = Math.max(LEAST_BAND, (length + MOST_BANDS - 1) / MOST_BANDS);
        int count = (length + size - 1) / size;
        share(count, cancel, i -> band.run(i * size, Math.min(length, (i + 1) * size)));
    }

    <T> List<T> map(int count, Cancel cancel, IntFunction<T> part) {
        List<T> results = new ArrayList<>(Collections.nCopies(count, null));
        share(count, cancel, i -> results.set(i, part.apply(i)));
        return results;
    }

    private void share(int count, Cancel cancel, Part part) {
        if (helpers == null || count < 2 || INSIDE.get()) {
            for (int i = 0; i < count; i++) {
                cancel.check();
                part.run(i);
            }
            return;
        }
        Job job = new Job(count, cancel, part, URGENCY.get());
        int hands = precedence.begin(job.urgency) ? threads : (threads + 1) / 2;
        for (int i = 0; i < Math.min(hands, count) - 1; i++) {
            helpers.execute(new Helping(job));
        }
        try {
            do {
                precedence.rest(job.urgency, cancel);
            } while (job.runOne());
            job.await();
        } finally {
            precedence.end(job.urgency);
        }
    }

    @Override
    public void close() {
        if (helpers != null) {
            helpers.shutdownNow();
        }
    }

    /** A helper's stay with a job. */
    private final class Helping implements Runnable, Comparable<Helping> {
        private final Job job;

        Helping(Job job) {
            this.job = job;
        }

        @Override
        public void run() {
            while (job.runOne()) {
                if (helpers.getQueue().peek() instanceof Helping other && other.job.urgency < job.urgency) {
                    helpers.execute(this);
                    return;
                }
            }
        }

        @Override
        public int compareTo(Helping other) {
            return Integer.compare(job.urgency, other.job.urgency);
        }
    }

    @FunctionalInterface
    private interface Part {
        void run(int index);
    }

    /** The parts of one call: handed out by counting up, so that a late helper finds nothing left and leaves. */
    private static final class Job {
        private final int count;
        private final Cancel cancel;
        private final Part part;
        private final int urgency;
        private final AtomicInteger next = new AtomicInteger();
        private final AtomicReference<Throwable> failure = new AtomicReference<>();
        private int done;

        Job(int count, Cancel cancel, Part part, int urgency) {
            this.count = count;
            this.cancel = cancel;
            this.part = part;
            this.urgency = urgency;
        }

        /** Does the next part; no where none is left. */
        boolean runOne() {
            int i = next.getAndIncrement();
            if (i >= count) {
                return false;
            }
            INSIDE.set(true);
            try {
                one(i);
            } finally {
                INSIDE.set(false);
            }
            return true;
        }

        private void one(int index) {
            try {
                if (failure.get() == null) {
                    cancel.check();
                    part.run(index);
                }
            } catch (RuntimeException | Error e) {
                failure.compareAndSet(null, e);
            } finally {
                synchronized (this) {
                    done++;
                    notifyAll();
                }
            }
        }

        void await() {
            synchronized (this) {
                boolean interrupted = false;
                while (done < count) {
                    try {
                        wait();
                    } catch (InterruptedException e) {
                        interrupted = true;
                        cancel.ask();
                    }
                }
                if (interrupted) {
                    Thread.currentThread().interrupt();
                }
            }
            switch (failure.get()) {
                case null -> {}
                case Error e -> throw e;
                case RuntimeException e -> throw e;
                case Throwable t -> throw new IllegalStateException(t);
            }
        }
    }
}
