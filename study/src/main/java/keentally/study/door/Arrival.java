package keentally.study.door;

import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import keentally.core.bring.MaskPicture;
import keentally.core.bring.MaskPicture.Meaning;
import keentally.core.words.Figures;
import keentally.study.file.FileFault;
import keentally.study.file.WholeFile;
import keentally.study.method.MethodFile;
import keentally.study.method.ModelFile;
import keentally.study.picture.PictureFile;
import keentally.study.picture.PictureReader;
import keentally.study.result.PastedTable;
import keentally.study.store.StudyFile;

/**
 * A file that somebody brings, and what it seems to be.
 *
 * <p>Studies, methods and models are told by their endings. A text is a table of marks where its first line names columns {@code x} and
 * {@code y}, else a table of numbers by names. A picture as large as the sample on the stage is a mask where it is grey and of two values,
 * classes where it has few colours, labels where it is grey, of whole values and flat; all else is a picture, and so is whatever cannot be
 * told: reading it says what is wrong.
 *
 * @param because why it seems so, for the person who is asked; empty where it is not asked
 */
public record Arrival(Path file, Kind kind, String because) {
    private static final Set<String> TEXTS = Set.of("csv", "tsv", "txt");

    /** Labels of a picture that is packed with loss are labels no more. */
    private static final Set<String> LOSSLESS = Set.of("png", "tif", "tiff", "bmp", "gif", "pgm", "pbm", "pnm", "ppm");

    /** What a file can be. */
    public enum Kind {
        STUDY,
        METHOD,
        MODEL,
        PICTURE,
        /** Which pixels belong to what, of the sample on the stage. */
        MASK,
        /** Places that somebody marked. */
        MARKS,
        /** Numbers that somebody has for samples. */
        TABLE
    }

    /** @param sample the picture on the stage; empty where there is none */
    public static Arrival of(Path file, Optional<PictureFile> sample) throws FileFault {
        String name =
                file.getFileName() == null ? "" : file.getFileName().toString().toLowerCase(Locale.ROOT);
        if (name.endsWith(StudyFile.ENDING)) {
            return new Arrival(file, Kind.STUDY, "");
        }
        if (name.endsWith(MethodFile.ENDING)) {
            return new Arrival(file, Kind.METHOD, "");
        }
        if (name.endsWith(ModelFile.ENDING)) {
            return new Arrival(file, Kind.MODEL, "");
        }
        String ending = name.substring(name.lastIndexOf('.') + 1);
        if (TEXTS.contains(ending) && Files.isRegularFile(file)) {
            return text(file);
        }
        return sample.isPresent() && LOSSLESS.contains(ending) && Files.isRegularFile(file)
                ? picture(file, sample.get())
                : new Arrival(file, Kind.PICTURE, "");
    }

    /** What stands in a table that was brought. */
    public static String read(Path file) throws FileFault {
        try {
            String text = StandardCharsets.UTF_8
                    .newDecoder()
                    .decode(ByteBuffer.wrap(WholeFile.read(file)))
                    .toString();
            return text.startsWith("\ufeff") ? text.substring(1) : text;
        } catch (CharacterCodingException e) {
            throw new FileFault(file.getFileName() + " is no table: it is not text in UTF-8.", e);
        }
    }

    private static Arrival text(Path file) throws FileFault {
        String text = read(file);
        Set<String> heads = Arrays.stream(text.lines()
                        .filter(l -> !l.isBlank())
                        .findFirst()
                        .orElse("")
                        .split("[,;\t]"))
                .map(h -> h.replace("\"", "").strip().toLowerCase(Locale.ROOT).replaceFirst("_.*", ""))
                .collect(Collectors.toSet());
        if (heads.contains("x") && heads.contains("y")) {
            return new Arrival(file, Kind.MARKS, file.getFileName() + " has columns of places, x and y.");
        }
        try {
            PastedTable table = PastedTable.parse(text);
            return new Arrival(
                    file,
                    Kind.TABLE,
                    file.getFileName() + " has numbers for "
                            + Figures.number(table.rows().size()) + " names.");
        } catch (IllegalArgumentException e) {
            throw new FileFault(
                    file.getFileName() + " is text, but neither a table of places nor of numbers by name: "
                            + e.getMessage() + ".",
                    e);
        }
    }

    private static Arrival picture(Path file, PictureFile sample) throws FileFault {
        PictureReader.Size size = PictureReader.size(file);
        if (size.width() != sample.picture().width()
                || size.height() != sample.picture().height()) {
            return new Arrival(file, Kind.PICTURE, "");
        }
        PictureFile read = PictureReader.read(file);
        if (read.sha256().equals(sample.sha256())) {
            return new Arrival(file, Kind.PICTURE, ""); // nobody's mask is the very picture
        }
        MaskPicture seen = MaskPicture.of(read.picture());
        Meaning meaning = seen.meanings().getFirst();
        boolean isMask = meaning != Meaning.MASK || seen.distinct() == 2;
        String of = file.getFileName() + " is as large as the picture on the stage";
        String because = switch (meaning) {
            case MASK -> of + " and has two values.";
            case CLASSES -> of + " and has " + seen.distinct() + " colours.";
            case LABELS -> of + " and has " + seen.distinct() + " values, each of them in patches.";
        };
        return isMask ? new Arrival(file, Kind.MASK, because) : new Arrival(file, Kind.PICTURE, "");
    }
}
