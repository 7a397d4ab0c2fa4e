package keentally.study.result;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/** What pictures are called in tables and in the names of files. */
public final class SampleNames {
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
    static List<String> of(List<SampleOrder> samples) {
        List<String> byFile = ofFiles(samples.stream().map(SampleOrder::file).toList());
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

    /** Names fit for files: letters, digits, dot, hyphen and underline; anything else becomes an underline. */
    static List<String> forFiles(List<String> names) {
        return distinct(names.stream()
                .map(n -> n.replaceAll("[^\\p{L}\\p{Nd}.\\-_]", "_"))
                .toList());
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
