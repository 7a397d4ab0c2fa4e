package keentally.study.caution;

/**
 * A number may mislead.
 *
 * @param id as in files: {@code mostly-specks}
 * @param saw what was seen, in numbers
 * @param why it matters
 * @param wayOut what to do about it
 */
public record Caution(String id, String saw, String why, String wayOut) {
    @Override
    public String toString() {
        return saw + " " + why + " " + wayOut;
    }
}
