package keentally.core.starter;

/** How things that are counted stand out. */
public enum Structure {
    BRIGHT,
    DARK,
    BETWEEN_BRIGHT_WALLS,
    BETWEEN_DARK_WALLS;

    boolean isWalled() {
        return this == BETWEEN_BRIGHT_WALLS || this == BETWEEN_DARK_WALLS;
    }
}
