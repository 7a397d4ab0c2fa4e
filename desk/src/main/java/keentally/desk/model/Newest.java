package keentally.desk.model;

import java.util.concurrent.Executor;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.Function;
import keentally.core.work.Work;

/** Asks again and again for the one thing, in the idle lane: what was asked before and is not begun yet is never done. */
public final class Newest {
    private final DeskModel desk;
    private final Executor ui;
    private final AtomicLong asked = new AtomicLong();

    /** @param ui runs what it is given on the interface thread, in order */
    public Newest(DeskModel desk, Executor ui) {
        this.desk = desk;
        this.ui = ui;
    }

    /** @param how works it out, and answers with what to do with it on the interface thread while nothing newer is asked */
    public void ask(Function<Work, Runnable> how) {
        long ticket = asked.incrementAndGet();
        desk.whenIdle(cancel -> {
            if (ticket == asked.get()) {
                Runnable then = how.apply(desk.work(cancel));
                ui.execute(() -> {
                    if (ticket == asked.get()) {
                        then.run();
                    }
                });
            }
        });
    }

    /** Whatever was asked is wanted no more. */
    public void drop() {
        asked.incrementAndGet();
    }
}
