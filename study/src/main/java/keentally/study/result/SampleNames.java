package keentally.study.result;

import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/** What pictures are called in tables and in the names of files. */
public final class SampleNames {
    private static final int MOST_BYTES = 200;

    private SampleNames() {}

    /** File names without their ending, or with it where two would be the same; counted on where even that is the same. */
    public static List<String> ofFiles(List<Path> pictures) {
        List<String> names = new ArrayList<>();
        for (Path picture : pictures) {
            String whole = picture.getFileName().toString();
            String bare = bare(whole);
            boolean alone = pictures.stream()
                            .filter(p -> bare(p.getFileName().toString()).equals(bare))
                            .count()
                    == 1;
            names.add(alone ? bare : whole);
        }
        return distinct(names);
    }

    /** The names that were given, and those of the files where none was. */
    public static List<String> of(List<PictureOrder> samples) {
        List<String> byFile = ofFiles(samples.stream().map(PictureOrder::file).toList());
        List<String> names = new ArrayList<>();
        for (int i = 0; i < byFile.size(); i++) {
            names.add(samples.get(i).name().orElse(byFile.get(i)));
        }
        return distinct(names);
    }

    private static String bare(String name) {
        int dot = name.lastIndexOf('.');
        return dot > 0 ? name.substring(0, dot) : name;
    }

    /** Names fit for files: letters, digits, dot, hyphen and underline; anything else becomes an underline, and what is too long is cut. */
    public static List<String> forFiles(List<String> names) {
        return distinct(names.stream()
                .map(n -> n.replaceAll("[^\\p{L}\\p{Nd}.\\-_]", "_"))
                .map(SampleNames::cut)
                .toList());
    }

    /** File systems take 255 bytes; an ending and a number must have room behind it. */
    private static String cut(String name) {
        String cut = name;
        while (cut.getBytes(StandardCharsets.UTF_8).length > MOST_BYTES) {
            cut = cut.substring(0, cut.offsetByCodePoints(cut.length(), -1));
        }
        return cut;
    }

    private static List<String> distinct(List<String> names) {
        Set<String> taken = new HashSet<>();
        List<String> distinct = new ArrayList<>();
        for (String name : names) {
            String candidate = name;
            for (int n = 2; !taken.add(candidate); n++) {
                candidate = name + "-" + n;
            }
            distinct.add(candidate);
        }
        return distinct;
    }
}
