package keentally.desk.station;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.application.Platform;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;
import keentally.core.picture.Plane;
import keentally.core.run.Run;
import keentally.core.setting.Setting;
import keentally.core.stats.Histogram;
import keentally.core.step.State;
import keentally.core.threshold.MultiLevel;
import keentally.core.words.Figures;
import keentally.desk.look.Curve;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.desk.model.Newest;

/** The levels station: how much of the variance so many cuts explain, and where they lie. */
final class LevelsPanel extends VBox implements StationPanel.Body {
    private static final int MOST = 12;

    private final DeskModel desk;
    private final Tuning tuning;
    private final Newest newest;
    private final Curve curve = new Curve("levels-plot", Texts.of("levels.cuts"), Texts.of("levels.explained"), 140);
    private final Label cuts = Prose.of("", "figure-line");
    private Plane asked;

    LevelsPanel(DeskModel desk, String stepId) {
        this.desk = desk;
        this.tuning = new Tuning(desk, stepId);
        this.newest = new Newest(desk, Platform::runLater);
        getStyleClass().add("fair-panel");
        for (Setting<?> setting : tuning.step().description().settings()) {
            if (setting.applies(tuning.step().values()) && !setting.id().equals("names")) {
                getChildren().add(new SettingRow(tuning, setting));
            }
        }
        cuts.setId("levels-cuts");
        getChildren().addAll(cuts, curve, Prose.of(Texts.of("levels.hint"), "hint"));
        refresh();
    }

    @Override
    public void refresh() {
        if (tuning.isStale()) {
            return;
        }
        Optional<Run.Station> reached = desk.reached(tuning.step().id());
        cuts.setText(reached.map(r -> Texts.of("levels.at", list(r))).orElse(""));
        Optional<State> state = desk.entering(tuning.step().id());
        Optional<Plane> plane = state.flatMap(s -> s.current().single());
        if (plane.isEmpty() || plane.get() == asked) {
            return;
        }
        asked = plane.get();
        newest.ask(work -> {
            Histogram h = Histogram.of(plane.get(), state.get().field(), work);
            List<Curve.At> line = new ArrayList<>();
            for (int n = 1; n <= MOST; n++) {
                double[] found = MultiLevel.cuts(h, n);
                if (found.length > 0) {
                    line.add(new Curve.At(n, MultiLevel.explainedPercent(h, found)));
                }
            }
            return () -> curve.show(line);
        });
    }

    private static String list(Run.Station reached) {
        List<String> at = new ArrayList<>();
        for (int i = 1; reached.findings().find("cut-" + i).isPresent(); i++) {
            at.add(Figures.number(reached.findings().find("cut-" + i).getAsDouble()));
        }
        return String.join(", ", at);
    }
}
