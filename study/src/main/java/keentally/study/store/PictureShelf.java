package keentally.study.store;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import keentally.core.picture.Channel;
import keentally.core.picture.Picture;
import keentally.core.work.Cancel;
import keentally.study.document.PictureRef;
import keentally.study.document.PictureRef.FileStamp;
import keentally.study.document.PictureRef.Source;
import keentally.study.file.FileFault;
import keentally.study.file.Sha256;
import keentally.study.file.WholeFile;
import keentally.study.picture.PictureFile;
import keentally.study.picture.PictureReader;

/** The pictures that a study refers to: where they lie, or packed in; whether they are still what they were. */
public final class PictureShelf {
    private static final int DEEPEST = 8;
    private static final long TICK_MS = 2000;

    private final Optional<StudyFile> study;

    /** @param study where pictures may be packed in */
    public PictureShelf(Optional<StudyFile> study) {
        this.study = study;
    }

    /**
     * A picture from the shelf.
     *
     * @param file the picture, put together where it has several sources
     * @param changed a sentence for each file that is no longer what it was when it was added
     */
    public record ShelfPicture(PictureFile file, List<String> changed) {}

    /** @throws MissingPicture where a file is gone and not packed in; FileFault where it cannot be read */
    public ShelfPicture take(PictureRef ref) throws FileFault {
        List<String> changed = new ArrayList<>();
        if (!ref.isComposed()) {
            PictureFile file = read(ref.first(), changed);
            return new ShelfPicture(file, changed);
        }
        List<Channel> channels = new ArrayList<>();
        PictureFile first = null;
        StringBuilder hashes = new StringBuilder();
        for (Source source : ref.sources()) {
            PictureFile file = read(source, changed);
            first = first == null ? file : first;
            channels.add(new Channel(
                    source.channel(),
                    file.picture()
                            .single()
                            .orElseThrow(() -> new FileFault(source.file() + ", page " + source.page()
                                    + ", is a colour picture; only grey ones can be channels of a sample."))));
            hashes.append(source.channel()).append('=').append(file.key()).append('\n');
            boolean fits = file.picture().width() == first.picture().width()
                    && file.picture().height() == first.picture().height();
            if (!fits) {
                throw new FileFault(source.file() + " is " + file.picture().width() + " × "
                        + file.picture().height() + " px, but the first channel is "
                        + first.picture().width() + " × " + first.picture().height()
                        + " px; the channels of a sample must be of one size.");
            }
        }
        PictureFile whole =
                new PictureFile(first.file(), Sha256.of(hashes.toString()), 1, 1, new Picture(channels), first.facts());
        return new ShelfPicture(whole, changed);
    }

    private PictureFile read(Source source, List<String> changed) throws FileFault {
        if (!Files.exists(source.file())) {
            byte[] packed = packed(source).orElseThrow(() -> new MissingPicture(source.file()));
            return PictureReader.read(source.file(), packed, source.page());
        }
        boolean untouched = source.stamp().isPresent()
                && isUntouched(source.file(), source.stamp().get());
        if (untouched) {
            return PictureReader.read(
                    source.file(), source.page(), source.stamp().get().sha256());
        }
        PictureFile file = PictureReader.read(source.file(), source.page());
        source.stamp()
                .filter(s -> !s.sha256().equals(file.sha256()))
                .ifPresent(s -> changed.add(source.file().getFileName()
                        + " has changed since it was added: its contents differ, and so may every number."));
        return file;
    }

    private Optional<byte[]> packed(Source source) throws FileFault {
        return study.isPresent() && source.stamp().isPresent()
                ? study.get().packed(source.stamp().get().sha256())
                : Optional.empty();
    }

    private static boolean isUntouched(Path file, FileStamp stamp) {
        try {
            return Files.size(file) == stamp.bytes()
                    && Files.getLastModifiedTime(file).toMillis() == stamp.modified();
        } catch (IOException e) {
            return false;
        }
    }

    /** The picture is not where it was. */
    public static final class MissingPicture extends FileFault {
        public MissingPicture(Path file) {
            super(file + " is missing; if it was moved, name the folder that it lies in now.");
        }
    }

    /**
     * One page of a file, with what the file is like. One that was written just now may be written again within the same tick of
     * the file system's clock; its time says nothing then, and is noted as 0.
     */
    public static Source source(String channel, PictureReader.Survey survey, int page) {
        boolean settled = System.currentTimeMillis() - survey.modified() > TICK_MS;
        FileStamp stamp = new FileStamp(survey.sha256(), survey.bytes(), settled ? survey.modified() : 0);
        return new Source(channel, survey.file().toAbsolutePath().normalize(), page, Optional.of(stamp));
    }

    /**
     * Looks for missing files by what is in them, in a folder and below it.
     *
     * @return where each of {@code wanted} lies now, for those that were found
     */
    public static Map<FileStamp, Path> search(Path folder, List<FileStamp> wanted, Cancel cancel) throws FileFault {
        Map<FileStamp, Path> found = new HashMap<>();
        try (Stream<Path> all = Files.walk(folder, DEEPEST)) {
            for (Path file : all.filter(Files::isRegularFile).sorted().toList()) {
                cancel.check();
                long size = Files.size(file);
                List<FileStamp> alike =
                        wanted.stream().filter(s -> s.bytes() == size).toList();
                if (!alike.isEmpty()) {
                    String sha256 = Sha256.of(file);
                    alike.stream()
                            .filter(s -> s.sha256().equals(sha256))
                            .forEach(s ->
                                    found.putIfAbsent(s, file.toAbsolutePath().normalize()));
                }
            }
        } catch (IOException e) {
            throw new FileFault(folder + " cannot be searched: " + WholeFile.reason(e) + ".", e);
        }
        return found;
    }

    /**
     * Packs the files of a picture into the study.
     *
     * @return those that the study does not hold now either: they are missing, or not what they were when they were added
     */
    public static List<Path> pack(PictureRef ref, StudyFile study) throws FileFault {
        List<Path> left = new ArrayList<>();
        for (Source source : ref.sources()) {
            if (!pack(source, study)) {
                left.add(source.file());
            }
        }
        return left;
    }

    private static boolean pack(Source source, StudyFile study) throws FileFault {
        if (source.stamp().isPresent() && study.isPacked(source.stamp().get().sha256())) {
            return true;
        }
        if (!Files.exists(source.file())) {
            return false;
        }
        byte[] bytes = WholeFile.read(source.file());
        String sha256 = Sha256.of(bytes);
        boolean same = source.stamp().map(s -> s.sha256().equals(sha256)).orElse(true);
        if (same) {
            study.pack(sha256, source.file().getFileName().toString(), bytes);
        }
        return same;
    }
}
