package keentally.desk.station;

import java.util.List;
import java.util.Optional;
import javafx.application.Platform;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TitledPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import keentally.core.cluster.ClusterTrials;
import keentally.core.cluster.PicturePoints;
import keentally.core.cluster.Silhouette;
import keentally.core.run.Lanes.Urgency;
import keentally.core.setting.Setting;
import keentally.core.step.ClusterStep;
import keentally.core.step.Site;
import keentally.core.step.State;
import keentally.core.step.StepFault;
import keentally.core.words.Figures;
import keentally.desk.look.Curve;
import keentally.desk.look.Pieces;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.desk.model.Newest;

/** The cluster station: how many groups, and how many the picture itself speaks for, with the reason. */
final class ClusterPanel extends VBox implements StationPanel.Body {
    private static final int MOST = 12;
    private static final int STARTS = 3;

    private final DeskModel desk;
    private final Tuning tuning;
    private final Newest newest;
    private final Curve silhouettes =
            new Curve("cluster-plot", Texts.of("cluster.k"), Texts.of("cluster.silhouette"), 128);
    private final Curve within = new Curve("cluster-within", Texts.of("cluster.k"), Texts.of("cluster.within"), 110);
    private final Label reason = Prose.of(Texts.of("cluster.asking"), "hint");
    private final Button take = Pieces.button("cluster-take", "cluster.take", this::take);
    private Object asked;
    private int suggested;

    private final Memory known;

    /** The answer that was found last; a panel is made anew whenever a setting changes, and asking takes seconds. */
    static final class Memory {
        private Object question;
        private ClusterTrials answer;
    }

    ClusterPanel(DeskModel desk, String stepId, Memory known) {
        this.desk = desk;
        this.known = known;
        this.tuning = new Tuning(desk, stepId);
        this.newest = new Newest(desk, Platform::runLater, Urgency.NEIGHBOURS);
        getStyleClass().add("fair-panel");
        for (Setting<?> setting : tuning.step().description().settings()) {
            boolean first = setting == ClusterStep.K || setting == ClusterStep.SPACE;
            if (first) {
                getChildren().add(new SettingRow(tuning, setting));
            }
        }
        reason.setId("cluster-reason");
        take.setVisible(false);
        HBox row = new HBox(take);
        VBox more = new VBox(within);
        more.getStyleClass().add("fair-panel");
        getChildren().addAll(silhouettes, reason, row);
        for (Setting<?> setting : tuning.step().description().settings()) {
            if (List.of(ClusterStep.POSITION_WEIGHT, ClusterStep.STARTS, ClusterStep.SEED)
                    .contains(setting)) {
                more.getChildren().add(new SettingRow(tuning, setting));
            }
        }
        TitledPane folded = new TitledPane(Texts.of("more.settings"), more);
        folded.setId("cluster-more");
        folded.setExpanded(false);
        folded.setAnimated(false);
        getChildren().add(folded);
        refresh();
    }

    @Override
    public void refresh() {
        if (tuning.isStale()) {
            return;
        }
        Optional<State> state = desk.entering(tuning.step().id());
        List<Object> key = List.of(
                state.<Object>map(State::current).orElse(""),
                state.<Object>map(State::field).orElse(""),
                tuning.text(ClusterStep.SPACE),
                tuning.text(ClusterStep.POSITION_WEIGHT));
        if (state.isEmpty() || key.equals(asked)) {
            return;
        }
        asked = key;
        if (key.equals(known.question)) {
            show(known.answer);
            return;
        }
        reason.setText(Texts.of("cluster.asking"));
        take.setVisible(false);
        if (!(tuning.step().description().make().apply(tuning.step().values()) instanceof ClusterStep step)) {
            throw new IllegalStateException("the cluster panel stands at another station");
        }
        newest.ask(work -> {
            try {
                PicturePoints points = step.points(state.get(), Site.of("", "", work));
                ClusterTrials trials = ClusterTrials.of(points.points(), MOST, STARTS, step.seed(), work);
                return () -> {
                    known.question = key;
                    known.answer = trials;
                    if (!tuning.isStale()) {
                        show(trials);
                    }
                };
            } catch (StepFault e) {
                return () -> reason.setText(Texts.complaint(e.getMessage()));
            }
        });
    }

    private void show(ClusterTrials trials) {
        silhouettes.show(trials.tried().stream()
                .map(t -> new Curve.At(t.k(), t.silhouette().mean()))
                .toList());
        within.show(trials.tried().stream()
                .map(t -> new Curve.At(t.k(), 100 - t.explainedPercent()))
                .toList());
        suggested = trials.suggested();
        Optional<ClusterTrials.Trial> best =
                trials.tried().stream().filter(t -> t.k() == suggested).findFirst();
        take.setVisible(best.isPresent() && !String.valueOf(suggested).equals(tuning.text(ClusterStep.K)));
        reason.setText(best.map(t -> Texts.of(
                        "cluster.reason",
                        String.valueOf(t.k()),
                        Figures.fixed(t.silhouette().mean(), 3),
                        Figures.fixed(t.silhouette().standardError(), 3),
                        Figures.percent(t.explainedPercent()),
                        Figures.number(Silhouette.SAMPLE)))
                .orElse(Texts.of("cluster.none")));
        take.setText(Texts.of("cluster.take.k", String.valueOf(suggested)));
    }

    private void take() {
        tuning.keep(tuning.valuesWith(ClusterStep.K.id(), suggested), ClusterStep.K.id());
    }
}
