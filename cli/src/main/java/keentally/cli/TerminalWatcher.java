package keentally.cli;

import java.io.Console;
import java.io.PrintWriter;
import keentally.study.result.BatchRun;

/** Shows on a terminal how far a run has come, on one line that wipes itself; says nothing into a pipe or a file. */
final class TerminalWatcher implements BatchRun.Watcher {
    private static final String WIPE = "\r\u001b[K";

    private final PrintWriter out;
    private final boolean shown;
    private int done;

    TerminalWatcher(PrintWriter out) {
        this.out = out;
        Console console = System.console();
        this.shown = console != null && console.isTerminal();
    }

    @Override
    public synchronized void started(int number, int of, String sample) {
        if (shown) {
            out.print(WIPE + done + " of " + of + " done · " + sample);
            out.flush();
        }
    }

    /** So many of so many are done. */
    synchronized void at(int now, int of) {
        if (shown && of > 0) {
            out.print(WIPE + now + " of " + of + " done");
            out.flush();
        }
    }

    @Override
    public synchronized void finished() {
        done++;
        if (shown) {
            out.print(WIPE);
            out.flush();
        }
    }
}
