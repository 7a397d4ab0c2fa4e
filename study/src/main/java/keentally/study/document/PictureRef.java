package keentally.study.document;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;

/**
 * Where a sample's picture comes from: one page of one file, or several pages or files that are its channels.
 *
 * @param sources one with an empty channel name for a picture as it comes; else the channels, in order, with different names
 */
public record PictureRef(List<Source> sources) {
    public PictureRef {
        sources = List.copyOf(sources);
        if (sources.isEmpty()) {
            throw new IllegalArgumentException("a sample needs a picture");
        }
        long names = sources.stream().map(Source::channel).distinct().count();
        boolean named = sources.stream().noneMatch(s -> s.channel().isEmpty());
        if (sources.size() > 1 && !(named && names == sources.size())) {
            throw new IllegalArgumentException("the channels of a sample must have different names");
        }
    }

    public static PictureRef of(Path file, int page) {
        return new PictureRef(List.of(new Source("", file, page, Optional.empty())));
    }

    public Source first() {
        return sources.getFirst();
    }

    /** Whether this is put together from several pages or files. */
    public boolean isComposed() {
        return !first().channel().isEmpty();
    }

    /** With every source in {@code was} taken from {@code is} instead. */
    public PictureRef moved(Path was, Path is) {
        return new PictureRef(sources.stream()
                .map(s -> s.file().equals(was) ? new Source(s.channel(), is, s.page(), s.stamp()) : s)
                .toList());
    }

    /**
     * One page of one file.
     *
     * @param channel the name that its values go by; empty where they keep their own
     * @param file absolute
     * @param page from 1
     * @param stamp the file as it was when it was added; empty where that is not known yet
     */
    public record Source(String channel, Path file, int page, Optional<FileStamp> stamp) {}

    /**
     * What a file was like.
     *
     * @param bytes its length
     * @param modified when it was last changed, in milliseconds since 1970
     */
    public record FileStamp(String sha256, long bytes, long modified) {}
}
