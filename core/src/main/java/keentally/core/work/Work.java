package keentally.core.work;

import java.util.List;
import java.util.function.IntConsumer;
import java.util.function.IntFunction;

/**
 * The hands that an algorithm works with: the threads it may use and the wish to stop it looks at.
 *
 * @param workers the threads
 * @param cancel looked at before each band
 */
public record Work(Workers workers, Cancel cancel) {
    /** On the calling thread alone, never cancelled. */
    public static Work alone() {
        return new Work(Workers.alone(), new Cancel());
    }

    /** Runs {@code band} over [0, length) in fixed bands; returns when all are done. */
    public void bands(int length, Band band) {
        workers.bands(length, cancel, band);
    }

    /** The results of {@code part} for 0 to count − 1, in that order. */
    public <T> List<T> map(int count, IntFunction<T> part) {
        return workers.map(count, cancel, part);
    }

    /** Does {@code part} for 0 to count − 1, begun in that order; returns when all are done. */
    public void each(int count, IntConsumer part) {
        workers.map(count, cancel, i -> {
            part.accept(i);
            return i;
        });
    }

    /** One stretch of the job, [from, to). */
    @FunctionalInterface
    public interface Band {
        void run(int from, int to);
    }
}
