package keentally.desk.kill;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.SplittableRandom;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import keentally.core.picture.Plane8;
import keentally.study.document.Journal;
import keentally.study.document.Study;
import keentally.study.file.FileFault;
import keentally.study.picture.PictureWriter;
import keentally.study.store.StudyFile;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * Kills the working desk, a real process, at random moments, again and again on the same study: it always opens with everything
 * that had been shown as kept, and undo goes on. {@code -Dkeentally.kills=200} kills more often.
 */
class KilledDeskTest {
    private static final int KILLS = Integer.getInteger("keentally.kills", 5);
    private static final int LONGEST_LIFE_MS = 1500;
    private static final int LINE = "done ".length() + 64;

    @TempDir
    private Path folder;

    @Test
    void whatWasShownAsKeptIsThereHoweverTheProcessEnds() throws Exception {
        Path study = folder.resolve("killed.tally");
        Path picture = folder.resolve("a.png");
        PictureWriter.png(picture, Plane8.of(8, 4, new byte[32]));
        StudyFile.create(study, Study.empty(), StudyFile.Watch.SILENT).close();
        SplittableRandom random = new SplittableRandom(42);
        int kept = 0;
        for (int kill = 0; kill < KILLS; kill++) {
            List<String> lines = liveAndDie(study, picture, kill, random.nextInt(LONGEST_LIFE_MS));
            assertThat(lines).as("life %d", kill).isNotEmpty();
            kept += (int) lines.stream().filter(l -> l.startsWith("done ")).count();
            assertThat(lines).as("life %d", kill).allMatch(l -> l.startsWith("open ") || l.startsWith("done "));
            check(study, lines.getLast().substring(5), kill);
        }
        System.out.println(KILLS + " kills, " + kept + " actions shown as kept, none lost");
        assertThat(kept).isGreaterThan(KILLS);
    }

    private static List<String> liveAndDie(Path study, Path picture, int seed, int afterMs)
            throws IOException, InterruptedException {
        ProcessBuilder builder = new ProcessBuilder(Stream.of(
                        Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                        "--module-path",
                        Path.of("target/fx").toAbsolutePath().toString(),
                        "--add-modules",
                        "javafx.base",
                        "--enable-native-access=ALL-UNNAMED",
                        "-XX:TieredStopAtLevel=1",
                        "-Djava.awt.headless=true",
                        "-Dkeentally.home=" + System.getProperty("keentally.home"),
                        "-cp",
                        System.getProperty("java.class.path"),
                        RestlessPerson.class.getName(),
                        study.toString(),
                        picture.toString(),
                        String.valueOf(seed))
                .toList());
        Path said = study.resolveSibling("said-" + seed + ".txt");
        builder.redirectError(ProcessBuilder.Redirect.DISCARD).redirectOutput(said.toFile());
        Process process = builder.start();
        while (process.isAlive() && Files.size(said) == 0) {
            process.waitFor(5, TimeUnit.MILLISECONDS);
        }
        process.waitFor(afterMs, TimeUnit.MILLISECONDS);
        process.destroyForcibly().waitFor();
        List<String> lines = Files.readAllLines(said);
        // the last line may have been cut by the kill
        return lines.stream().filter(l -> l.length() == LINE).toList();
    }

    /** At most one action was under way: the study is as last shown, or that one action further. */
    private static void check(Path study, String shown, int kill) throws FileFault {
        try (StudyFile file = StudyFile.open(study, StudyFile.Watch.SILENT)) {
            assertThat(file.remark()).as("life %d", kill).isEmpty();
            assertThat(file.isReadOnly()).isFalse();
            boolean there = RestlessPerson.digest(file.history().study()).equals(shown)
                    || oneMoveAway(file.history(), shown, true)
                    || oneMoveAway(file.history(), shown, false);
            assertThat(there)
                    .as("life %d: the study holds what was shown as kept", kill)
                    .isTrue();
        }
    }

    private static boolean oneMoveAway(Journal.History history, String shown, boolean back) {
        Journal journal = new Journal(history, commit -> {});
        boolean moved = back ? journal.undo() : journal.redo();
        return moved && RestlessPerson.digest(journal.study()).equals(shown);
    }
}
