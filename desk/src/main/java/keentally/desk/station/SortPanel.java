package keentally.desk.station;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.IntStream;
import javafx.application.Platform;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import keentally.core.geometry.Point;
import keentally.core.hand.Seeds;
import keentally.core.measure.Dimension;
import keentally.core.measure.Measure;
import keentally.core.measure.ObjectTable;
import keentally.core.quantity.PixelSize;
import keentally.core.region.ObjectSet;
import keentally.core.setting.ListSetting;
import keentally.core.step.State;
import keentally.core.step.StepFault;
import keentally.core.work.Work;
import keentally.desk.look.Glyph;
import keentally.desk.look.Pieces;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.desk.model.Newest;
import keentally.desk.objects.MeasureBox;
import keentally.desk.stage.MarkerTool;
import keentally.desk.stage.StageTool;

/** Sorting of regions: the rules, one line each, and new ones fitted to regions that were clicked. */
final class SortPanel extends VBox implements StationPanel.Body {
    /** A range reaches so far beyond its examples, as a share of their spread, or of the value where there is one. */
    private static final double ROOM = 0.25;

    private static final double ROOM_OF_ONE = 0.1;

    private final DeskModel desk;
    private final Tuning tuning;
    private final Newest fitting;
    private final VBox rules = new VBox(4);
    private final TextField phase = new TextField();
    private final MeasureBox measure;
    private final Label says = Prose.of("", "hint");
    private final Label complaint = Prose.complaint();
    private final Button fit = Pieces.button("sort-fit", "sort.fit", this::fit);
    private final MarkerTool tool;
    private List<Point> examples = List.of();

    SortPanel(DeskModel desk, String stepId) {
        this.desk = desk;
        this.tuning = new Tuning(desk, stepId);
        this.fitting = tuning.newest(Platform::runLater);
        this.tool = new MarkerTool(() -> examples, this::chosen);
        boolean colour =
                desk.open().get().map(o -> o.file().picture().isColour()).orElse(false);
        this.measure = new MeasureBox(desk, "sort-measure", colour ? Measure.MEAN_HUE : Measure.MEAN);
        getStyleClass().add("fair-panel");
        phase.setId("sort-phase");
        phase.setPromptText(Texts.of("sort.phase.prompt"));
        phase.textProperty().addListener(o -> told());
        measure.setMaxWidth(Double.MAX_VALUE);
        says.setId("sort-says");
        getChildren()
                .addAll(
                        Pieces.head("sort.rules"),
                        rules,
                        Prose.of(Texts.of("sort.typed"), "hint"),
                        complaint,
                        Pieces.head("sort.another"),
                        says,
                        phase,
                        measure,
                        fit);
        list();
        told();
    }

    @SuppressWarnings("unchecked") // the one list of rules, whose kind only its step knows
    private ListSetting<Object> setting() {
        return (ListSetting<Object>) tuning.setting("rules");
    }

    private List<Object> kept() {
        return tuning.step().values().get(setting());
    }

    private void list() {
        List<Object> kept = kept();
        rules.getChildren()
                .setAll(IntStream.rangeClosed(0, kept.size())
                        .mapToObj(i -> row(i, kept))
                        .toList());
    }

    /** The last row is empty, for another rule. */
    private HBox row(int index, List<Object> kept) {
        TextField field = new TextField(index < kept.size() ? setting().text(List.of(kept.get(index))) : "");
        field.setId("rule-" + index);
        field.setPromptText(Texts.of("sort.rule.prompt"));
        field.setOnAction(e -> typed(index, field.getText()));
        HBox.setHgrow(field, Priority.ALWAYS);
        HBox row = new HBox(4, field);
        if (index < kept.size()) {
            row.getChildren()
                    .add(Glyph.REMOVE.button("remove-rule-" + index, Texts.of("sort.remove"), () -> typed(index, "")));
        }
        return row;
    }

    private void typed(int index, String text) {
        complaint.setVisible(false);
        try {
            List<Object> next = new ArrayList<>(kept());
            List<Object> read =
                    text.isBlank() ? List.of() : setting().read(setting().treeOf(text));
            if (index < next.size()) {
                next.remove(index);
            }
            next.addAll(Math.min(index, next.size()), read);
            tuning.set(setting(), setting().write(next));
        } catch (IllegalArgumentException e) {
            complaint.setText(Texts.complaint(e.getMessage()));
            complaint.setVisible(true);
        }
    }

    private void chosen(Seeds seeds) {
        examples = seeds.places();
        told();
    }

    private void told() {
        says.setText(examples.isEmpty() ? Texts.of("sort.click") : Texts.of("sort.clicked", examples.size()));
        fit.setDisable(examples.isEmpty() || phase.getText().isBlank());
    }

    @Override
    public Optional<StageTool> tool() {
        return Optional.of(tool);
    }

    /** A rule that just holds the regions under the examples. */
    private void fit() {
        Optional<State> before =
                desk.entering(tuning.id()).filter(s -> s.objects().isPresent());
        if (before.isEmpty()) {
            return;
        }
        Measure of = measure.getValue();
        String name = phase.getText().strip();
        List<Point> at = examples;
        String signal = desk.method().signal();
        PixelSize size = desk.pixelSize();
        fitting.ask(work -> {
            double[] values = values(before.get(), of, at, signal, work);
            return () -> {
                if (values.length == 0) {
                    desk.say(Texts.of("sort.none"));
                    return;
                }
                examples = List.of();
                typed(kept().size(), rule(name, of, values, size));
            };
        });
    }

    private static double[] values(State before, Measure of, List<Point> at, String signal, Work work) {
        ObjectSet objects = before.objects().orElseThrow();
        try {
            ObjectTable table = ObjectTable.of(objects, List.of(of), before.ground(signal, work), work);
            return at.stream()
                    .mapToInt(p -> objects.regions().at((int) Math.floor(p.x()), (int) Math.floor(p.y())))
                    .filter(r -> r >= 0 && objects.isKept(r))
                    .distinct()
                    .mapToDouble(r -> table.at(objects.number(r) - 1, 0))
                    .filter(v -> !Double.isNaN(v))
                    .toArray();
        } catch (StepFault noSuchSignal) {
            return new double[0];
        }
    }

    private static String rule(String phase, Measure of, double[] values, PixelSize size) {
        double least = of.told(Arrays.stream(values).min().orElseThrow(), size);
        double most = of.told(Arrays.stream(values).max().orElseThrow(), size);
        double room = Math.max(ROOM * (most - least), ROOM_OF_ONE * Math.max(Math.abs(least), Math.abs(most)));
        boolean angle = of.dimension() == Dimension.ANGLE;
        String unit = of.unitId(size.unit());
        String behind = unit.isEmpty() || angle ? "" : " " + unit;
        return String.format(
                Locale.ROOT, "%s: %s from %.4g%s to %.4g%s", phase, of.id(), least - room, behind, most + room, behind);
    }

    @Override
    public void refresh() {
        // its rows hold settings only, and a changed setting makes a new panel
    }
}
