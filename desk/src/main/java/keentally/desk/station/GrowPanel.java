package keentally.desk.station;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;
import keentally.core.geometry.Point;
import keentally.core.hand.Seeds;
import keentally.core.setting.NumberSetting;
import keentally.core.setting.Setting;
import keentally.core.step.GrowRegionsStep;
import keentally.core.words.Figures;
import keentally.desk.look.Pieces;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.desk.stage.MarkerTool;
import keentally.desk.stage.StageTool;

/** Growing regions: what they begin at; markers placed by hand stand on the picture, and the count hangs on depth or prominence. */
final class GrowPanel extends VBox implements StationPanel.Body {
    private final Tuning tuning;
    private final Label placed = Prose.of("", "figure-line");
    private final CountCurve counts;
    private final MarkerTool tool;
    private final MarkersSection markers;

    GrowPanel(DeskModel desk, String stepId) {
        this.tuning = new Tuning(desk, stepId);
        this.tool = new MarkerTool(this::places, seeds -> tuning.keepHand(seeds, Texts.of("grow.did.markers")));
        getStyleClass().add("fair-panel");
        placed.setId("grow-placed");
        this.counts = new CountCurve(desk, tuning, "grow", tried());
        for (Setting<?> setting : tuning.step().description().settings()) {
            if (setting.applies(tuning.step().values())) {
                getChildren().addAll(counts.rows(setting));
            }
        }
        this.markers = new MarkersSection(desk, tuning, stepId, true);
        getChildren().addAll(markers, counts);
        if (isPlaced()) {
            getChildren()
                    .addAll(
                            placed,
                            Pieces.button(
                                    "grow-clear",
                                    "grow.clear",
                                    () -> tuning.keepHand(Seeds.NONE, Texts.of("grow.did.clear"))));
        }
        refresh();
    }

    private boolean isPlaced() {
        return tuning.is(GrowRegionsStep.MARKERS, "placed");
    }

    /** What the count hangs on: depth or prominence. */
    private Optional<NumberSetting> tried() {
        return Stream.of(GrowRegionsStep.DEPTH, GrowRegionsStep.PROMINENCE)
                .filter(s -> s.applies(tuning.step().values()))
                .findFirst();
    }

    private List<Point> places() {
        return tuning.hand()
                .filter(Seeds.class::isInstance)
                .map(s -> ((Seeds) s).places())
                .orElse(List.of());
    }

    @Override
    public Optional<StageTool> tool() {
        return isPlaced() ? Optional.of(tool) : Optional.empty();
    }

    @Override
    public void refresh() {
        if (tuning.isStale()) {
            return;
        }
        counts.refresh();
        markers.refresh();
        placed.setText(Texts.of("grow.placed", Figures.number(places().size())));
    }
}
