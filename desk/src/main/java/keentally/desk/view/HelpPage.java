package keentally.desk.view;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import javafx.scene.Scene;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.VBox;
import javafx.stage.Stage;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;

/** The help, in a window of its own beside the desk. Its text comes with the program: lines that begin with # are headings. */
final class HelpPage {
    private HelpPage() {}

    static void open(Scene owner) {
        VBox page = new VBox();
        page.getStyleClass().add("help-page");
        for (String paragraph : text().split("\n\\s*\n")) {
            String plain = paragraph.strip();
            Label label = plain.startsWith("#")
                    ? Prose.of(plain.substring(1).strip(), "help-head")
                    : Prose.of(plain.replaceAll("\n(?!- )", " "), "help-text");
            page.getChildren().add(label);
        }
        ScrollPane scroll = new ScrollPane(page);
        scroll.setId("help-page");
        scroll.setFitToWidth(true);
        Stage window = new Stage();
        window.initOwner(owner.getWindow());
        window.setTitle(Texts.of("help.title"));
        Scene scene = new Scene(scroll, 620, 640);
        scene.getStylesheets().setAll(owner.getStylesheets());
        window.setScene(scene);
        window.show();
    }

    private static String text() {
        try (InputStream in = HelpPage.class.getResourceAsStream("/keentally/desk/help.txt")) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
