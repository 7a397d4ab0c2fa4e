package keentally.desk.station;

import java.util.OptionalDouble;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;
import keentally.core.run.Run;
import keentally.core.step.Findings;
import keentally.core.step.PaintStep;
import keentally.core.step.RefineEdgesStep;
import keentally.core.step.Steps;
import keentally.core.words.Figures;
import keentally.desk.look.Pieces;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;

/** Edges refined: the settings with what they do to the mask, what came and went, and a gap that the picture does not close. */
final class RefinePanel extends VBox implements StationPanel.Body {
    private final DeskModel desk;
    private final Tuning tuning;
    private final Label moved = Prose.of("", "figure-line");
    private final Label gap = Prose.of("", "hint");
    private final Button paint;

    RefinePanel(DeskModel desk, String stepId) {
        this.desk = desk;
        this.tuning = new Tuning(desk, stepId);
        this.paint = Pieces.button(
                "refine-paint",
                "refine.paint",
                () -> new StationActions(desk).add(Steps.find(PaintStep.ID).orElseThrow()));
        getStyleClass().add("fair-panel");
        moved.setId("refine-moved");
        gap.setId("refine-gap");
        for (Label label : new Label[] {moved, gap}) {
            label.managedProperty().bind(label.visibleProperty());
        }
        paint.managedProperty().bind(paint.visibleProperty());
        getChildren().addAll(moved, gap, paint, new FairPanel(desk, stepId));
        refresh();
    }

    @Override
    public void refresh() {
        if (tuning.isStale()) {
            return;
        }
        Findings findings = desk.reached(tuning.id()).map(Run.Station::findings).orElse(Findings.NONE);
        OptionalDouble added = findings.find(Findings.ADDED);
        moved.setVisible(added.isPresent());
        moved.setText(Texts.of(
                "refine.moved",
                area(added.orElse(0)),
                area(findings.find(Findings.REMOVED).orElse(0))));
        OptionalDouble wide = findings.find(RefineEdgesStep.GAP);
        gap.setVisible(wide.isPresent());
        paint.setVisible(wide.isPresent());
        gap.setText(Texts.of(
                "refine.gap",
                Figures.number(findings.find(RefineEdgesStep.PIECES).orElse(0)),
                Figures.length(wide.orElse(0), desk.pixelSize())));
    }

    private String area(double px2) {
        return Figures.area(px2, desk.pixelSize());
    }
}
