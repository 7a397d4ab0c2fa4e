package keentally.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.DialogPane;
import javafx.scene.control.Label;
import javafx.scene.control.Labeled;
import javafx.scene.control.MenuButton;
import javafx.scene.control.RadioButton;
import javafx.scene.control.Slider;
import javafx.scene.input.KeyCode;
import keentally.core.picture.Plane8;
import keentally.desk.look.Theme;
import keentally.desk.model.PagesFile;
import keentally.study.document.SlideLabel;
import keentally.study.document.Thing.SampleThing;
import keentally.study.picture.PictureWriter;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The small windows that ask something: answered, answered wrongly, and left. */
class DialogsWindowTest {
    @TempDir
    private Path folder;

    private DeskDriver desk;

    @BeforeEach
    void start() throws Exception {
        desk = DeskDriver.smallDemo(folder, "Flour dispersion");
    }

    @AfterEach
    void close() {
        desk.close();
    }

    private SampleThing sample(String id) {
        return desk.onFx(() -> desk.model().study().get().sample(id).orElseThrow());
    }

    private String complaint() {
        Label label = (Label) asked().lookup("#ask-complaint");
        return desk.onFx(() -> label.isVisible() ? label.getText() : "");
    }

    private DialogPane asked() {
        return desk.asked().orElseThrow(() -> new AssertionError("nothing asks"));
    }

    private void tick(String id, boolean ticked) {
        CheckBox box = (CheckBox) asked().lookup("#tick-" + id);
        desk.onFx(() -> {
            box.setSelected(ticked);
            return null;
        });
    }

    @Test
    void aLabelIsWrittenAndANumberWithoutSenseLosesNothing() {
        desk.command("label");
        desk.fill("label-name", "Batch 7");
        desk.fill("label-note", "after drying");
        desk.fill("label-amount", "much");
        desk.answer(true);
        assertThat(desk.asked()).as("it still asks").isPresent();
        assertThat(complaint()).contains("much").startsWith("This is not taken: ");
        assertThat(sample("s1").name()).isEqualTo("Flour dispersion");
        desk.fill("label-amount", "30 min");
        desk.answer(true);
        assertThat(desk.asked()).isEmpty();
        SlideLabel label = sample("s1").label();
        assertThat(label.name()).isEqualTo("Batch 7");
        assertThat(label.note()).isEqualTo("after drying");
        assertThat(label.amount().map(Object::toString)).contains("30 min");
        desk.command("label");
        desk.fill("label-name", "left");
        desk.answer(false);
        assertThat(sample("s1").name()).isEqualTo("Batch 7");
    }

    @Test
    void aLabelWithoutANameIsNotTaken() {
        desk.command("label");
        desk.fill("label-name", "  ");
        desk.answer(true);
        assertThat(complaint()).isNotEmpty();
        desk.answer(false);
        assertThat(sample("s1").name()).isEqualTo("Flour dispersion");
    }

    @Test
    void samplesAreJoinedOnceThereAreTwo() throws Exception {
        Path other = folder.resolve("other.png");
        PictureWriter.png(other, Plane8.of(6, 4, new byte[24]));
        desk.open(other);
        desk.command("join");
        desk.answer(true);
        assertThat(complaint()).isEqualTo("This is not taken: two or more samples are needed.");
        tick("s1", true);
        desk.answer(true);
        assertThat(complaint()).isEqualTo("This is not taken: two or more samples are needed.");
        tick("s2", true);
        desk.answer(true);
        assertThat(desk.asked()).isEmpty();
        assertThat(sample("s3").picture().isComposed()).isTrue();
        assertThat(desk.text("message")).contains("must be of one size");
    }

    @Test
    void theScaleIsGivenToThoseThatAreTicked() throws Exception {
        for (int i = 0; i < 2; i++) {
            Path other = folder.resolve("other" + i + ".png");
            PictureWriter.png(other, Plane8.of(6, 4, new byte[24]));
            desk.open(other);
        }
        desk.show("s1", "");
        desk.click("section-scale");
        desk.fire("scale-give");
        CheckBox second = (CheckBox) asked().lookup("#tick-s2");
        assertThat(second.isSelected()).as("of another size").isFalse();
        assertThat(second.getText()).contains("6 × 4");
        tick("s3", true);
        desk.answer(true);
        assertThat(sample("s3").scale()).isEqualTo(sample("s1").scale());
        assertThat(sample("s2").scale()).isEmpty();
        assertThat(desk.onFx(() -> desk.model().undoable())).contains("give the scale to 1 samples");
    }

    /** A second way to do it, for two samples; one of them departs again, and what nobody uses is taken out. */
    @Test
    void methodsAreMadeNamedSharedAndTakenOut() throws Exception {
        Path other = folder.resolve("other.png");
        PictureWriter.png(other, Plane8.of(6, 4, new byte[24]));
        desk.open(other);
        desk.show("s1", "");
        desk.click("section-facts");
        assertThat(desk.text("method-users")).isEqualTo("Used on 2 samples; a change here is a change to all of them.");
        desk.fire("method-copy");
        assertThat(desk.text("method-users")).isEqualTo("Used on this sample alone.");
        assertThat(used("s1")).isNotEqualTo(used("s2"));
        desk.command("method-rename");
        desk.fill("method-name", "Finer");
        desk.answer(true);
        assertThat(desk.onFx(() -> desk.model().method().name())).isEqualTo("Finer");
        desk.command("method-assign");
        assertThat(words()).anyMatch(t -> t.contains("Ticked samples use Finer"));
        tick("s2", true);
        desk.answer(true);
        assertThat(used("s2")).isEqualTo(used("s1"));
        desk.show("s1", "threshold-1");
        assertThat(desk.text("only-here")).isEqualTo("Only this of 2 samples");
        desk.fire("method-own");
        assertThat(used("s1")).isNotEqualTo(used("s2"));
        assertThat(desk.has("only-here")).isFalse();
        desk.command("method-remove");
        desk.answer(true);
        assertThat(desk.onFx(() -> desk.model().study().get().methods()))
                .containsExactlyInAnyOrder(used("s1"), used("s2"));
        desk.command("method-remove");
        assertThat(desk.asked()).isEmpty();
        assertThat(desk.text("message")).isEqualTo("Every method is used on a sample.");
    }

    private String used(String id) {
        return sample(id).method();
    }

    /** A column is built up by trying: a formula that is not taken stays to be mended. */
    @Test
    void aColumnsFormulaIsMendedWhereItStands() {
        desk.click("view-objects");
        ask("own-new");
        desk.fill("own-name", "slimness");
        desk.fill("own-formula", "feret-max / ");
        assertThat(((Labeled) asked().lookup("#own-says")).getText()).startsWith("This is not taken");
        desk.answer(true);
        assertThat(desk.asked()).isPresent();
        desk.fill("own-formula", "feret-max + area");
        desk.answer(true);
        assertThat(complaint()).isNotEmpty();
        desk.fill("own-formula", "feret-max / feret-min");
        assertThat(((Labeled) asked().lookup("#own-says")).getText()).isEqualTo("A plain number, without a unit.");
        desk.answer(true);
        assertThat(desk.asked()).isEmpty();
        assertThat(desk.onFx(() -> desk.model().method().own()))
                .extracting(o -> o.name())
                .containsExactly("slimness");
        ask("own-new");
        desk.fill("own-name", "slimness");
        desk.fill("own-formula", "area");
        desk.answer(true);
        assertThat(complaint()).isEqualTo("This is not taken: there are two columns called slimness.");
        desk.answer(false);
        ask("own-slimness");
        desk.fill("own-formula", "");
        desk.answer(true);
        assertThat(desk.onFx(() -> desk.model().method().own())).isEmpty();
    }

    private void ask(String item) {
        MenuButton columns = (MenuButton) desk.node("columns");
        desk.later(() -> {
            columns.show();
            columns.hide();
            MenuWalk.leaves(columns.getItems()).stream()
                    .filter(i -> item.equals(i.getId()))
                    .findFirst()
                    .orElseThrow()
                    .fire();
        });
    }

    @Test
    void preferencesHoldAtOnceAndAtTheNextStart() throws IOException {
        desk.command("preferences");
        desk.onFx(() -> {
            @SuppressWarnings("unchecked") // the themes' own box
            ComboBox<Theme> theme = (ComboBox<Theme>) asked().lookup("#preferences-theme");
            theme.setValue(Theme.DARK);
            ((Slider) asked().lookup("#preferences-memory")).setValue(40);
            return null;
        });
        desk.answer(true);
        assertThat(desk.onFx(() -> desk.node("desk").getScene().getStylesheets()))
                .anyMatch(s -> s.endsWith("night.css"));
        assertThat(Files.readString(folder.resolve("memory-percent")).strip()).isEqualTo("40");
        assertThat(Files.readString(folder.resolve("desk.json"))).contains("\"dark\"");
        desk.command("preferences");
        desk.answer(false);
        assertThat(Files.readString(folder.resolve("memory-percent")).strip()).isEqualTo("40");
    }

    @Test
    void keptSheetsAreSeenSavedAndTakenOut() {
        desk.command("sheets");
        assertThat(words()).anyMatch(t -> t.startsWith("None yet."));
        desk.answer(false);
        desk.show("s1", "threshold-1");
        desk.click("station-trial");
        desk.click("trial-keep");
        desk.click("trial-close");
        String id = desk.onFx(
                () -> desk.model().study().get().sheets().keySet().iterator().next());
        desk.command("sheets");
        assertThat(words()).anyMatch(t -> t.startsWith("Flour dispersion · Threshold"));
        Path png = folder.resolve("kept.png");
        desk.saveTo(png);
        press("sheet-save-" + id);
        assertThat(png).isRegularFile();
        assertThat(folder.resolve("kept.csv")).isRegularFile();
        press("sheet-remove-" + id);
        assertThat(words()).anyMatch(t -> t.startsWith("None yet."));
        desk.answer(false);
        assertThat(desk.onFx(() -> desk.model().study().get().sheets())).isEmpty();
        desk.keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(desk.onFx(() -> desk.model().study().get().sheets())).containsOnlyKeys(id);
    }

    private void press(String id) {
        desk.later(() -> ((Button) asked().lookup("#" + id)).fire());
    }

    private List<String> words() {
        return desk.onFx(() -> asked().lookupAll(".label").stream()
                .map(n -> ((Labeled) n).getText())
                .toList());
    }

    @Test
    void keysAndProgramTellAboutThemselves() {
        desk.command("keys");
        assertThat(words()).anyMatch(t -> t.contains("Space"));
        desk.answer(false);
        desk.command("about");
        assertThat(words()).anyMatch(t -> t.contains("Keen Tally"));
        desk.answer(false);
        assertThat(desk.asked()).isEmpty();
    }

    /** A picture of several pages asks what its pages are; left without an answer, nothing is added. */
    @Test
    void pagesAreAskedForAndLeavingAddsNothing() throws Exception {
        desk.open(PagesFile.write(folder.resolve("stack.tif"), 3));
        assertThat(words()).contains("stack.tif has 3 pages.");
        desk.answer(false);
        assertThat(samples()).containsExactly("s1");
        desk.open(folder.resolve("stack.tif"));
        desk.answer(true);
        assertThat(samples()).containsExactly("s1", "s2", "s3", "s4");
        assertThat(sample("s3").picture().first().page()).isEqualTo(2);
    }

    @Test
    void slicesOfOneBodyAreRefusedAndAskedAgain() throws Exception {
        desk.open(PagesFile.write(folder.resolve("stack.tif"), 2));
        desk.onFx(() -> {
            ((RadioButton) asked().lookup("#pages-slices")).fire();
            return null;
        });
        desk.answer(true);
        assertThat(words()).anyMatch(w -> w.contains("every number is of a flat picture"));
        assertThat(samples()).containsExactly("s1");
        desk.onFx(() -> {
            ((RadioButton) asked().lookup("#pages-apart")).fire();
            return null;
        });
        desk.answer(true);
        assertThat(samples()).containsExactly("s1", "s2", "s3");
    }

    @Test
    void channelsNeedNamesOfTheirOwn() throws Exception {
        desk.open(PagesFile.write(folder.resolve("stack.tif"), 2));
        desk.onFx(() -> {
            ((RadioButton) asked().lookup("#pages-channels")).fire();
            return null;
        });
        desk.fill("page-name-1", "starch");
        desk.fill("page-name-2", "starch");
        desk.answer(true);
        assertThat(complaint()).contains("different names");
        assertThat(samples()).containsExactly("s1");
        desk.fill("page-name-2", "");
        desk.answer(true);
        assertThat(desk.asked()).isPresent();
        desk.fill("page-name-2", "protein");
        desk.answer(true);
        assertThat(samples()).containsExactly("s1", "s2");
        assertThat(sample("s2").picture().sources())
                .extracting(s -> s.channel())
                .containsExactly("starch", "protein");
    }

    private List<String> samples() {
        return desk.onFx(() -> desk.model().study().get().samples());
    }
}
