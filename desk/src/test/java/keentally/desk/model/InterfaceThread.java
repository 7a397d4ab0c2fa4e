package keentally.desk.model;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.concurrent.BlockingQueue;
import java.util.concurrent.Executor;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;

/** The test's own thread in the part of the interface thread. */
final class InterfaceThread implements Executor {
    private final BlockingQueue<Runnable> waiting = new LinkedBlockingQueue<>();

    @Override
    public void execute(Runnable what) {
        waiting.add(what);
    }

    boolean isIdle() {
        return waiting.isEmpty();
    }

    /** Runs what comes until {@code done}. */
    void settle(BooleanSupplier done) {
        try {
            while (!done.getAsBoolean()) {
                Runnable next = waiting.poll(20, TimeUnit.SECONDS);
                assertThat(next).as("nothing came back").isNotNull();
                next.run();
            }
        } catch (InterruptedException e) {
            throw new AssertionError(e);
        }
    }
}
