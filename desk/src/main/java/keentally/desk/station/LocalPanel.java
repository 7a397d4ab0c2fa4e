package keentally.desk.station;

import java.util.Arrays;
import java.util.function.DoubleUnaryOperator;
import javafx.scene.layout.VBox;
import keentally.core.setting.ChoiceSetting;
import keentally.core.setting.NumberSetting;
import keentally.core.setting.Setting;
import keentally.core.step.LocalThresholdStep;
import keentally.core.threshold.LocalThreshold;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;

/** The local threshold station: its settings, and how share and count hang on k. */
final class LocalPanel extends VBox implements StationPanel.Body {
    private static final double[] MOVES = {-5, -2, -1, 0, 1, 2, 5};
    private static final double CURVE = 96;

    private final Tuning tuning;
    private final NeighbourCurve share;
    private final NeighbourCurve count;

    LocalPanel(DeskModel desk, String stepId) {
        this.tuning = new Tuning(desk, stepId);
        this.share = curve(desk, stepId, NeighbourCurve.Quantity.SHARE);
        this.count = curve(desk, stepId, NeighbourCurve.Quantity.COUNT);
        getStyleClass().add("fair-panel");
        for (Setting<?> setting : tuning.step().description().settings()) {
            getChildren().add(new SettingRow(tuning, setting));
        }
        getChildren().addAll(share, count);
        refresh();
    }

    private static NeighbourCurve curve(DeskModel desk, String stepId, NeighbourCurve.Quantity told) {
        String words = "local." + ChoiceSetting.word(told);
        return new NeighbourCurve(desk, stepId, told, Texts.of("local.across"), CURVE, words);
    }

    /** From per cent of the range to k: the rules of the mean count k in hundredths of half the range. */
    private static DoubleUnaryOperator moved(LocalThreshold.Rule rule, double k) {
        return switch (rule) {
            case MEAN, GAUSSIAN -> m -> k + 2 * m;
            case BERNSEN -> m -> Math.max(0, k + m);
            case NIBLACK, SAUVOLA, WOLF -> m -> k + m / 50;
        };
    }

    @Override
    public void refresh() {
        if (tuning.isStale()) {
            return;
        }
        NumberSetting setting = LocalThresholdStep.K;
        LocalThreshold.Rule rule = tuning.choice(LocalThresholdStep.RULE, LocalThreshold.Rule.values());
        double k = tuning.step()
                .values()
                .find(setting)
                .orElseGet(() -> rule.usual(tuning.is(LocalThresholdStep.KEEP, "dark")));
        DoubleUnaryOperator there = moved(rule, k);
        var neighbours = Arrays.stream(MOVES)
                .map(there)
                .mapToObj(at ->
                        new NeighbourCurve.Neighbour(at, tuning.step().values().with(setting, at)))
                .toList();
        share.show(neighbours);
        count.show(neighbours);
    }
}
