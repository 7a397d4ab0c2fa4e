package keentally.desk.station;

import java.util.function.DoubleConsumer;
import javafx.scene.control.Slider;

/** A slider on which equal ways are equal ratios: what it stands at is tried while it is dragged or a key is held, and kept when it is let go. */
final class ProportionSlider extends Slider {
    private final DoubleConsumer kept;

    /** The value that is kept; the thumb stands elsewhere only while it is moved. */
    private double last;

    /**
     * @param name what it sets, for screen readers
     * @param now where the thumb begins; the nearest end where it is outside
     * @param tried gets every value the thumb passes
     * @param kept gets the value it is left at, unless it was not moved, however finely the number was typed
     */
    ProportionSlider(
            String id, String name, double least, double most, double now, DoubleConsumer tried, DoubleConsumer kept) {
        super(Math.log(least), Math.log(most), Math.log(Math.clamp(now, least, most)));
        this.last = getValue();
        this.kept = kept;
        setId(id);
        setAccessibleText(name);
        setBlockIncrement(Math.log(1.1));
        valueProperty().addListener((o, was, is) -> tried.accept(Math.exp(is.doubleValue())));
        setOnMouseReleased(e -> keep());
        setOnKeyReleased(e -> {
            if (!isPressed()) { // a key let go of while the mouse still drags ends nothing
                keep();
            }
        });
        focusedProperty().addListener(o -> {
            if (!isFocused() && !isPressed()) { // the key that moved it may be let go of elsewhere
                keep();
            }
        });
    }

    private void keep() {
        if (getValue() != last) {
            last = getValue();
            kept.accept(Math.exp(getValue()));
        }
    }
}
