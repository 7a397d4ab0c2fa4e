package keentally.desk.model;

import java.util.concurrent.Executor;
import java.util.function.Function;
import keentally.core.run.Lanes.Urgency;
import keentally.core.work.Work;

/** Asks again and again for the one thing: what was asked before is broken off, or never done. For the interface thread. */
public final class Newest {
    private final DeskModel desk;
    private final Executor ui;
    private final Urgency urgency;
    private long asked;

    /** For numbers and plots beside the picture. @param ui runs what it is given on the interface thread, in order */
    public Newest(DeskModel desk, Executor ui) {
        this(desk, ui, Urgency.BESIDE);
    }

    /** @param ui runs what it is given on the interface thread, in order */
    public Newest(DeskModel desk, Executor ui, Urgency urgency) {
        this.desk = desk;
        this.ui = ui;
        this.urgency = urgency;
    }

    /** @param how works it out, and answers with what to do with it on the interface thread while nothing newer is asked */
    public void ask(Function<Work, Runnable> how) {
        long ticket = ++asked;
        desk.look(this, urgency, cancel -> {
            Runnable then = how.apply(desk.work(cancel));
            ui.execute(() -> {
                if (ticket == asked) {
                    then.run();
                }
            });
        });
    }

    /** Whatever was asked is wanted no more. */
    public void drop() {
        asked++;
        desk.unlook(this);
    }
}
