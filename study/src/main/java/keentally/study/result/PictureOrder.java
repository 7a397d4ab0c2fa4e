package keentally.study.result;

import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import keentally.core.hand.HandWork;
import keentally.core.quantity.Scale;
import keentally.core.run.Sample;
import keentally.core.work.Work;
import keentally.study.caution.Background;
import keentally.study.document.FieldRequest;
import keentally.study.document.PictureRef;
import keentally.study.file.FileFault;
import keentally.study.picture.PictureFile;

/**
 * One sample that is to be run.
 *
 * @param name in tables; empty for that of its file
 * @param settled whether it was said which page of its file counts; else it is a caution where there are several
 * @param scaleFromFile whether the picture's own pixel size is taken
 * @param field none for the whole picture
 * @param hand what was done by hand on it, by the ids of the method's steps
 */
public record PictureOrder(
        Optional<String> name,
        PictureRef picture,
        boolean settled,
        Optional<Scale> scale,
        boolean scaleFromFile,
        List<FieldRequest> field,
        Map<String, HandWork> hand) {
    public PictureOrder {
        field = List.copyOf(field);
        hand = Map.copyOf(hand);
    }

    /** On which nothing was done by hand. */
    public PictureOrder(
            Optional<String> name,
            PictureRef picture,
            Optional<Scale> scale,
            boolean scaleFromFile,
            List<FieldRequest> field) {
        this(name, picture, true, scale, scaleFromFile, field, Map.of());
    }

    /**
     * The sample, of its picture as it was read.
     *
     * @throws FileFault where the scale is to come from the file, which states none
     */
    public Sample sample(PictureFile read, Work work) throws FileFault {
        Optional<Scale> known = scaleFromFile ? read.stated() : scale;
        if (known.isEmpty() && scaleFromFile) {
            throw new FileFault(read.file() + " states no pixel size; give it with --scale.");
        }
        return Sample.of(read.key(), read.picture(), FieldRequest.inPicture(field, read.picture(), work), known)
                .with(hand);
    }

    /** What is known of it beside its pixels. */
    public Background background(PictureFile read) {
        return new Background(read.facts().quality(), Optional.empty(), settled ? 1 : read.pages());
    }

    Path file() {
        return picture.first().file();
    }
}
