package keentally.desk.station;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.IntStream;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import keentally.core.geometry.Point;
import keentally.core.hand.Correction;
import keentally.core.hand.Corrections;
import keentally.core.hand.Mark;
import keentally.core.hand.Marks;
import keentally.core.hand.TallyClass;
import keentally.core.region.ObjectSet;
import keentally.core.run.Run;
import keentally.core.step.Findings;
import keentally.core.step.SortObjectsStep;
import keentally.core.words.Figures;
import keentally.desk.look.Pieces;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.desk.stage.EditTool;
import keentally.desk.stage.StageTool;
import keentally.study.run.SampleRun;

/** Objects sorted by examples: classes, which of them the mouse gives, how well it does, and the least certain ones, one after the other. */
final class SortObjectsPanel extends VBox implements StationPanel.Body {
    /** What outlives the panel, which is made anew when another station was selected. */
    static final class Memory {
        private final List<String> named = new ArrayList<>();
        private Object of;
        private String chosen = "";
        private int uncertain;

        /** Another study, method or station has classes of its own. */
        void turnTo(Object station) {
            if (!station.equals(of)) {
                of = station;
                named.clear();
                chosen = "";
                uncertain = 0;
            }
        }
    }

    private final DeskModel desk;
    private final Tuning tuning;
    private final Memory known;
    private final EditTool tool;
    private final FlowPane classes = new FlowPane(6, 6);
    private final TextField fresh = new TextField();
    private final Label told = Prose.of("", "figure-line");
    private final Button least = Pieces.button("sort-least", "sort-objects.least", this::least);
    private final DoneList list;

    SortObjectsPanel(DeskModel desk, String stepId, Memory known) {
        this.desk = desk;
        this.tuning = new Tuning(desk, stepId);
        this.known = known;
        known.turnTo(List.of(desk.holding().get(), desk.methodId(), stepId));
        this.tool = new EditTool(() -> EditTool.Mode.PICK, () -> 1, new ByMouse());
        this.list = new DoneList(
                "example", i -> examples().ifPresent(c -> tuning.keepHand(c.without(i), Texts.of("edit.did.remove"))));
        getStyleClass().add("fair-panel");
        told.setId("sort-told");
        fresh.setId("sort-new");
        fresh.setPromptText(Texts.of("sort-objects.new"));
        fresh.setOnAction(e -> name());
        HBox.setHgrow(fresh, Priority.ALWAYS);
        HBox naming = new HBox(6, fresh, Pieces.button("sort-add", "sort-objects.add", this::name));
        getChildren()
                .addAll(
                        Prose.of(Texts.of("sort-objects.hint"), "hint"),
                        classes,
                        naming,
                        told,
                        new FlowPane(
                                6,
                                6,
                                least,
                                Pieces.button("sort-from-tally", "sort-objects.from-tally", this::fromTally)),
                        Pieces.head("sort-objects.list"),
                        list,
                        new FairPanel(desk, stepId));
        refresh();
    }

    private Optional<Corrections> examples() {
        return tuning.hand().filter(Corrections.class::isInstance).map(Corrections.class::cast);
    }

    /** Those that objects were given, and those that were only named so far. */
    private List<String> names() {
        List<String> names = new ArrayList<>(examples().orElse(Corrections.NONE).list().stream()
                .filter(Correction.Sort.class::isInstance)
                .map(c -> ((Correction.Sort) c).as())
                .filter(n -> !n.isEmpty())
                .distinct()
                .toList());
        known.named.stream().filter(n -> !names.contains(n)).forEach(names::add);
        return names;
    }

    private void name() {
        String name = fresh.getText().strip();
        if (name.isEmpty()) {
            desk.say(Texts.of("sort-objects.name"));
            return;
        }
        if (!names().contains(name)) {
            known.named.add(name);
        }
        fresh.clear();
        give(name);
    }

    /** To the selected objects, and from here on to those that are clicked. */
    private void give(String name) {
        known.chosen = name;
        List<Point> on = chosen();
        if (on.isEmpty()) {
            refresh();
        } else {
            keep(on, name);
        }
    }

    private void keep(List<Point> on, String name) {
        tuning.keepHand(
                examples().orElse(Corrections.NONE).and(new Correction.Sort(on, name)),
                Texts.of("edit.did.sort", on.size(), name));
    }

    private Optional<ObjectSet> objects() {
        return desk.shown().get().flatMap(SampleRun::objects);
    }

    private List<Point> chosen() {
        return objects().stream()
                .flatMap(o -> desk.selection().get().stream()
                        .sorted()
                        .map(i -> o.regions().inside(i)))
                .toList();
    }

    /** Every mark of the one who counted most is an example of its class. */
    private void fromTally() {
        Map<String, Marks> tallies = desk.study().get().tallies(desk.sampleId().get());
        Optional<Marks> most = tallies.values().stream()
                .reduce((a, b) -> b.list().size() > a.list().size() ? b : a)
                .filter(m -> !m.list().isEmpty());
        if (most.isEmpty()) {
            desk.say(Texts.of("sort-objects.no-tally"));
            return;
        }
        Map<String, List<Point>> on = new LinkedHashMap<>();
        for (TallyClass kind : desk.study().get().classes()) {
            List<Point> places = most.get().list().stream()
                    .filter(m -> m.kind().equals(kind.id()))
                    .map(Mark::at)
                    .toList();
            if (!places.isEmpty()) {
                on.put(kind.name(), places);
            }
        }
        Corrections all = examples().orElse(Corrections.NONE);
        for (Map.Entry<String, List<Point>> one : on.entrySet()) {
            all = all.and(new Correction.Sort(one.getValue(), one.getKey()));
        }
        tuning.keepHand(
                all, Texts.of("sort-objects.did.tally", most.get().list().size()));
    }

    /** Selects the next of those that are least certain. */
    private void least() {
        List<List<Double>> places = findings().places(SortObjectsStep.LEAST_CERTAIN);
        Optional<ObjectSet> objects = objects();
        if (places.isEmpty() || objects.isEmpty()) {
            desk.say(Texts.of("sort-objects.none-uncertain"));
            return;
        }
        List<Double> at = places.get(known.uncertain % places.size());
        known.uncertain++;
        int region = objects.get().regions().at((int) Math.floor(at.get(0)), (int) Math.floor(at.get(1)));
        if (region >= 0) {
            desk.selection().set(Set.of(region));
            desk.say(Texts.of("sort-objects.certain", objects.get().classOf(region), Figures.percent(100 * at.get(2))));
        }
    }

    private Findings findings() {
        return desk.reached(tuning.id()).map(Run.Station::findings).orElse(Findings.NONE);
    }

    /** What the mouse did on the stage. */
    private final class ByMouse implements EditTool.Hand {
        @Override
        public void turned(Point at) {
            boolean on = objects()
                    .filter(o -> {
                        int region = o.regions().at((int) Math.floor(at.x()), (int) Math.floor(at.y()));
                        return region >= 0 && o.isKept(region);
                    })
                    .isPresent();
            if (known.chosen.isEmpty()) {
                desk.say(Texts.of("sort-objects.name"));
            } else if (!on) {
                desk.say(Texts.of("edit.nothing"));
            } else {
                keep(List.of(at), known.chosen);
            }
        }

        @Override
        public void drawn(EditTool.Mode mode, List<Point> path) {
            // nothing is drawn while objects are picked
        }

        @Override
        public boolean key(KeyEvent e) {
            String digit = e.getText();
            if (e.isShortcutDown() || e.isAltDown() || !digit.matches("[1-9]")) {
                return false;
            }
            List<String> names = names();
            int n = Integer.parseInt(digit);
            if (n <= names.size()) {
                give(names.get(n - 1));
            }
            return true;
        }
    }

    @Override
    public Optional<StageTool> tool() {
        return Optional.of(tool);
    }

    @Override
    public void refresh() {
        if (tuning.isStale()) {
            return;
        }
        List<String> names = names();
        if (known.chosen.isEmpty() && !names.isEmpty()) {
            known.chosen = names.getFirst();
        }
        classes.getChildren()
                .setAll(IntStream.range(0, names.size())
                        .mapToObj(i -> kind(i + 1, names.get(i)))
                        .toList());
        Findings findings = findings();
        OptionalDouble score = findings.find(SortObjectsStep.HELD_OUT);
        String said = Figures.number(findings.find(SortObjectsStep.SAID).orElse(0));
        told.setText(
                score.isPresent()
                        ? Texts.of("sort-objects.score", said, Figures.percent(score.getAsDouble()))
                        : Texts.of("sort-objects.no-score", said));
        least.setDisable(findings.places(SortObjectsStep.LEAST_CERTAIN).isEmpty());
        list.show(
                examples().orElse(Corrections.NONE).list().stream()
                        .map(c -> c instanceof Correction.Sort sort
                                ? Texts.of("edit.did.sort", sort.on().size(), sort.as())
                                : c.toString())
                        .toList(),
                findings.unfit()::contains);
    }

    private ToggleButton kind(int number, String name) {
        double has = findings().find(SortObjectsStep.IN_CLASS + name).orElse(0);
        ToggleButton button = new ToggleButton(Texts.of("sort-objects.class", number, name, Figures.number(has)));
        button.setId("sort-class-" + number);
        button.setSelected(name.equals(known.chosen));
        button.setOnAction(e -> give(name));
        return button;
    }
}
