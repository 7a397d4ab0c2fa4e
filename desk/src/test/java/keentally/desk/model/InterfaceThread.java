package keentally.desk.model;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.concurrent.BlockingQueue;
import java.util.concurrent.Executor;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;

/** The test's own thread in the part of the interface thread. */
public final class InterfaceThread implements Executor {
    private final BlockingQueue<Runnable> waiting = new LinkedBlockingQueue<>();

    @Override
    public void execute(Runnable what) {
        waiting.add(what);
    }

    /** Runs what comes until {@code done}, which may also come about on another thread. */
    public void settle(BooleanSupplier done) {
        long patience = System.nanoTime() + TimeUnit.SECONDS.toNanos(20);
        try {
            while (!done.getAsBoolean()) {
                Runnable next = waiting.poll(20, TimeUnit.MILLISECONDS);
                if (next != null) {
                    next.run();
                } else {
                    assertThat(System.nanoTime()).as("nothing came back").isLessThan(patience);
                }
            }
        } catch (InterruptedException e) {
            throw new AssertionError(e);
        }
    }
}
