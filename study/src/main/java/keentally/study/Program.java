package keentally.study;

import java.nio.file.Path;

/** The program's own name and version, as results carry them. */
public final class Program {
    public static final String NAME = "Keen Tally";
    public static final String VERSION = "0.1.0";

    private Program() {}

    /** Where it is written down what went wrong inside the program. */
    public static Path log() {
        return home().resolve("keen-tally.log");
    }

    /** Where the program keeps what it remembers between two starts; the property {@code keentally.home} is for tests. */
    public static Path home() {
        String given = System.getProperty("keentally.home");
        return given != null ? Path.of(given) : Path.of(System.getProperty("user.home"), ".keen-tally");
    }
}
