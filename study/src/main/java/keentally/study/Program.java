package keentally.study;

/** The program's own name and version, as results carry them. */
public final class Program {
    public static final String NAME = "Keen Tally";
    public static final String VERSION = "0.1.0";

    private Program() {}
}
