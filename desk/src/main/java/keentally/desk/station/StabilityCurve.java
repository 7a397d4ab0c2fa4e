package keentally.desk.station;

import java.util.Optional;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;
import keentally.core.threshold.Stability;
import keentally.desk.look.Copies;
import keentally.desk.look.Curve;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;

/** How a share moves at neighbouring cuts, as a small curve with a sentence. */
final class StabilityCurve extends VBox {
    private final Curve curve;
    private final Label sentence = Prose.of("", "hint");

    StabilityCurve(double height) {
        Copies.from(this, () -> Copies.put(Copies.plot(this, "")));
        curve = new Curve("stability", "", Texts.of("stability.up"), height);
        sentence.setId("steadiness");
        getChildren().addAll(Prose.of(Texts.of("stability.across"), "setting-name"), curve, sentence);
        show(Optional.empty(), "");
    }

    /** @param says the sentence below the curve; nothing is shown where there is no stability to show */
    void show(Optional<Stability> stability, String says) {
        setVisible(stability.isPresent());
        setManaged(stability.isPresent());
        stability.ifPresent(s -> curve.show(
                s.at().stream().map(a -> new Curve.At(a.offset(), a.percent())).toList()));
        sentence.setText(says);
    }
}
