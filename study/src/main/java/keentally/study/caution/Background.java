package keentally.study.caution;

import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import keentally.core.picture.Field;

/**
 * What is known of a sample beside its pixels.
 *
 * @param quality of a lossy file, 1 to 100; empty where nothing was lost
 * @param previous the sample before it in the study
 * @param pages of its file, where nobody said which of them counts; else 1
 */
public record Background(OptionalInt quality, Optional<Neighbour> previous, int pages) {
    public static final Background NONE = new Background(OptionalInt.empty(), Optional.empty());

    /** Of a sample whose page was chosen. */
    public Background(OptionalInt quality, Optional<Neighbour> previous) {
        this(quality, previous, 1);
    }

    /**
     * Another sample.
     *
     * @param key tells its pixels from any other's
     * @param pixels of its picture
     * @param field its shapes; none for the whole picture
     */
    public record Neighbour(String name, String key, long pixels, List<Field.Part> field) {
        public Neighbour {
            field = List.copyOf(field);
        }
    }
}
