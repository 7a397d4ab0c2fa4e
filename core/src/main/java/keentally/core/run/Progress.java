package keentally.core.run;

/** Told how far a run has come. */
@FunctionalInterface
public interface Progress {
    Progress SILENT = (done, of) -> {};

    /**
     * @param done steps done
     * @param of steps in all
     */
    void at(int done, int of);
}
