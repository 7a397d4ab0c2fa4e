package keentally.desk.station;

import java.util.Arrays;
import java.util.Optional;
import javafx.scene.layout.VBox;
import keentally.core.setting.NumberSetting;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;

/** How the number of objects at the end hangs on one of a station's numbers; the number itself is the station's headline. */
final class CountCurve extends VBox {
    private static final double[] FACTORS = {0.5, 0.7, 0.85, 1, 1.2, 1.4, 2};
    private static final double HEIGHT = 92;

    private final Tuning tuning;
    private final Optional<NumberSetting> setting;
    private final Optional<NeighbourCurve> curve;

    /**
     * @param name for texts
     * @param setting the number; nothing where it hangs on none
     */
    CountCurve(DeskModel desk, Tuning tuning, String name, Optional<NumberSetting> setting) {
        this.tuning = tuning;
        this.setting = setting;
        this.curve = setting.map(s -> new NeighbourCurve(
                desk, tuning.id(), NeighbourCurve.Told.COUNT, Texts.of(name + ".across." + s.id()), HEIGHT, name));
        curve.ifPresent(getChildren()::add);
    }

    void refresh() {
        setting.ifPresent(s -> {
            double now = tuning.step().values().get(s);
            curve.ifPresent(c -> c.show(Arrays.stream(FACTORS)
                    .mapToObj(f -> new NeighbourCurve.Neighbour(
                            f, tuning.step().values().with(s, Math.min(s.most(), now * f))))
                    .toList()));
        });
    }
}
