package keentally.desk.look;

import java.util.Optional;
import javafx.event.ActionEvent;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.ButtonBar;
import javafx.scene.control.ButtonType;
import javafx.scene.control.Dialog;
import javafx.scene.control.DialogPane;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;

/** A small window that asks for a decision, in the theme of the window that it belongs to. */
public final class Ask {
    private Ask() {}

    /** Returns whether the person said yes, by the button that {@code yes} names. */
    public static boolean that(Scene owner, String title, Node content, String yes) {
        ButtonType agreed = new ButtonType(yes, ButtonBar.ButtonData.OK_DONE);
        return dialog(owner, title, content, agreed).showAndWait().equals(Optional.of(agreed));
    }

    /**
     * Asks until what the person gave can be taken, or they leave: what is in the way is said below, and nothing typed is lost.
     *
     * @param take throws IllegalArgumentException with a sentence where it cannot be taken
     */
    public static void until(Scene owner, String title, Node content, String yes, Runnable take) {
        ButtonType agreed = new ButtonType(yes, ButtonBar.ButtonData.OK_DONE);
        Label complaint = Prose.complaint();
        complaint.setId("ask-complaint");
        Dialog<ButtonType> dialog = dialog(owner, title, new VBox(8, content, complaint), agreed);
        DialogPane pane = dialog.getDialogPane();
        pane.lookupButton(agreed).addEventFilter(ActionEvent.ACTION, e -> {
            try {
                take.run();
            } catch (IllegalArgumentException wrong) {
                complaint.setText(Texts.complaint(wrong.getMessage()));
                complaint.setVisible(true);
                pane.getScene().getWindow().sizeToScene();
                e.consume();
            }
        });
        dialog.showAndWait();
    }

    /** Shows something to be read and closed. */
    public static void show(Scene owner, String title, Node content) {
        dialog(owner, title, content).show();
    }

    private static Dialog<ButtonType> dialog(Scene owner, String title, Node content, ButtonType... answers) {
        Dialog<ButtonType> dialog = new Dialog<>();
        dialog.initOwner(owner.getWindow());
        dialog.setTitle(title);
        dialog.setHeaderText(title);
        dialog.setGraphic(null);
        dialog.setResizable(true);
        dialog.getDialogPane().setContent(content);
        dialog.getDialogPane().getButtonTypes().setAll(answers);
        dialog.getDialogPane()
                .getButtonTypes()
                .add(new ButtonType(
                        Texts.of(answers.length == 0 ? "ask.close" : "ask.cancel"), ButtonBar.ButtonData.CANCEL_CLOSE));
        dialog.getDialogPane().getScene().getStylesheets().setAll(owner.getStylesheets());
        dialog.getDialogPane().getStyleClass().add("ask");
        return dialog;
    }
}
