package keentally.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Labeled;
import javafx.scene.control.MenuBar;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageTypeSpecifier;
import javax.imageio.ImageWriter;
import javax.imageio.metadata.IIOMetadata;
import javax.imageio.metadata.IIOMetadataNode;
import javax.imageio.stream.ImageOutputStream;
import keentally.core.reader.Language;
import keentally.core.reader.Reader;
import keentally.core.step.StepDescription;
import keentally.core.step.Steps;
import keentally.desk.look.Tip;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The desk in another language than it was written in: no English is left standing, and nothing is cut off, though its words are longer. */
class GermanWindowTest {
    private static final List<String> VIEWS =
            List.of("objects", "phases", "tally", "compare", "training", "ledger", "report");

    /** Words that every longer English sentence has one of, and that no German one has. */
    private static final Pattern ENGLISH = Pattern.compile(
            "\\b(the|of|and|with|from|is|are|not|which|to|for|by|that|this|it|no|has|have|its|on|or|here|there)\\b");

    /** What is typed for files: formulas, rules, ids, and what the licences say. */
    private static final Pattern TYPED = Pattern.compile(" (from|of|to) [^ ]|[<>/]|English");

    @TempDir
    private Path folder;

    private final Set<String> found = new TreeSet<>();
    private DeskDriver desk;

    @BeforeEach
    void german() {
        Reader.is(Language.GERMAN, true);
    }

    @AfterEach
    void english() {
        desk.close();
        Reader.is(Language.ENGLISH, false);
    }

    private void look(String where) {
        desk.quiet();
        desk.onFx(() -> {
            Node root = desk.node("desk");
            root.applyCss();
            ((Parent) root).layout();
            read(where, root);
            Reach.cutOff(root).forEach(f -> found.add(where + ": " + f));
            Reach.blank(root).forEach(f -> found.add(where + ": " + f));
            return null;
        });
        if (System.getProperty("shots") != null) {
            desk.shoot(Path.of(System.getProperty("shots")).resolve(where + ".png"));
        }
    }

    private void read(String where, Node node) {
        if (!node.isVisible()) {
            return;
        }
        switch (node) {
            case MenuBar bar -> bar.getMenus().forEach(m -> m.getItems().forEach(i -> menu(where, i)));
            case ComboBox<?> box -> check(where, String.valueOf(box.getPromptText()));
            case TextInputControl field -> check(where, field.getPromptText());
            case Labeled label -> check(where, label.getText());
            default -> {}
        }
        check(where, Tip.of(node));
        if (node.getAccessibleText() != null && !node.getStyleClass().contains("chart-line-symbol")) {
            check(where, node.getAccessibleText());
        }
        if (node instanceof Parent parent) {
            parent.getChildrenUnmodifiable().forEach(child -> read(where, child));
        }
    }

    private void menu(String where, MenuItem item) {
        check(where, item.getText());
    }

    private void check(String where, String text) {
        if (text != null
                && ENGLISH.matcher(text.toLowerCase(Locale.ROOT)).find()
                && !TYPED.matcher(text).find()) {
            found.add(where + ": " + text);
        }
    }

    @Test
    void whereAStudyBegins() throws Exception {
        desk = DeskDriver.start(folder);
        look("welcome");
        desk.open(DeskDriver.drawn().getFirst().picture().first().file());
        desk.settleBeside();
        look("starters");
        assertThat(found).isEmpty();
        assertThat(desk.model().method().name()).isEqualTo("Methode ohne Namen");
        assertThat(Stream.of("how-many", "how-big", "per-area")
                        .map(id -> desk.node("starter-" + id).getLayoutY())
                        .distinct())
                .as("three questions side by side, with the wider rail too")
                .hasSize(1);
    }

    /** What a file states and how it was read come from where there is no screen. */
    @Test
    void whatIsToldOfAFile() throws Exception {
        desk = DeskDriver.start(folder);
        desk.open(printed(folder.resolve("printed.png")));
        desk.click("starter-close");
        look("facts");
        assertThat(desk.text("fact-stated")).isEqualTo("84,67 µm/px (ihre Druckauflösung)");
        desk.click("section-scale");
        look("scale");
        desk.click("scale-take-stated");
        look("scale-taken");
        assertThat(found).isEmpty();
    }

    /** Half transparent, to be printed at 300 pixels an inch. */
    private static Path printed(Path file) throws IOException {
        BufferedImage picture = new BufferedImage(60, 40, BufferedImage.TYPE_INT_ARGB);
        picture.createGraphics().fillRect(0, 0, 30, 40);
        ImageWriter writer = ImageIO.getImageWritersByFormatName("png").next();
        IIOMetadata metadata = writer.getDefaultImageMetadata(new ImageTypeSpecifier(picture), null);
        IIOMetadataNode size = new IIOMetadataNode("pHYs");
        size.setAttribute("pixelsPerUnitXAxis", "11811");
        size.setAttribute("pixelsPerUnitYAxis", "11811");
        size.setAttribute("unitSpecifier", "meter");
        IIOMetadataNode root = new IIOMetadataNode(metadata.getNativeMetadataFormatName());
        root.appendChild(size);
        metadata.mergeTree(root.getNodeName(), root);
        try (ImageOutputStream out = ImageIO.createImageOutputStream(file.toFile())) {
            writer.setOutput(out);
            writer.write(new IIOImage(picture, List.of(), metadata));
        }
        return file;
    }

    @Test
    void theBenchWithEveryStationOfAMethod() throws Exception {
        desk = DeskDriver.smallFew(folder);
        for (String section : List.of("facts", "scale", "field", "histogram")) {
            desk.show("s1", "");
            desk.click("section-" + section);
            look("picture-" + section);
        }
        List<String> stations = desk.onFx(
                () -> desk.model().method().steps().stream().map(s -> s.id()).toList());
        for (String station : stations) {
            desk.show("s1", station);
            look("bench-" + station);
        }
        desk.keys(KeyCode.F1);
        look("help");
        assertThat(found).isEmpty();
    }

    @Test
    void thePanelOfEveryStation() throws Exception {
        desk = DeskDriver.smallDemo(folder, "Dyed dough");
        for (StepDescription step : Steps.all()) {
            String id = desk.add(step);
            desk.quiet();
            desk.onFx(() -> {
                read(id, desk.node("station-panel"));
                Reach.cutOff(desk.node("station-panel")).forEach(f -> found.add(id + ": " + f));
                while (desk.model().undoable().isPresent()) {
                    desk.model().undo();
                }
                return null;
            });
        }
        assertThat(found).isEmpty();
    }

    @Test
    void aReachIsShownAndTakenWithAComma() throws Exception {
        desk = DeskDriver.smallDemo(folder, "Dyed dough");
        desk.add(Steps.find("similar-colour").orElseThrow());
        desk.quiet();
        desk.clickPicture(60, 60);
        desk.type("reach-0", "12,5");
        assertThat(desk.onFx(() -> ((TextInputControl) desk.node("reach-0")).getText()))
                .isEqualTo("12,5");
        assertThat(desk.onFx(() -> desk.model()
                        .method()
                        .step("similar-colour-1")
                        .orElseThrow()
                        .values()
                        .toString()))
                .contains("12.5");
    }

    @Test
    void everyView() throws Exception {
        desk = DeskDriver.smallFew(folder);
        for (String view : VIEWS) {
            desk.click("view-" + view);
            if (view.equals("training")) {
                desk.onFx(() -> {
                    desk.pair().open().set(false); // with three panels side by side names of samples are cut
                    return null;
                });
            }
            if (view.equals("ledger")) {
                desk.fire("ledger-run-all");
                desk.settleBeside();
            }
            if (view.equals("report")) {
                desk.settleBeside();
            }
            look(view);
        }
        assertThat(found).isEmpty();
    }

    @Test
    void startersAndTheirAnswers() throws Exception {
        desk = DeskDriver.demo(folder, "Starch granules", "");
        desk.starters();
        look("starters");
        assertThat(found).isEmpty();
    }
}
