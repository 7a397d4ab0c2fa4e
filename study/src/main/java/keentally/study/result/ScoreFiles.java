package keentally.study.result;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import keentally.core.classify.Confusion;
import keentally.core.classify.HeldOut.Importance;
import keentally.core.classify.Scores;
import keentally.core.work.Work;
import keentally.study.file.FileFault;
import keentally.study.file.Sheet;

/**
 * Scores of what was learnt as tables: one row a class, the confusion as the matrix that it is, and what each feature is for, the one that is missed most first.
 */
public final class ScoreFiles {
    private static final String CSV = ".csv";

    private ScoreFiles() {}

    /**
     * Writes three files.
     *
     * @param scores the file of the scores; the others end in {@code -confusion.csv} and {@code -importance.csv}
     * @return all of them
     */
    public static List<Path> write(Path scores, Scores of, Work work) throws FileFault {
        String name = scores.getFileName().toString();
        String bare = name.endsWith(CSV) ? name.substring(0, name.length() - CSV.length()) : name;
        Map<Path, String> files = new LinkedHashMap<>();
        files.put(scores, scores(of));
        files.put(scores.resolveSibling(bare + "-confusion.csv"), confusion(of));
        files.put(scores.resolveSibling(bare + "-importance.csv"), importance(of, work));
        for (Path file : files.keySet()) {
            if (Files.exists(file) && !Files.exists(scores)) {
                throw new FileFault(file + " is there already and belongs to no other scores; choose another name.");
            }
        }
        for (Map.Entry<Path, String> file : files.entrySet()) {
            Sheet.toFile(file.getKey(), file.getValue());
        }
        return List.copyOf(files.keySet());
    }

    private static String scores(Scores of) {
        Confusion confusion = of.confusion();
        return Sheet.whole(
                List.of("class", "colour", "painted_px", "held_out_px", "precision", "recall", "f1", "overlap"),
                IntStream.range(0, of.classes().size())
                        .mapToObj(c -> List.of(
                                Sheet.text(of.classes().get(c).name()),
                                of.classes().get(c).colour().toString(),
                                of.painted().get(c).toString(),
                                String.valueOf(confusion.examples(c)),
                                Sheet.number(confusion.precision(c)),
                                Sheet.number(confusion.recall(c)),
                                Sheet.number(confusion.f1(c)),
                                Sheet.number(confusion.overlap(c))))
                        .toList());
    }

    private static String confusion(Scores of) {
        List<String> head = new ArrayList<>(List.of("is_px"));
        of.classes().forEach(c -> head.add("called " + c.name()));
        return Sheet.whole(
                head.stream().map(Sheet::text).toList(),
                IntStream.range(0, of.classes().size())
                        .mapToObj(c -> {
                            List<String> row = new ArrayList<>(
                                    List.of(Sheet.text(of.classes().get(c).name())));
                            for (long count : of.confusion().counts()[c]) {
                                row.add(String.valueOf(count));
                            }
                            return List.copyOf(row);
                        })
                        .toList());
    }

    private static String importance(Scores of, Work work) {
        List<List<String>> rows = new ArrayList<>();
        of.byGroup().forEach(i -> rows.add(row("group", i)));
        of.byFeature(work).forEach(i -> rows.add(row("feature", i)));
        return Sheet.whole(List.of("of", "name", "f1_lost"), rows);
    }

    private static List<String> row(String of, Importance importance) {
        return List.of(of, Sheet.text(importance.name()), Sheet.number(importance.lost()));
    }
}
