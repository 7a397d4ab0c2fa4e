package keentally.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.Collections;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import javafx.scene.Node;
import javafx.scene.TraversalDirection;
import javafx.scene.control.TextArea;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Every view by keyboard alone, with a name on every control, and no text cut off. */
class AccessWindowTest {
    private static final List<String> VIEWS =
            List.of("bench", "training", "phases", "objects", "tally", "compare", "ledger", "report");

    /** What the menus and keys do as well, so that Tab need not stop there. */
    private static final Set<String> ALSO_BY_MENU =
            Set.of("overlay", "phases", "mark", "look", "ruler", "stage", "zoom");

    @TempDir
    private static Path folder;

    private static DeskDriver desk;

    @BeforeAll
    static void start() throws Exception {
        desk = DeskDriver.smallFew(folder);
    }

    @AfterAll
    static void close() {
        desk.close();
    }

    private Set<String> looked(String where, Node root) {
        Set<String> found = new TreeSet<>();
        desk.onFx(() -> {
            root.getScene().getRoot().applyCss();
            root.getScene().getRoot().layout();
            Reach.nameless(root).forEach(f -> found.add(where + ": " + f));
            Reach.cutOff(root).forEach(f -> found.add(where + ": " + f));
            Reach.blank(root).forEach(f -> found.add(where + ": " + f));
            return null;
        });
        return found;
    }

    /** Of views; the stations' panels are looked at by those who walk all of their controls. */
    @Test
    void everyControlHasANameAndNoTextIsCutOff() {
        Set<String> found = new TreeSet<>();
        for (String view : VIEWS) {
            desk.click("view-" + view);
            found.addAll(looked(view, desk.node("desk")));
        }
        desk.click("view-bench");
        for (String section : List.of("facts", "scale", "field", "histogram")) {
            desk.show("s1", "");
            desk.click("section-" + section);
            found.addAll(looked(section, desk.node("station-panel")));
        }
        assertThat(found).isEmpty();
    }

    @Test
    void tabStopsAtEveryControlOfEveryView() {
        for (String view : VIEWS) {
            desk.click("view-" + view);
            Set<String> there = desk.onFx(() -> {
                Set<String> ids = new TreeSet<>();
                for (Node control : Reach.controls(desk.node("desk"))) {
                    boolean byMenu = control.getId() != null
                            && !control.isFocusTraversable()
                            && ALSO_BY_MENU.stream().anyMatch(control.getId()::startsWith);
                    boolean byArrows = control instanceof ToggleButton toggle
                            && toggle.getToggleGroup() != null
                            && toggle.getToggleGroup().getSelectedToggle() != toggle;
                    if (control.getId() != null && !control.isDisabled() && !byMenu && !byArrows) {
                        ids.add(control.getId());
                    }
                }
                return ids;
            });
            there.removeAll(stops());
            assertThat(there).as("what Tab leaves out of the view " + view).isEmpty();
        }
    }

    /** Where Tab goes, once round; the key itself is pressed only where a text may keep it. */
    private Set<String> stops() {
        desk.focusStage();
        Set<String> stops = new HashSet<>();
        Set<Node> seen = Collections.newSetFromMap(new IdentityHashMap<>());
        while (!desk.onFx(() -> goOn(stops, seen)).equals(seen.size())) {
            desk.keys(KeyCode.TAB);
        }
        return stops;
    }

    /** Goes on as Tab does until a text or a node that was seen; answers with how many were seen where it is done, else less. */
    private int goOn(Set<String> stops, Set<Node> seen) {
        Node owner = desk.node("desk").getScene().getFocusOwner();
        while (seen.add(owner)) {
            for (Node at = owner; at != null; at = at.getParent()) {
                if (at.getId() != null) {
                    stops.add(at.getId());
                }
            }
            if (owner instanceof TextArea) {
                return -1;
            }
            owner.requestFocusTraversal(TraversalDirection.NEXT);
            owner = owner.getScene().getFocusOwner();
        }
        return seen.size();
    }
}
