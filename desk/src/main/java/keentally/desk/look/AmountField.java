package keentally.desk.look;

import javafx.scene.control.TextField;
import javafx.scene.control.TextFormatter;

/**
 * A field for a number, with a unit or without. A letter that cannot belong to it is not typed into it, so that keys which do something
 * everywhere do it here too. What is pasted is taken as it is, to be complained about.
 */
public final class AmountField extends TextField {
    private static final String NUMBER = "0123456789.,+-eE";
    private static final String UNIT = " nmucpxµμ²";

    private final String belong;

    private AmountField(String text, String belong) {
        super(text);
        this.belong = belong;
        setTextFormatter(new TextFormatter<>(change -> isStranger(change.getText()) ? null : change));
    }

    /** For a bare number. */
    public static AmountField number(String text) {
        return new AmountField(text, NUMBER);
    }

    /** For a length or an area with its unit. */
    public static AmountField withUnit(String text) {
        return new AmountField(text, NUMBER + UNIT);
    }

    private boolean isStranger(String typed) {
        return typed.length() == 1 && !belongs(typed);
    }

    /** Whether a key's text can be a part of what is typed here. */
    public boolean belongs(String typed) {
        return !typed.isEmpty() && belong.contains(typed);
    }
}
