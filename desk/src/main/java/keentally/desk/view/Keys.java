package keentally.desk.view;

import java.util.Locale;
import java.util.Set;
import javafx.scene.Scene;
import javafx.scene.control.ComboBoxBase;
import javafx.scene.control.TableView;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCombination;
import javafx.scene.input.KeyEvent;
import keentally.core.view.Look;
import keentally.desk.look.AmountField;
import keentally.desk.model.DeskModel;
import keentally.desk.stage.StageModel;
import keentally.desk.station.StationActions;

/** The keys that are no menu's: those that are held, and single letters. They rest while somebody types. */
final class Keys {
    private final DeskWindow window;
    private final DeskModel desk;
    private final StageModel stage;

    Keys(DeskWindow window, DeskModel desk, StageModel stage) {
        this.window = window;
        this.desk = desk;
        this.stage = stage;
    }

    void listen(Scene scene) {
        scene.addEventFilter(KeyEvent.KEY_PRESSED, this::pressed);
        scene.addEventFilter(KeyEvent.KEY_RELEASED, this::released);
        scene.getWindow().focusedProperty().addListener((o, had, has) -> letGo());
    }

    private boolean typing(KeyEvent e) {
        var owner = window.scene().getFocusOwner();
        boolean modified = e.isShortcutDown() || e.isAltDown() || e.isMetaDown();
        return modified
                || switch (owner) {
                    case AmountField field ->
                        !isLetter(e) || field.belongs(e.getText().toLowerCase(Locale.ROOT));
                    case TextInputControl field -> true;
                    case ComboBoxBase<?> box -> box.isEditable() || !isLetter(e);
                    case null, default -> false;
                };
    }

    private static boolean isLetter(KeyEvent e) {
        return e.getCode().isLetterKey();
    }

    private static final KeyCombination UNDO = KeyCombination.keyCombination("Shortcut+Z");
    private static final KeyCombination REDO = KeyCombination.keyCombination("Shortcut+Shift+Z");

    /** A text field keeps undo to itself even when nothing was typed in it; then it is the study's. */
    private boolean undone(KeyEvent e) {
        boolean untouched = window.scene().getFocusOwner() instanceof TextInputControl field
                && !field.isUndoable()
                && !field.isRedoable();
        if (untouched && UNDO.match(e)) {
            desk.undo();
        } else if (untouched && REDO.match(e)) {
            desk.redo();
        } else {
            return false;
        }
        return true;
    }

    private void pressed(KeyEvent e) {
        if (undone(e)) {
            e.consume();
            return;
        }
        if (typing(e)) {
            return;
        }
        switch (e.getCode()) {
            case SPACE -> stage.bare().set(true);
            case L -> stage.lens().set(true);
            case N -> stage.toggle(Look.Mark.NUMBERS);
            case F -> window.stage().fit();
            case PAGE_UP, PAGE_DOWN -> {
                if (window.scene().getFocusOwner() instanceof TableView<?>) {
                    return;
                }
                new StationActions(desk).go(e.getCode() == KeyCode.PAGE_UP ? -1 : 1);
            }
            case V -> {
                var pair = window.pair();
                if (e.isShiftDown()) {
                    pair.swapped().set(!pair.swapped().get());
                } else {
                    pair.open().set(!pair.open().get());
                }
            }
            case T -> window.trials().toggle();
            case ESCAPE -> {
                if (window.trials().isOpen().get()) {
                    window.trials().close();
                } else if (window.starters().isOpen().get()) {
                    window.starters().close();
                } else if (!window.stage().giveUpDrawing()) {
                    desk.selection().set(Set.of());
                }
            }
            default -> {
                return;
            }
        }
        e.consume();
    }

    private void released(KeyEvent e) {
        switch (e.getCode()) {
            case SPACE -> {
                if (stage.bare().get()) {
                    stage.bare().set(false);
                    e.consume();
                }
            }
            case L -> stage.lens().set(false);
            default -> {}
        }
    }

    /** A window that loses the keyboard is never told of the release. */
    private void letGo() {
        stage.bare().set(false);
        stage.lens().set(false);
    }
}
