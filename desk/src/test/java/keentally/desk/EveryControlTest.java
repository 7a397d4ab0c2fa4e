package keentally.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javafx.geometry.Orientation;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Labeled;
import javafx.scene.control.RadioButton;
import javafx.scene.control.Slider;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import keentally.core.method.MethodStep;
import keentally.core.step.StepDescription;
import keentally.core.step.Steps;
import keentally.desk.station.StationActions;
import keentally.study.document.Study;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * Walks every control of every station's panel and every choice of every list, as somebody does who tries them all: nothing may end in an
 * internal error, and nothing may be said in the words of files.
 */
class EveryControlTest {
    /** Opens a window of the system, which no test can answer. */
    private static final Set<String> LEFT_ALONE = Set.of("choose-reference", "station-remove", "station-trial");

    /** What files call things: camel case, ids in quotes, places for numbers, doubled quotes, classes. */
    private static final Pattern FILE_WORDS = Pattern.compile(
            "\\b[a-z]+[A-Z][a-z]+\\b|'[a-z][A-Za-z-]+'|\\{\\d}|''|\\b(java|keentally)\\.|Exception|\\[[a-z]+]| \\([a-z]+(-[a-z]+)+\\) |\\d (um2?|px2)\\b");

    /** Words of people that look like those of files. */
    private static final Set<String> PEOPLES = Set.of("µmPx");

    private static final List<String> TYPED = List.of("much", "", "-3", "7");

    @TempDir
    private Path folder;

    private DeskDriver desk;
    private final List<String> said = new ArrayList<>();

    @AfterEach
    void close() {
        if (desk != null) {
            desk.close();
        }
    }

    @Test
    void everyControlOfTheDemoMethods() throws Exception {
        desk = DeskDriver.wholeDemo(folder);
        listen();
        List<String> samples = desk.onFx(() -> desk.model().study().get().samples());
        for (String sample : samples) {
            desk.show(sample, "");
            List<String> stations = desk.onFx(() ->
                    desk.model().method().steps().stream().map(MethodStep::id).toList());
            for (String station : stations) {
                walk(sample, station);
            }
        }
        assertThat(said).isEmpty();
    }

    /** Every kind of station there is, behind a picture in grey and behind one in colour, wherever the order lets it stand. */
    @Test
    void everyControlOfEveryStep() throws Exception {
        for (String sample : List.of("Crust chart", "Dyed dough")) {
            desk = DeskDriver.demo(folder.resolve(sample), sample, "");
            listen();
            for (StepDescription step : Steps.all()) {
                Study before = study();
                String id = desk.onFx(() -> {
                    desk.model().station().set(lastThatAllows(step));
                    desk.model().say("");
                    new StationActions(desk.model()).add(step);
                    return desk.model().station().get();
                });
                desk.settle();
                if (id.startsWith(step.id())) {
                    walk("s1", id);
                }
                backTo(before);
            }
            desk.close();
        }
        desk = null;
        assertThat(said).isEmpty();
    }

    private String lastThatAllows(StepDescription step) {
        List<MethodStep> steps = desk.model().method().steps();
        return steps.stream()
                .filter(s -> s.description().gives() == step.needs())
                .reduce((a, b) -> b)
                .map(MethodStep::id)
                .orElse("");
    }

    private void listen() {
        desk.onFx(() -> {
            desk.model().message().addListener((o, was, is) -> check("message", is));
            return null;
        });
    }

    private void check(String where, String text) {
        Matcher found = FILE_WORDS.matcher(text);
        if (found.find() && !PEOPLES.contains(found.group())) {
            said.add(where + ": " + text);
        }
    }

    private void walk(String sample, String station) {
        Study before = study();
        for (String id : controls(sample, station)) {
            touch(sample, station, id);
        }
        backTo(before);
    }

    private Study study() {
        return desk.onFx(() -> desk.model().study().get());
    }

    /** Undoes everything since a study was as it was; that must be possible. */
    private void backTo(Study before) {
        desk.onFx(() -> {
            while (!desk.model().study().get().equals(before)
                    && desk.model().undoable().isPresent()) {
                desk.model().undo();
            }
            return null;
        });
        desk.settle();
        assertThat(study()).isEqualTo(before);
    }

    /** The ids of the controls that stand in a panel now. */
    private Set<String> controls(String sample, String station) {
        return desk.onFx(() -> {
            if (!desk.model().sampleId().get().equals(sample)) {
                desk.model().show(sample);
            }
            desk.model().station().set(station);
            Set<String> ids = new LinkedHashSet<>();
            collect(desk.node("station-panel"), ids);
            return ids;
        });
    }

    private static void collect(Node node, Set<String> ids) {
        boolean control = node instanceof ComboBox<?>
                || node instanceof CheckBox
                || node instanceof ToggleButton
                || node instanceof Button
                || node instanceof Slider
                || node instanceof TextField;
        if (control && node.getId() != null && !LEFT_ALONE.contains(node.getId())) {
            ids.add(node.getId());
        } else if (node instanceof Parent parent) {
            parent.getChildrenUnmodifiable().forEach(child -> collect(child, ids));
        }
    }

    /** Everything that can be done with a control, one after another; a control that a change took away or hid is left. */
    private void touch(String sample, String station, String id) {
        int ways = desk.onFx(() -> switch (find(id)) {
            case ComboBox<?> box -> box.isEditable() ? 0 : box.getItems().size();
            case TextField field -> TYPED.size();
            case Slider slider -> 3;
            case RadioButton radio -> 1;
            case ToggleButton toggle -> 1;
            case CheckBox box -> 2;
            case Button button -> 1;
            case null, default -> 0;
        });
        for (int way = 0; way < ways; way++) {
            int which = way;
            desk.onFx(() -> {
                if (desk.model().method().step(station).isPresent()) {
                    desk.model().station().set(station);
                }
                if (find(id) != null && find(id).isVisible() && !find(id).isDisabled()) {
                    does(find(id), which);
                }
                return null;
            });
            desk.settle();
            look(sample + " " + station + " " + id + " " + way);
        }
    }

    private Node find(String id) {
        return desk.node("station-panel").lookup("#" + id);
    }

    private static void does(Node node, int way) {
        switch (node) {
            case ComboBox<?> box -> box.getSelectionModel().select(way);
            case TextField field -> {
                field.setText(TYPED.get(way));
                field.getOnAction().handle(null);
            }
            case Slider slider -> {
                assertThat(slider.getOrientation()).isEqualTo(Orientation.HORIZONTAL);
                slider.setValue(slider.getMin() + way / 2.0 * (slider.getMax() - slider.getMin()));
            }
            case CheckBox box -> box.fire();
            case ToggleButton toggle -> toggle.fire();
            case Button button -> button.fire();
            default -> throw new AssertionError(node.toString());
        }
    }

    /** Reads what the panel says now. */
    private void look(String where) {
        desk.onFx(() -> {
            desk.node("station-panel").lookupAll(".label").forEach(n -> check(where, ((Labeled) n).getText()));
            desk.node("method-line").lookupAll(".label").forEach(n -> check(where, ((Labeled) n).getText()));
            return null;
        });
    }
}
