package keentally.study.caution;

/**
 * A number may mislead.
 *
 * @param saw what was seen, in numbers
 * @param why it matters
 * @param wayOut what to do about it
 */
public record Caution(CautionKind kind, String saw, String why, String wayOut) {
    /** As in files: {@code mostly-specks}. */
    public String id() {
        return kind.id();
    }

    @Override
    public String toString() {
        return saw + " " + why + " " + wayOut;
    }
}
