package keentally.core.run;

import java.util.ArrayDeque;
import java.util.EnumMap;
import java.util.Map;
import java.util.function.Consumer;
import keentally.core.work.Cancel;
import keentally.core.work.CancelledException;

/**
 * Whose turn it is. Each lane has one thread and one running job.
 *
 * <ul>
 *   <li>{@link Lane#PREVIEW}: what a drag shows. The running job always completes; of those waiting only the newest stays.
 *   <li>{@link Lane#FOLLOW}: the whole method. The running job completes unless {@link #overtake} asks it to stop; of those
 *       waiting only the newest stays, so a drag never starves the count.
 *   <li>{@link Lane#IDLE}: thumbnails and the like, in order, nothing replaced.
 * </ul>
 */
public final class Lanes implements AutoCloseable {
    private final Map<Lane, Track> tracks = new EnumMap<>(Lane.class);

    /** @param onCrash told of what a job threw */
    public Lanes(Consumer<Throwable> onCrash) {
        for (Lane lane : Lane.values()) {
            tracks.put(lane, new Track(lane, onCrash));
        }
    }

    /** Puts a job in its lane; it is handed the cancel to look at. */
    public void submit(Lane lane, Job job) {
        tracks.get(lane).submit(job);
    }

    /** As {@link #submit}, and asks the running job to stop: for a change that makes its answer worthless. */
    public void overtake(Lane lane, Job job) {
        tracks.get(lane).overtake(job);
    }

    /** Drops what waits in a lane and asks what runs there to stop. */
    public void clear(Lane lane) {
        tracks.get(lane).clear();
    }

    /** Whether nothing runs or waits in any lane. */
    public boolean quiet() {
        return tracks.values().stream().allMatch(Track::quiet);
    }

    @Override
    public void close() {
        tracks.values().forEach(Track::close);
    }

    /** The lanes, most urgent first. */
    public enum Lane {
        PREVIEW,
        FOLLOW,
        IDLE
    }

    /** Something to be done in a lane. */
    @FunctionalInterface
    public interface Job {
        void run(Cancel cancel);
    }

    private static final class Track {
        private final Lane lane;
        private final Consumer<Throwable> onCrash;
        private final ArrayDeque<Job> waiting = new ArrayDeque<>();
        private final Thread thread;
        private Cancel running;
        private boolean closed;

        Track(Lane lane, Consumer<Throwable> onCrash) {
            this.lane = lane;
            this.onCrash = onCrash;
            this.thread = Thread.ofPlatform()
                    .daemon()
                    .name("lane-" + lane)
                    .priority(lane == Lane.IDLE ? Thread.MIN_PRIORITY : Thread.NORM_PRIORITY)
                    .start(this::loop);
        }

        synchronized void submit(Job job) {
            if (lane != Lane.IDLE) {
                waiting.clear();
            }
            waiting.add(job);
            notifyAll();
        }

        synchronized void overtake(Job job) {
            stopRunning();
            submit(job);
        }

        synchronized void clear() {
            waiting.clear();
            stopRunning();
        }

        synchronized boolean quiet() {
            return running == null && waiting.isEmpty();
        }

        synchronized void close() {
            closed = true;
            clear();
            thread.interrupt();
        }

        private void stopRunning() {
            if (running != null) {
                running.ask();
            }
        }

        private void loop() {
            try {
                while (true) {
                    run(take());
                }
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
        }

        private synchronized Job take() throws InterruptedException {
            while (waiting.isEmpty() && !closed) {
                wait();
            }
            if (closed) {
                throw new InterruptedException();
            }
            running = new Cancel();
            return waiting.poll();
        }

        private void run(Job job) {
            try {
                job.run(running);
            } catch (CancelledException e) {
                // overtaken: whoever asked no longer wants the answer
            } catch (RuntimeException | Error e) {
                onCrash.accept(e);
            } finally {
                synchronized (this) {
                    running = null;
                    notifyAll();
                }
            }
        }
    }
}
