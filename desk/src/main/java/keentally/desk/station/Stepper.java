package keentally.desk.station;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javafx.scene.control.Button;
import keentally.core.quantity.Amounts;

/** Makes an amount with its unit a little smaller or larger. */
final class Stepper {
    private static final Pattern AMOUNT = Pattern.compile("([0-9.eE+-]+)( .+)");
    private static final MathContext THREE_DIGITS = new MathContext(3);

    private Stepper() {}

    static Button button(String sign, Runnable does) {
        Button button = new Button(sign);
        button.getStyleClass().add("stepper");
        button.setFocusTraversable(false);
        button.setOnAction(e -> does.run());
        return button;
    }

    /** Rounded to three digits that count; from nothing it starts at 1. Empty where the text is a word. */
    static Optional<String> scaled(String text, double factor) {
        Matcher found = AMOUNT.matcher(Amounts.typed(text));
        if (!found.matches()) {
            return Optional.empty();
        }
        double amount = Double.parseDouble(found.group(1));
        double next = amount == 0 ? 1 : amount * factor;
        double rounded = new BigDecimal(next).round(THREE_DIGITS).doubleValue();
        return Optional.of(Amounts.shown(rounded) + found.group(2));
    }
}
