package keentally.study.picture;

import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import keentally.core.quantity.Scale;

/**
 * What a file says of its picture beside the values.
 *
 * @param kind for people: {@code TIFF}
 * @param stated the pixel size that the file states; an offer, never taken silently
 * @param channelNames what the file calls its pages, in their order; empty where it does not
 * @param quality of a lossy picture, 1 to 100 as its tables tell; empty where nothing was lost
 * @param remarks what was done to the values while they were read, each a sentence
 */
public record FileFacts(
        String kind,
        Optional<StatedScale> stated,
        List<String> channelNames,
        OptionalInt quality,
        List<String> remarks) {
    public FileFacts {
        channelNames = List.copyOf(channelNames);
        remarks = List.copyOf(remarks);
    }

    /**
     * A pixel size that a file states.
     *
     * @param where in the file: {@code "OME-XML"}, {@code "300 pixels an inch"}
     */
    public record StatedScale(Scale scale, String where) {}
}
