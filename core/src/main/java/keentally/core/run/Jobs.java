package keentally.core.run;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import keentally.core.work.Cancel;
import keentally.core.work.CancelledException;
import keentally.core.work.Workers;

/**
 * Work that takes long and is waited for: reading many pictures, exports, packing. Done one after another in the order asked for; listed,
 * each with how far it has come; each can be stopped, whether it runs or waits.
 */
public final class Jobs implements AutoCloseable {
    private static final int URGENCY = 3;

    private final List<Job> jobs = new ArrayList<>();
    private final Consumer<Throwable> onCrash;
    private final Runnable onChange;
    private final Thread thread;
    private boolean closed;

    /**
     * @param onCrash told of what a job threw
     * @param onChange told on any thread when a job came, went or moved on; must be quick
     */
    public Jobs(Consumer<Throwable> onCrash, Runnable onChange) {
        this.onCrash = onCrash;
        this.onChange = onChange;
        this.thread = Thread.ofPlatform()
                .daemon()
                .name("jobs")
                .priority(Thread.MIN_PRIORITY)
                .start(this::loop);
    }

    /** What a job does. */
    @FunctionalInterface
    public interface Body {
        /** @throws CancelledException where it was stopped; it then leaves everything as it was */
        void run(Job job);
    }

    /** A job that waits or runs. */
    public final class Job {
        private final String title;
        private final Body body;
        private final Runnable stopped;
        private final Cancel cancel = new Cancel();
        private int done;
        private int of;

        private Job(String title, Body body, Runnable stopped) {
            this.title = title;
            this.body = body;
            this.stopped = stopped;
        }

        /** What is being done, for people. */
        public String title() {
            return title;
        }

        /** Looked at by its work. */
        public Cancel cancel() {
            return cancel;
        }

        /** Tells how far it has come. */
        public void at(int nowDone, int inAll) {
            cancel.check();
            synchronized (Jobs.this) {
                done = nowDone;
                of = inAll;
            }
            onChange.run();
        }

        /** How much is done. */
        public int done() {
            synchronized (Jobs.this) {
                return done;
            }
        }

        /** How much there is in all; 0 where it does not say. */
        public int of() {
            synchronized (Jobs.this) {
                return of;
            }
        }

        /** Asks it to stop; one that waits goes at once. */
        public void stop() {
            cancel.ask();
            boolean waited;
            synchronized (Jobs.this) {
                waited = jobs.indexOf(this) > 0 && jobs.remove(this);
            }
            if (waited) {
                stopped.run();
            }
            onChange.run();
        }
    }

    /** Does something when what was asked for before is done. */
    public Job start(String title, Body body) {
        return start(title, body, () -> {});
    }

    /** @param stopped what to do where it was stopped */
    public Job start(String title, Body body, Runnable stopped) {
        Job job = new Job(title, body, stopped);
        synchronized (this) {
            jobs.add(job);
            notifyAll();
        }
        onChange.run();
        return job;
    }

    /** How a job stands at one moment: two lists of them differ where a job has moved on. */
    public record Standing(Job job, int done, int of) {
        public String title() {
            return job.title();
        }

        /** As {@link Job#stop()}. */
        public void stop() {
            job.stop();
        }
    }

    /** What runs and what waits, in order. */
    public synchronized List<Standing> list() {
        return jobs.stream().map(j -> new Standing(j, j.done, j.of)).toList();
    }

    /** Whether nothing runs or waits. */
    public synchronized boolean quiet() {
        return jobs.isEmpty();
    }

    @Override
    public synchronized void close() {
        closed = true;
        jobs.forEach(j -> j.cancel.ask());
        thread.interrupt();
    }

    private void loop() {
        Workers.serveAs(URGENCY);
        try {
            while (true) {
                run(take());
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    private synchronized Job take() throws InterruptedException {
        while (jobs.isEmpty() && !closed) {
            wait();
        }
        if (closed) {
            throw new InterruptedException();
        }
        return jobs.getFirst();
    }

    private void run(Job job) {
        try {
            job.cancel.check();
            job.body.run(job);
        } catch (CancelledException e) {
            job.stopped.run();
        } catch (RuntimeException | Error e) {
            onCrash.accept(e);
        } finally {
            synchronized (this) {
                jobs.remove(job);
                notifyAll();
            }
            onChange.run();
        }
    }
}
