package keentally.desk.station;

import java.util.List;
import java.util.Optional;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;
import keentally.core.geometry.Shape;
import keentally.core.picture.Field;
import keentally.core.setting.ChoiceSetting;
import keentally.core.setting.Setting;
import keentally.core.step.WithinStep;
import keentally.desk.look.Pieces;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.desk.stage.ShapesTool;
import keentally.desk.stage.StageTool;

/** What the method goes on within: the mask, or a shape that is drawn on the stage, moved and reshaped by handles. */
final class WithinPanel extends VBox implements StationPanel.Body {
    private final Tuning tuning;
    private final ShapesTool shapes = new ShapesTool(true, this::drawn);
    private final WithinStep.Part part;

    WithinPanel(DeskModel desk, String stepId) {
        this.tuning = new Tuning(desk, stepId);
        this.part = tuning.step().values().get(WithinStep.PART);
        getStyleClass().add("fair-panel");
        for (Setting<?> setting : tuning.step().description().settings()) {
            if (tuning.isShown(setting)) {
                getChildren().add(new SettingRow(tuning, setting));
            }
        }
        Optional<Shape> shape = shape();
        shapes.parts().set(shape.map(s -> List.of(new Field.Part(s, false))).orElse(List.of()));
        shapes.chosen().set(shape.isPresent() ? 0 : -1);
        if (part == WithinStep.Part.MASK) {
            return;
        }
        if (shape.isEmpty()) {
            draw();
        }
        Label hint = Prose.of(Texts.of("within.draw." + ChoiceSetting.word(part)), "hint");
        getChildren().add(hint);
        if (shape.isPresent()) {
            getChildren().add(Pieces.button("within-again", "within.again", this::draw));
        }
    }

    private Optional<Shape> shape() {
        return tuning.step().description().isComplete(tuning.step().values())
                ? new WithinStep(part, tuning.step().values().get(WithinStep.AT)).shape()
                : Optional.empty();
    }

    private void draw() {
        shapes.hand()
                .set(
                        switch (part) {
                            case RECTANGLE -> ShapesTool.Hand.RECTANGLE;
                            case ELLIPSE -> ShapesTool.Hand.ELLIPSE;
                            case POLYGON -> ShapesTool.Hand.POLYGON;
                            case MASK -> ShapesTool.Hand.CHOOSE;
                        });
    }

    private void drawn() {
        if (tuning.isStale()) {
            return;
        }
        if (shapes.parts().get().isEmpty()) {
            tuning.keep(tuning.step().values().without(WithinStep.AT), WithinStep.AT.id());
        } else {
            Shape shape = shapes.parts().get().getFirst().shape();
            shapes.hand().set(ShapesTool.Hand.CHOOSE);
            tuning.keep(WithinStep.drawn(tuning.step().values(), shape), WithinStep.AT.id());
        }
    }

    @Override
    public Optional<StageTool> tool() {
        return part == WithinStep.Part.MASK ? Optional.empty() : Optional.of(shapes);
    }

    @Override
    public void refresh() {
        // its rows hold settings only, and a changed setting makes a new panel
    }
}
