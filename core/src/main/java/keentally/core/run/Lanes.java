package keentally.core.run;

import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.Consumer;
import keentally.core.work.Cancel;
import keentally.core.work.CancelledException;
import keentally.core.work.Workers;

/**
 * Whose turn it is when something is looked at. Work that takes long and is waited for, such as reading many pictures, goes to {@link
 * Jobs} instead. There are three threads:
 *
 * <ul>
 *   <li>{@link Lane#PREVIEW}: what a drag shows. The running task always completes; of those waiting only the newest stays.
 *   <li>{@link Lane#FOLLOW}: the whole method. The running task completes unless {@link #overtake} asks it to stop; of those
 *       waiting only the newest stays, so a drag never starves the count.
 *   <li>Everything else that is looked at, by how soon somebody looks at it: {@link #look}. A newer task replaces the one of its
 *       slot, and a more urgent one sends the one that runs back into the line.
 * </ul>
 *
 * <p>The bands of a preview go before those of a follow, and these before all others.
 */
public final class Lanes implements AutoCloseable {
    private final Map<Lane, Track> tracks = new EnumMap<>(Lane.class);
    private final Line line;

    /** @param onCrash told of what a task threw */
    public Lanes(Consumer<Throwable> onCrash) {
        for (Lane lane : Lane.values()) {
            tracks.put(lane, new Track(lane, onCrash));
        }
        this.line = new Line(onCrash);
    }

    /** Puts a task in its lane; it is handed the cancel to look at. */
    public void submit(Lane lane, Task task) {
        tracks.get(lane).submit(task, false);
    }

    /** As {@link #submit}, and asks the running task to stop: for a change that makes its answer worthless. */
    public void overtake(Lane lane, Task task) {
        tracks.get(lane).submit(task, true);
    }

    /**
     * Does what is looked at in its turn. It may be broken off and begun again, and so must do nothing but work something out and tell it.
     *
     * @param slot what waits or runs for the same slot is wanted no more
     */
    public void look(Object slot, Urgency urgency, Task task) {
        line.submit(slot, urgency, task);
    }

    /** What waits or runs for a slot is wanted no more. */
    public void drop(Object slot) {
        line.drop(slot);
    }

    /** Whether nothing runs or waits in a lane. */
    public boolean quiet(Lane lane) {
        return tracks.get(lane).quiet();
    }

    /** Whether nothing runs or waits. */
    public boolean quiet() {
        return tracks.values().stream().allMatch(Track::quiet) && line.quiet();
    }

    @Override
    public void close() {
        tracks.values().forEach(Turns::close);
        line.close();
    }

    /** The lanes that have a thread of their own, most urgent first. */
    public enum Lane {
        PREVIEW,
        FOLLOW
    }

    /** How soon somebody looks at it, the soonest first. */
    public enum Urgency {
        /** What a person just asked for, and waits to see. */
        ASKED,
        /** Numbers and plots beside the picture. */
        BESIDE,
        /** How an answer hangs on its setting. */
        NEIGHBOURS,
        /** Small pictures. */
        THUMBNAIL,
        /** What may be wanted later. */
        LATER
    }

    /** Something to be done in its turn. */
    @FunctionalInterface
    public interface Task {
        void run(Cancel cancel);
    }

    /** A thread that takes one task after another. */
    private abstract static class Turns {
        private final Consumer<Throwable> onCrash;
        private final Thread thread;
        private final int urgency;
        private Cancel running;
        private boolean closed;

        Turns(String name, int urgency, Consumer<Throwable> onCrash) {
            this.onCrash = onCrash;
            this.urgency = urgency;
            this.thread = Thread.ofPlatform()
                    .daemon()
                    .name(name)
                    .priority(urgency > Lane.FOLLOW.ordinal() ? Thread.MIN_PRIORITY : Thread.NORM_PRIORITY)
                    .unstarted(this::loop);
        }

        void start() {
            thread.start();
        }

        /** The next task, taken out of what waits; null where none waits. */
        abstract Task next();

        abstract boolean waits();

        abstract void forget();

        /** @param brokenOff whether the task that ran was stopped before its end */
        void ended(boolean brokenOff) {}

        void stopRunning() {
            if (running != null) {
                running.ask();
            }
        }

        synchronized boolean quiet() {
            return running == null && !waits();
        }

        synchronized void close() {
            closed = true;
            forget();
            stopRunning();
            thread.interrupt();
        }

        private void loop() {
            Workers.serveAs(urgency);
            try {
                while (true) {
                    run(take());
                }
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
        }

        private synchronized Task take() throws InterruptedException {
            while (!waits() && !closed) {
                wait();
            }
            if (closed) {
                throw new InterruptedException();
            }
            running = new Cancel();
            return next();
        }

        private void run(Task task) {
            boolean brokenOff = false;
            try {
                task.run(running);
            } catch (CancelledException e) {
                brokenOff = true;
            } catch (RuntimeException | Error e) {
                onCrash.accept(e);
            } finally {
                synchronized (this) {
                    running = null;
                    ended(brokenOff);
                    notifyAll();
                }
            }
        }
    }

    /** A lane in which only the newest waits. */
    private static final class Track extends Turns {
        private Task waiting;

        Track(Lane lane, Consumer<Throwable> onCrash) {
            super("lane-" + lane, lane.ordinal(), onCrash);
            start();
        }

        synchronized void submit(Task task, boolean overtaking) {
            if (overtaking) {
                stopRunning();
            }
            waiting = task;
            notifyAll();
        }

        @Override
        Task next() {
            Task task = waiting;
            waiting = null;
            return task;
        }

        @Override
        boolean waits() {
            return waiting != null;
        }

        @Override
        void forget() {
            waiting = null;
        }
    }

    /** All that is looked at beside: the most urgent first, of equal ones what was asked for first. */
    private static final class Line extends Turns {
        private final Map<Urgency, Map<Object, Task>> waiting = new EnumMap<>(Urgency.class);
        private Object slot;
        private Urgency urgency;
        private Task task;
        private boolean again;

        Line(Consumer<Throwable> onCrash) {
            super("looking", Lane.values().length, onCrash);
            for (Urgency each : Urgency.values()) {
                waiting.put(each, new LinkedHashMap<>());
            }
            start();
        }

        synchronized void submit(Object newSlot, Urgency newUrgency, Task newTask) {
            drop(newSlot);
            waiting.get(newUrgency).put(newSlot, newTask);
            if (task != null && newUrgency.compareTo(urgency) < 0 && !newSlot.equals(slot)) {
                again = true;
                stopRunning();
            }
            notifyAll();
        }

        synchronized void drop(Object old) {
            waiting.values().forEach(w -> w.remove(old));
            if (old.equals(slot)) {
                again = false;
                task = null;
                stopRunning();
            }
        }

        @Override
        Task next() {
            for (Urgency each : Urgency.values()) {
                var first = waiting.get(each).entrySet().iterator();
                if (first.hasNext()) {
                    Map.Entry<Object, Task> entry = first.next();
                    first.remove();
                    slot = entry.getKey();
                    urgency = each;
                    task = entry.getValue();
                    again = false;
                    return task;
                }
            }
            return null;
        }

        /** What was sent back goes before the others of its kind that wait. */
        @Override
        void ended(boolean brokenOff) {
            if (brokenOff && again && task != null) {
                Map<Object, Task> others = waiting.get(urgency);
                Map<Object, Task> before = new LinkedHashMap<>(others);
                others.clear();
                others.put(slot, task);
                before.forEach(others::putIfAbsent);
            }
            slot = null;
            task = null;
        }

        @Override
        boolean waits() {
            return waiting.values().stream().anyMatch(w -> !w.isEmpty());
        }

        @Override
        void forget() {
            waiting.values().forEach(Map::clear);
            again = false;
        }
    }
}
