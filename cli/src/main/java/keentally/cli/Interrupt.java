package keentally.cli;

import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import keentally.core.work.Cancel;

/** Ctrl+C, or the system going down, asks a command to stop, and gives it the time to leave everything as it was. */
final class Interrupt implements AutoCloseable {
    private static final int MOST_SECONDS = 20;

    private final Cancel cancel = new Cancel();
    private final CountDownLatch ended = new CountDownLatch(1);
    private final Thread hook = new Thread(this::stop, "interrupt");

    private Interrupt() {}

    static Interrupt listening() {
        Interrupt interrupt = new Interrupt();
        Runtime.getRuntime().addShutdownHook(interrupt.hook);
        return interrupt;
    }

    /** Asked when the program is told to end. */
    Cancel cancel() {
        return cancel;
    }

    private void stop() {
        cancel.ask();
        try {
            ended.await(MOST_SECONDS, TimeUnit.SECONDS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    @Override
    public void close() {
        ended.countDown();
        try {
            Runtime.getRuntime().removeShutdownHook(hook);
        } catch (IllegalStateException goingDown) {
            // the hook runs already, and has just been told that there is nothing to wait for
        }
    }
}
