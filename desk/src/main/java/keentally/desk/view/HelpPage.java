package keentally.desk.view;

import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.VBox;
import javafx.stage.Stage;
import keentally.desk.look.HelpText;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;

/** The help, in a window of its own beside the desk. */
final class HelpPage {
    private HelpPage() {}

    static void open(Scene owner) {
        open(owner, "");
    }

    /** What is shipped with the program, and under which licences; made by {@code build/licences}. */
    static void licences(Scene owner) {
        VBox page = new VBox();
        page.getStyleClass().add("help-page");
        HelpText.licences().lines().forEach(line -> page.getChildren().add(Prose.of(line, "help-text")));
        show(owner, Texts.of("licences.title"), page);
    }

    /** @param at the heading that is to stand at the top; empty for the beginning */
    static void open(Scene owner, String at) {
        VBox page = new VBox();
        page.getStyleClass().add("help-page");
        ScrollPane scroll = show(owner, Texts.of("help.title"), page);
        for (HelpText.Part part : HelpText.parts()) {
            Label head = Prose.of(part.heading(), "help-head");
            page.getChildren().add(head);
            for (String paragraph : part.text().split("\n\\s*\n")) {
                page.getChildren().add(Prose.of(paragraph.strip().replaceAll("\n(?!- )", " "), "help-text"));
            }
            if (part.heading().equals(at)) {
                Platform.runLater(
                        () -> scroll.setVvalue(head.getBoundsInParent().getMinY()
                                / (page.getHeight() - scroll.getViewportBounds().getHeight())));
            }
        }
    }

    private static ScrollPane show(Scene owner, String title, VBox page) {
        ScrollPane scroll = new ScrollPane(page);
        scroll.setId("help-page");
        scroll.setFitToWidth(true);
        Stage window = new Stage();
        window.initOwner(owner.getWindow());
        window.setTitle(title);
        Scene scene = new Scene(scroll, 620, 640);
        scene.getStylesheets().setAll(owner.getStylesheets());
        window.setScene(scene);
        window.show();
        return scroll;
    }
}
