package keentally.desk.station;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.application.Platform;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import keentally.core.colour.ColourRows;
import keentally.core.colour.ColourSamples;
import keentally.core.colour.Rgb;
import keentally.core.colour.Unmix;
import keentally.core.hand.Stroke;
import keentally.core.hand.Strokes;
import keentally.core.picture.Channel;
import keentally.core.run.Run;
import keentally.core.setting.Setting;
import keentally.core.setting.Values;
import keentally.core.step.State;
import keentally.core.step.UnmixDyesStep;
import keentally.desk.look.Pieces;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.desk.model.Newest;
import keentally.desk.stage.StageModel;
import keentally.desk.stage.StageTool;
import keentally.desk.stage.StrokeTool;

/** The unmixing station: which dyes, or strokes on places where one stands alone; and each in its own colour on the stage. */
final class UnmixPanel extends VBox implements StationPanel.Body {
    private static final double BRUSH = 2;
    private static final List<Double> UNKNOWN = List.of(1.0, 1.0, 1.0);

    private final DeskModel desk;
    private final StageModel stage;
    private final Tuning tuning;
    private final Newest newest;
    private final StrokeTool tool;
    private final ObjectProperty<Integer> asked = new SimpleObjectProperty<>(-1);
    private final HBox seen = new HBox();
    private Object shown;

    UnmixPanel(DeskModel desk, StageModel stage, String stepId) {
        this.desk = desk;
        this.stage = stage;
        this.tuning = new Tuning(desk, stepId);
        this.newest = new Newest(desk, Platform::runLater);
        this.tool = new StrokeTool(this::shown, s -> {}, this::stroked, () -> {}).onlyWhile(() -> asked.get() >= 0);
        getStyleClass().add("fair-panel");
        for (Setting<?> setting : tuning.step().description().settings()) {
            if (tuning.isShown(setting)) {
                getChildren().add(new SettingRow(tuning, setting));
            }
        }
        HBox strokes = new HBox();
        strokes.getStyleClass().add("choices");
        ToggleGroup group = new ToggleGroup();
        for (int dye = 0; dye < 3; dye++) {
            int number = dye;
            ToggleButton button = new ToggleButton(called(dye));
            button.setId("stroke-dye-" + (dye + 1));
            button.getStyleClass().setAll("hand");
            button.setToggleGroup(group);
            button.setOnAction(e -> asked.set(button.isSelected() ? number : -1));
            asked.addListener((o, was, is) -> button.setSelected(is == number));
            strokes.getChildren().add(button);
        }
        seen.getStyleClass().add("choices");
        getChildren()
                .addAll(
                        Pieces.head("dyes.pure"),
                        strokes,
                        Prose.of(Texts.of("dyes.hint"), "hint"),
                        Pieces.head("dyes.seen"),
                        seen);
        refresh();
    }

    @Override
    public Optional<StageTool> tool() {
        return Optional.of(tool);
    }

    /** Strokes count only while the dyes are one's own. */
    private List<Stroke> shown() {
        return !tuning.isStale() && tuning.is(UnmixDyesStep.DYES, "own")
                ? tuning.strokesHere().strokes()
                : List.of();
    }

    private void stroked(Stroke stroke) {
        Optional<State> entering = desk.entering(tuning.step().id());
        int dye = asked.get();
        if (entering.isEmpty() || tuning.isStale() || dye < 0) {
            return;
        }
        State state = entering.get();
        Values before = tuning.step().values();
        newest.ask(work -> {
            Optional<ColourRows> rows = ColourRows.of(state.current(), state.original());
            List<double[]> colours = rows.map(r -> ColourSamples.stroke(r, state.field(), stroke.path(), BRUSH))
                    .orElse(List.of());
            if (colours.isEmpty()) {
                return () -> desk.say(Texts.of(rows.isEmpty() ? "strokes.grey" : "strokes.outside"));
            }
            double[] white = Unmix.white(rows.get(), state.field());
            List<Rgb> pure =
                    colours.stream().map(c -> Rgb.from(c[0], c[1], c[2])).toList();
            try {
                List<Double> vector = Unmix.vector(pure, white).stream()
                        .map(v -> Math.rint(v * 1000) / 1000)
                        .toList();
                return () -> keep(before, dye, vector, Strokes.StrokeSample.of(stroke, dye, colours));
            } catch (IllegalArgumentException e) {
                return () -> desk.say(Texts.of("dyes.white"));
            }
        });
    }

    /** The vectors as they are, with one replaced; a pair that is published is what one's own starts from. */
    private void keep(Values before, int dye, List<Double> vector, Strokes.StrokeSample stroke) {
        if (tuning.isStale()) {
            return;
        }
        List<List<Double>> vectors = new ArrayList<>(now(before));
        while (vectors.size() <= dye) {
            vectors.add(UNKNOWN);
        }
        vectors.set(dye, vector);
        Values after = before.withTree(UnmixDyesStep.DYES, "own").withTree(UnmixDyesStep.VECTORS, vectors);
        tuning.keep(
                after,
                UnmixDyesStep.VECTORS.id(),
                tuning.strokesHere().without(dye).and(stroke));
        asked.set(-1);
    }

    /** A dye by its name; one that is not there yet by its number. */
    private String called(int dye) {
        Values values = tuning.step().values();
        boolean complete = tuning.step().description().isComplete(values);
        List<String> names = complete && tuning.step().description().make().apply(values) instanceof UnmixDyesStep step
                ? step.called()
                : List.of();
        return dye < names.size() && !names.get(dye).equals("dye" + (dye + 1))
                ? names.get(dye)
                : Texts.of("dyes.stroke", String.valueOf(dye + 1));
    }

    private List<List<Double>> now(Values values) {
        var made = tuning.step().description().make().apply(values);
        return made instanceof UnmixDyesStep step ? step.vectors() : List.of();
    }

    @Override
    public void refresh() {
        Optional<State> after = tuning.isStale()
                ? Optional.empty()
                : desk.reached(tuning.step().id()).map(Run.Station::after);
        if (after.isEmpty() || after.get().current() == shown) {
            return;
        }
        shown = after.get().current();
        seen.getChildren().clear();
        add("dyes.all", Optional.empty(), -1);
        int dye = 0;
        for (Channel channel : after.get().current().channels()) {
            if (channel.ink().isPresent()) {
                add("dyes.one", Optional.of(dye), channel.ink().getAsInt());
            }
            dye++;
        }
    }

    private void add(String key, Optional<Integer> dye, int ink) {
        ToggleButton button = new ToggleButton(dye.map(this::called).orElseGet(() -> Texts.of(key)));
        button.setId("see-dye-" + dye.map(d -> d + 1).orElse(0));
        button.getStyleClass().setAll("hand");
        if (ink >= 0) {
            Region swatch = new Region();
            swatch.getStyleClass().add("swatch");
            swatch.setStyle("-fx-background-color: " + Rgb.from(ink));
            button.setGraphic(swatch);
        }
        button.setSelected(stage.dye().get().equals(dye));
        button.setOnAction(e -> {
            stage.dye().set(dye);
            button.setSelected(true);
        });
        Pieces.whileSeen(button, stage.dye()).addListener((o, was, is) -> button.setSelected(is.equals(dye)));
        seen.getChildren().add(button);
    }
}
