package keentally.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import javafx.scene.input.KeyCode;
import keentally.core.reader.Language;
import keentally.core.reader.Reader;
import keentally.samples.DemoFiles;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Takes the pictures of the guide: each question asked of a demo picture as if it were one's own. Run by {@code build/screenshots}. */
class GuideTour {
    private static final Path GUIDE = Path.of("../docs/guide");

    /** The demo's picture that each question is asked of. */
    private static final Map<String, String> ASKED = Map.of(
            "how-many", "Starch granules",
            "how-big", "Flour dispersion",
            "per-area", "Starch granules",
            "dark", "Crumb section",
            "bright", "Flour dispersion",
            "colour", "Grain tray",
            "shades", "Crust chart",
            "dyes", "Dyed dough");

    @TempDir
    private Path home;

    @Test
    void eachQuestionAnswered() throws Exception {
        for (Map.Entry<String, String> asked : ASKED.entrySet()) {
            Path folder = Files.createDirectories(home.resolve(asked.getKey()));
            DemoFiles.Entry entry = DeskDriver.drawn().stream()
                    .filter(d -> d.title().equals(asked.getValue()))
                    .findFirst()
                    .orElseThrow();
            try (DeskDriver desk = DeskDriver.start(folder)) {
                desk.open(entry.picture().first().file());
                desk.quiet();
                desk.settleBeside();
                if (asked.getKey().equals("how-many")) {
                    desk.shoot(GUIDE.resolve("questions.png"));
                }
                System.out.println(asked + ": " + desk.text("starter-" + asked.getKey() + "-number") + ", "
                        + desk.text("starter-" + asked.getKey() + "-range"));
                desk.fire("starter-" + asked.getKey());
                desk.settleBeside();
                desk.shoot(GUIDE.resolve(asked.getKey() + ".png"));
            }
        }
        assertThat(GUIDE.resolve("how-many.png")).exists();
    }

    @Test
    void inTheOtherLanguage() throws Exception {
        Reader.is(Language.GERMAN, true);
        try (DeskDriver desk = DeskDriver.demo(home.resolve("german"), "Crumb section", "threshold-1")) {
            desk.keys(KeyCode.F1);
            desk.shoot(GUIDE.resolve("deutsch.png"));
        } finally {
            Reader.is(Language.ENGLISH, false);
        }
    }
}
