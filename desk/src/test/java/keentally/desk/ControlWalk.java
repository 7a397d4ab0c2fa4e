package keentally.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javafx.application.Platform;
import javafx.collections.ListChangeListener;
import javafx.geometry.Orientation;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Labeled;
import javafx.scene.control.MenuBar;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.RadioButton;
import javafx.scene.control.Slider;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.stage.Window;
import keentally.study.document.Commit;
import keentally.study.document.Journal;
import keentally.study.document.Study;
import keentally.study.document.Thing;

/**
 * Walks every control of a part of the window and every choice of every list, as somebody does who tries them all: nothing may end in an
 * internal error, and nothing may be said in the words of files. Windows that ask something are read and left.
 */
final class ControlWalk implements AutoCloseable {
    /** Open a window of the system, which no test can answer, or leave the study or the view that is walked. */
    private static final Set<String> LEFT_ALONE = Set.of(
            "choose-reference",
            "station-remove",
            "station-trial",
            "trial-close",
            "trial-take",
            "take-cut-outs",
            "tally-import",
            "bring-choose",
            "markers-in",
            "markers-out",
            "classify-train",
            "training-try",
            "training-take",
            "training-bring",
            "menu-bring",
            "menu-take-cut-outs",
            "menu-study-new",
            "menu-study-open",
            "menu-study-keep",
            "menu-study-find",
            "menu-open",
            "menu-folder",
            "menu-method-open",
            "welcome-pictures",
            "welcome-folder",
            "welcome-study",
            "welcome-demo",
            "menu-quit");

    /** What files call things: camel case, ids in quotes, places for numbers, doubled quotes, classes. */
    private static final Pattern FILE_WORDS = Pattern.compile(
            "\\b[a-z]+[A-Z][a-z]+\\b|'[a-z][A-Za-z-]+'|\\{\\d}|''|\\b(java|keentally)\\.|\\b[A-Za-z]+Exception\\b|\\[[a-z]+]| \\([a-z]+(-[a-z]+)+\\) |\\d (um2?|px2)\\b");

    private static final Pattern ADDRESS = Pattern.compile("https?://\\S+");

    /** Words of people that look like those of files. */
    private static final Set<String> PEOPLES = Set.of("µmPx");

    private static final List<String> TYPED = List.of("much", "", "-3", "7");

    private final DeskDriver desk;
    private final List<String> said = new ArrayList<>();
    private final ListChangeListener<Window> asked = this::leave;
    private int touches;
    private String touched = "";

    ControlWalk(DeskDriver desk) {
        this.desk = desk;
        desk.onFx(() -> {
            Window.getWindows().addListener(asked);
            desk.model().message().addListener((o, was, is) -> check("message", is));
            return null;
        });
    }

    /** What was said in words that are not a person's. */
    List<String> said() {
        return said;
    }

    /** How often something was touched. */
    int touches() {
        return touches;
    }

    @Override
    public void close() {
        desk.onFx(() -> {
            Window.getWindows().removeListener(asked);
            return null;
        });
    }

    private void leave(ListChangeListener.Change<? extends Window> change) {
        while (change.next()) {
            for (Window window : change.getAddedSubList()) {
                Platform.runLater(() -> {
                    read("a window that asks", window.getScene().getRoot());
                    window.hide();
                });
            }
        }
    }

    /** What can be typed is told as it is typed, and addresses are what they are. */
    private void check(String where, String text) {
        if (text != null && text.contains("such as")) {
            return;
        }
        Matcher found =
                FILE_WORDS.matcher(ADDRESS.matcher(text == null ? "" : text).replaceAll(""));
        if (found.find() && !PEOPLES.contains(found.group())) {
            said.add(where + ": " + text);
        }
    }

    private Study study() {
        return desk.onFx(() -> desk.model().study().get());
    }

    /** Undoes everything since a study was as it was and looks elsewhere; that must be possible, also for what only now comes back from a job. */
    void backTo(Study before) {
        undoTo(before);
        Study now = study(); // read once: what only comes back after this is undone the next time
        if (!now.equals(before)) {
            desk.settleBeside();
            undoTo(before);
            now = study();
        }
        assertThat(differing(before, now))
                .as(
                        "things that differ after %s, redoable %s",
                        touched, desk.onFx(() -> desk.model().redoable()))
                .isEmpty();
    }

    private static List<String> differing(Study before, Study now) {
        Map<String, Thing> was = things(before);
        Map<String, Thing> is = things(now);
        Set<String> ids = new TreeSet<>(was.keySet());
        ids.addAll(is.keySet());
        return ids.stream()
                .filter(id -> !Objects.equals(was.get(id), is.get(id)))
                .map(id -> id + ": " + was.get(id) + " is now " + is.get(id))
                .toList();
    }

    private static Map<String, Thing> things(Study study) {
        Commit all = Journal.beginning(study);
        Map<String, Thing> things = new TreeMap<>();
        all.now().forEach((id, version) -> things.put(id, all.versions().get(version.orElseThrow())));
        return things;
    }

    private void undoTo(Study before) {
        if (study().equals(before)) {
            return;
        }
        desk.onFx(() -> {
            while (!desk.model().study().get().equals(before)
                    && desk.model().undoable().isPresent()) {
                desk.model().undo();
            }
            Study undone = desk.model().study().get();
            desk.node("desk").requestFocus();
            assertThat(desk.model().study().get())
                    .as("a field that is left after undo, %s", touched)
                    .isSameAs(undone);
            return null;
        });
        desk.settle();
    }

    /**
     * Touches all controls that stand in a node now.
     *
     * @param root the node's id
     * @param again puts the desk where the controls are, before each touch
     */
    void over(String where, String root, Runnable again) {
        Study before = study();
        for (String id : controls(root, again)) {
            touch(where, root, id, again, () -> {});
        }
        backTo(before);
    }

    /** As {@link #over}, with all undone after each touch. */
    void overOneByOne(String where, String root, Runnable again) {
        Study before = study();
        for (String id : controls(root, again)) {
            touch(where, root, id, again, () -> backTo(before));
        }
    }

    private Set<String> controls(String root, Runnable again) {
        return desk.onFx(() -> {
            again.run();
            Set<String> ids = new LinkedHashSet<>();
            collect(desk.node(root), ids);
            desk.node(root).applyCss();
            Reach.nameless(desk.node(root)).forEach(n -> said.add(root + ": " + n));
            Reach.cutOff(desk.node(root)).forEach(n -> said.add(root + ": " + n));
            Reach.blank(desk.node(root)).forEach(n -> said.add(root + ": " + n));
            return ids;
        });
    }

    private static void collect(Node node, Set<String> ids) {
        boolean control = node instanceof ComboBox<?>
                || node instanceof CheckBox
                || node instanceof ToggleButton
                || node instanceof Button
                || node instanceof MenuButton
                || node instanceof MenuBar
                || node instanceof Slider
                || node instanceof TextField;
        if (control && node.getId() != null && !LEFT_ALONE.contains(node.getId())) {
            ids.add(node.getId());
        } else if (node instanceof Parent parent) {
            parent.getChildrenUnmodifiable().forEach(child -> collect(child, ids));
        }
    }

    /** Everything that can be done with a control, one after another; a control that a change took away or hid is left. */
    private void touch(String where, String root, String id, Runnable again, Runnable then) {
        int ways = desk.onFx(() -> ways(find(root, id)));
        for (int way = 0; way < ways; way++) {
            int which = way;
            touches++;
            touched = where + " " + id + " " + way;
            desk.onFx(() -> {
                again.run();
                Node node = find(root, id);
                if (node != null && node.isVisible() && !node.isDisabled()) {
                    does(node, which);
                }
                return null;
            });
            desk.settle();
            String what = touched;
            desk.onFx(() -> {
                for (String part : List.of(root, "method-line")) {
                    if (desk.has(part)) {
                        read(what, desk.node(part));
                    }
                }
                return null;
            });
            then.run();
        }
    }

    private static int ways(Node node) {
        return switch (node) {
            case ComboBox<?> box -> box.isEditable() ? 0 : box.getItems().size();
            case TextField field -> TYPED.size();
            case Slider slider -> 3;
            case RadioButton radio -> 1;
            case ToggleButton toggle -> 1;
            case CheckBox box -> 2;
            case MenuButton menu -> MenuWalk.leaves(menu.getItems()).size();
            case MenuBar menu -> MenuWalk.leaves(menu.getMenus()).size();
            case Button button -> 1;
            case null, default -> 0;
        };
    }

    private Node find(String root, String id) {
        return desk.has(root) ? desk.node(root).lookup("#" + id) : null;
    }

    private static void does(Node node, int way) {
        switch (node) {
            case ComboBox<?> box -> box.getSelectionModel().select(way);
            case TextField field -> {
                field.requestFocus();
                field.setText(TYPED.get(way));
                if (field.getOnAction() != null) {
                    field.getOnAction().handle(null);
                }
            }
            case Slider slider -> {
                assertThat(slider.getOrientation()).isEqualTo(Orientation.HORIZONTAL);
                slider.setValue(slider.getMin() + way / 2.0 * (slider.getMax() - slider.getMin()));
            }
            case CheckBox box -> box.fire();
            case ToggleButton toggle -> toggle.fire();
            case MenuButton menu -> fire(MenuWalk.leaves(menu.getItems()), way);
            case MenuBar menu -> fire(MenuWalk.leaves(menu.getMenus()), way);
            case Button button -> button.fire();
            default -> throw new AssertionError(node.toString());
        }
    }

    /** The items may have become fewer. */
    private static void fire(List<MenuItem> items, int way) {
        if (way < items.size()
                && !items.get(way).isDisable()
                && (items.get(way).getId() == null
                        || !LEFT_ALONE.contains(items.get(way).getId()))) {
            items.get(way).fire();
        }
    }

    private void read(String where, Node node) {
        node.lookupAll(".label").forEach(n -> check(where, ((Labeled) n).getText()));
    }
}
