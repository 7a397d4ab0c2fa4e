package keentally.desk.look;

import javafx.scene.control.TextField;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;

/**
 * Text that somebody types. It counts with Enter (where Enter begins a line, with Ctrl+Enter), and when the field is left with something in it that did not count
 * yet; a field that is merely left says nothing, so that what was undone meanwhile is not done again.
 */
public final class Typed {
    private final TextInputControl field;
    private final Runnable take;
    private String counted;

    private Typed(TextInputControl field, Runnable take) {
        this.field = field;
        this.take = take;
        this.counted = field.getText();
    }

    /** @param take reads the field and does what it says, or says why not */
    public static Typed in(TextInputControl field, Runnable take) {
        Typed typed = new Typed(field, take);
        if (field instanceof TextField line) {
            line.setOnAction(e -> typed.count());
        } else {
            field.addEventFilter(KeyEvent.KEY_PRESSED, e -> {
                if (e.getCode() == KeyCode.ENTER && e.isShortcutDown()) {
                    typed.count();
                }
            });
        }
        field.focusedProperty().addListener((o, was, is) -> {
            if (is) {
                typed.counted = field.getText();
            } else if (typed.isNew()) {
                typed.count();
            }
        });
        return typed;
    }

    /** Writes what is known into the field, unless somebody is typing there. */
    public void show(String known) {
        if (field.isFocused() && isNew()) {
            return;
        }
        counted = known;
        if (!field.getText().equals(known)) {
            field.setText(known);
        }
    }

    private boolean isNew() {
        return !field.getText().equals(counted);
    }

    private void count() {
        counted = field.getText();
        take.run();
    }
}
