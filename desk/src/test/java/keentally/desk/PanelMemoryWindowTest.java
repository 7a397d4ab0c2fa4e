package keentally.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.lang.ref.WeakReference;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import javafx.scene.Node;
import javafx.scene.layout.VBox;
import keentally.core.step.StepDescription;
import keentally.core.step.Steps;
import keentally.desk.picture.PictureModel.Section;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A panel is made anew at every changed setting; those before must be let go of, whatever they listened to. */
class PanelMemoryWindowTest {
    private static final int PATIENCE = 40;

    @TempDir
    private Path folder;

    @Test
    void panelsThatAreGoneAreForgotten() throws Exception {
        Map<String, WeakReference<Node>> panels = new LinkedHashMap<>();
        try (DeskDriver desk = DeskDriver.smallDemo(folder, "Dyed dough")) {
            for (StepDescription step : Steps.all()) {
                if (desk.add(step).startsWith(step.id())) {
                    note(desk, step.id(), panels);
                    desk.onFx(() -> {
                        desk.model().undo();
                        return null;
                    });
                }
            }
            for (Section section : Section.values()) {
                desk.onFx(() -> {
                    desk.model().station().set("");
                    return null;
                });
                desk.click("section-" + section.name().toLowerCase(Locale.ROOT));
                note(desk, section.name(), panels);
            }
            desk.click("card-1");
            desk.focusStage();
            desk.glance();
            desk.quiet();
            for (int i = 0; i < PATIENCE && !left(panels).isEmpty(); i++) {
                System.gc();
                desk.quiet();
            }
            assertThat(panels).hasSizeGreaterThan(20);
            assertThat(left(panels)).isEmpty();
        }
    }

    private static void note(DeskDriver desk, String name, Map<String, WeakReference<Node>> panels) {
        desk.onFx(() -> {
            for (Node child : ((VBox) desk.node("station-panel")).getChildren()) {
                if (child instanceof VBox panel) {
                    panels.put(name + " " + panel.getClass().getSimpleName(), new WeakReference<>(panel));
                }
            }
            return null;
        });
    }

    private static List<String> left(Map<String, WeakReference<Node>> panels) {
        return panels.entrySet().stream()
                .filter(p -> p.getValue().get() != null)
                .map(Map.Entry::getKey)
                .toList();
    }
}
