package keentally.study.door;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.SequencedMap;
import java.util.Set;
import java.util.regex.Pattern;
import keentally.study.picture.PictureReader.Survey;

/**
 * Pictures that seem to be the channels of one sample: two to {@value #MOST} files of one page and one size in one folder whose names differ
 * in one word alone, and that word names a channel: a word of letters, or c, ch or w and a number. Copies (a, b, c) and numbered pictures are
 * no channels.
 *
 * @param name what the names have in common
 * @param byWord the files by the word that tells them apart, in the order of the names
 */
public record ChannelFiles(String name, SequencedMap<String, Survey> byWord) {
    private static final int MOST = 6;
    private static final Pattern CHANNEL = Pattern.compile("(c|ch|w)\\d{1,2}|\\p{L}{2,}");

    /** What channels of one sample share. @param rest the words of the name without the one at {@code place} */
    private record Alike(Optional<Path> folder, int width, int height, int place, List<String> rest) {}

    /** The groups among files that were brought together, in their order; files that belong to none are left out. */
    public static List<ChannelFiles> among(List<Survey> files) {
        Map<Alike, SequencedMap<String, Survey>> groups = new LinkedHashMap<>();
        for (Survey file : files) {
            List<String> words = words(file.file());
            for (int i = 0; i < words.size() && file.pages() == 1; i++) {
                if (CHANNEL.matcher(words.get(i).toLowerCase(Locale.ROOT)).matches()) {
                    List<String> rest = new ArrayList<>(words);
                    rest.remove(i);
                    Alike alike = new Alike(
                            Optional.ofNullable(file.file().getParent()), file.width(), file.height(), i, rest);
                    groups.computeIfAbsent(alike, a -> new LinkedHashMap<>()).put(words.get(i), file);
                }
            }
        }
        Set<Survey> used = new HashSet<>();
        List<ChannelFiles> found = new ArrayList<>();
        groups.forEach((alike, byWord) -> {
            boolean named = !alike.rest.isEmpty(); // names that share nothing are of several samples
            if (named && byWord.size() >= 2 && byWord.size() <= MOST && Collections.disjoint(used, byWord.values())) {
                used.addAll(byWord.values());
                found.add(new ChannelFiles(String.join(" ", alike.rest), byWord));
            }
        });
        return found;
    }

    private static List<String> words(Path file) {
        String name = file.getFileName().toString();
        int dot = name.lastIndexOf('.');
        return Arrays.stream((dot > 0 ? name.substring(0, dot) : name).split("[^\\p{L}\\p{Nd}]+"))
                .filter(w -> !w.isEmpty())
                .toList();
    }
}
