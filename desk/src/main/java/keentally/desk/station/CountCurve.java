package keentally.desk.station;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.layout.VBox;
import keentally.core.setting.NumberSetting;
import keentally.core.setting.Setting;
import keentally.core.setting.Values;
import keentally.core.words.Words;
import keentally.desk.look.Copies;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;

/** One of a station's numbers to drag, and how the count at the end hangs on it; the count itself is the station's headline. */
final class CountCurve extends VBox {
    private static final double HEIGHT = 92;

    /** Where a slider begins, and by how many times it grows at least. */
    private static final double LEAST = 0.1;

    private static final double RANGE = 1000;

    private static final MathContext THREE_DIGITS = new MathContext(3);

    private final Tuning tuning;
    private final Optional<NumberSetting> setting;
    private final Optional<NeighbourCurve> curve;

    /**
     * @param name for texts
     * @param setting the number; nothing where it hangs on none
     */
    CountCurve(DeskModel desk, Tuning tuning, String name, Optional<NumberSetting> setting) {
        Copies.from(this, () -> Copies.put(Copies.plot(this, "")));
        this.tuning = tuning;
        this.setting = setting;
        this.curve = setting.map(s -> new NeighbourCurve(
                desk, tuning.id(), NeighbourCurve.Quantity.COUNT, Texts.of(name + ".across." + s.id()), HEIGHT, name));
        curve.ifPresent(getChildren()::add);
    }

    /** The row of a setting; under the one that the count hangs on, its slider. */
    List<Node> rows(Setting<?> one) {
        SettingRow row = new SettingRow(tuning, one);
        return setting.filter(one::equals)
                .map(s -> List.<Node>of(row, slider(s)))
                .orElse(List.of(row));
    }

    private ProportionSlider slider(NumberSetting number) {
        double most = Math.min(number.most(), tuning.greatest() / 2);
        double now = tuning.step().values().get(number);
        return new ProportionSlider(
                number.id() + "-slider",
                Words.label(tuning.step().description(), number),
                Math.min(LEAST, most / RANGE),
                most,
                now,
                amount -> tuning.tryOut(with(number, amount)),
                amount -> keep(number, amount));
    }

    private void keep(NumberSetting number, double amount) {
        if (!tuning.isStale()) {
            tuning.keep(with(number, amount), number.id());
        }
    }

    private Values with(NumberSetting number, double amount) {
        double rounded = new BigDecimal(amount).round(THREE_DIGITS).doubleValue();
        return tuning.step().values().with(number, Math.min(number.most(), rounded));
    }

    void refresh() {
        setting.ifPresent(s -> {
            double now = tuning.step().values().get(s);
            curve.ifPresent(c ->
                    c.showMultiples(now, amount -> tuning.step().values().with(s, Math.min(s.most(), amount))));
        });
    }
}
