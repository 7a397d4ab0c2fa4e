package keentally.desk.station;

import java.util.Arrays;
import java.util.Optional;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;
import keentally.core.setting.NumberSetting;
import keentally.core.words.Figures;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;

/** How many objects a station gives, and how that hangs on one of its numbers. */
final class CountCurve extends VBox {
    private static final double[] FACTORS = {0.5, 0.7, 0.85, 1, 1.2, 1.4, 2};
    private static final double HEIGHT = 92;

    private final DeskModel desk;
    private final Tuning tuning;
    private final Optional<NumberSetting> setting;
    private final Optional<NeighbourCurve> curve;
    private final Label count = new Label();

    /**
     * @param name for ids and texts
     * @param setting the number; nothing where only the count is told
     */
    CountCurve(DeskModel desk, Tuning tuning, String name, Optional<NumberSetting> setting) {
        this.desk = desk;
        this.tuning = tuning;
        this.setting = setting;
        count.setId(name + "-count");
        count.getStyleClass().addAll("headline", "figure");
        this.curve = setting.map(s -> new NeighbourCurve(
                desk, tuning.id(), NeighbourCurve.Told.COUNT, Texts.of(name + ".across." + s.id()), HEIGHT, name));
        getChildren().add(count);
        curve.ifPresent(getChildren()::add);
    }

    void refresh() {
        count.setText(desk.reached(tuning.id())
                .map(r -> Texts.of(
                        "grow.count",
                        Figures.number(r.findings().find("objects").orElse(0))))
                .orElse(""));
        setting.ifPresent(s -> {
            double now = tuning.step().values().get(s);
            curve.ifPresent(c -> c.show(Arrays.stream(FACTORS)
                    .filter(f -> now * f <= s.most())
                    .mapToObj(f -> new NeighbourCurve.Neighbour(
                            f, tuning.step().values().with(s, now * f)))
                    .toList()));
        });
    }
}
