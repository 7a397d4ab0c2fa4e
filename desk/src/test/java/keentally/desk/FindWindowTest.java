package keentally.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import java.util.ResourceBundle;
import javafx.scene.control.ComboBox;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import keentally.core.measure.Measure;
import keentally.desk.find.Commands.Command;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What somebody types who calls things otherwise, and where it leads. */
class FindWindowTest {
    @TempDir
    private Path folder;

    private DeskDriver desk;

    @BeforeEach
    void start() throws Exception {
        desk = DeskDriver.smallDemo(folder);
    }

    @AfterEach
    void close() {
        desk.close();
    }

    private List<Command> found(String typed) {
        return desk.onFx(() -> {
            TextField field = (TextField) desk.inPopup("find-typed");
            ListView<?> list = (ListView<?>) desk.inPopup("find-list");
            field.setText(typed);
            return list.getItems().stream().map(c -> (Command) c).toList();
        });
    }

    private void leads(String typed, String id) {
        List<Command> found = found(typed);
        assertThat(found.stream().limit(4).map(Command::id)).as(typed).contains(id);
    }

    @Test
    void theWordsOfTheTradeLeadToTheirPlaces() {
        desk.keys(KeyCode.CONTROL, KeyCode.F);
        leads("watershed", "add-split-touching");
        leads("watershed", "add-grow-regions");
        leads("segment", "add-threshold");
        leads("deconvolution", "add-unmix-dyes");
        leads("connected components", "add-label");
        leads("centroid", "measure-x");
        leads("centroid", "mark-dots");
        leads("binary", "add-threshold");
        leads("particle", "add-split-touching");
        leads("porosity", "add-threshold");
        leads("crop", "field");
        leads("opening", "add-open");
        leads("blob", "add-label");
        leads("k-means", "add-cluster");
        leads("machine learning", "training");
        leads("convex hull", "add-hull");
        leads("roi", "field");
        leads("sauvola", "add-local-threshold");
        leads("batch", "series");
        leads("blur", "add-smooth");
        leads("calibrate", "scale");
        assertThat(found("xyzzy")).isEmpty();
    }

    /** No word list leads to what is not there. */
    @Test
    void everySynonymLeadsSomewhere() {
        desk.keys(KeyCode.CONTROL, KeyCode.F);
        ResourceBundle words = ResourceBundle.getBundle("keentally.desk.find");
        for (String id : words.keySet()) {
            for (String word : words.getString(id).split(" ")) {
                assertThat(found(word)).as(word).extracting(Command::id).contains(id);
            }
        }
    }

    @Test
    void settingsMeasuresCautionsAndHelpAreFoundWhereTheyAre() {
        desk.keys(KeyCode.CONTROL, KeyCode.F);
        Command rule = found("cut found setting").getFirst();
        assertThat(rule.title()).isEqualTo("Cut found by (Threshold, a setting)");
        desk.onFx(() -> {
            rule.does().run();
            return null;
        });
        desk.settle();
        assertThat(desk.model()
                        .method()
                        .step(desk.model().station().get())
                        .orElseThrow()
                        .description()
                        .id())
                .isEqualTo("threshold");
        desk.keys(KeyCode.CONTROL, KeyCode.F);
        found("solidity measure");
        desk.keys(KeyCode.ENTER);
        assertThat(desk.onFx(() -> ((ComboBox<?>) desk.node("distribution-measure")).getValue()))
                .isEqualTo(Measure.SOLIDITY);
        desk.keys(KeyCode.CONTROL, KeyCode.F);
        assertThat(found("touching caution").getFirst().id()).isEqualTo("caution-touching");
        desk.keys(KeyCode.ENTER);
        assertThat(desk.inPopup("help-page")).isNotNull();
    }
}
