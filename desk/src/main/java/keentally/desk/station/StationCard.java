package keentally.desk.station;

import java.nio.IntBuffer;
import java.util.Optional;
import javafx.css.PseudoClass;
import javafx.scene.control.Label;
import javafx.scene.image.ImageView;
import javafx.scene.image.PixelBuffer;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import keentally.desk.look.Copies;
import keentally.desk.look.Texts;
import keentally.desk.look.Tip;

/** One station on the method line: number, title, a thumbnail of the state after it, and its headline. */
final class StationCard extends VBox {
    static final int THUMB_WIDTH = 112;
    static final int THUMB_HEIGHT = 52;
    private static final double HEADLINE_HEIGHT = 28;
    private static final PseudoClass SELECTED = PseudoClass.getPseudoClass("selected");
    private static final PseudoClass MUTED = PseudoClass.getPseudoClass("muted");
    private static final PseudoClass FAULTY = PseudoClass.getPseudoClass("faulty");

    private final ImageView thumb = new ImageView();
    private final Label headline = new Label();

    /**
     * @param number from 1; 0 for the picture, which has none
     * @param departs whether the sample has settings of its own there
     * @param held whether the station is held at what it found
     */
    StationCard(int number, String stepId, String title, boolean departs, boolean held) {
        setId("card-" + number);
        getStyleClass().add("station-card");
        Label name = new Label(title);
        name.getStyleClass().add("card-title");
        HBox head = new HBox(name);
        head.getStyleClass().add("card-head");
        if (number > 0) {
            Label badge = new Label(String.valueOf(number));
            badge.getStyleClass().add("badge");
            head.getChildren().addFirst(badge);
        }
        if (departs) {
            head.getChildren().add(badge("departs.card"));
        }
        if (held) {
            head.getChildren().add(badge("held.card"));
        }
        StackPane frame = new StackPane(thumb);
        frame.getStyleClass().add("thumb");
        frame.setMinSize(THUMB_WIDTH, THUMB_HEIGHT);
        frame.setMaxSize(THUMB_WIDTH, THUMB_HEIGHT);
        headline.getStyleClass().add("card-headline");
        headline.setWrapText(true);
        headline.setMaxWidth(THUMB_WIDTH);
        headline.setMinHeight(HEADLINE_HEIGHT);
        headline.setMaxHeight(HEADLINE_HEIGHT);
        getChildren().addAll(head, frame, headline);
        setUserData(stepId);
        setFocusTraversable(true);
        setAccessibleText(number > 0 ? number + " " + title : title);
        Copies.from(this, () -> Copies.put(Copies.text(title + ": " + headline.getText())));
    }

    /** @param key of its text, and of what it means */
    private static Label badge(String key) {
        Label badge = new Label(Texts.of(key));
        badge.getStyleClass().add("card-own");
        Tip.on(badge, Texts.of(key + ".help"));
        badge.setMinWidth(Region.USE_PREF_SIZE);
        return badge;
    }

    String stepId() {
        return (String) getUserData();
    }

    void select(boolean selected) {
        pseudoClassStateChanged(SELECTED, selected);
    }

    void show(String text, boolean muted, Optional<String> fault) {
        headline.setText(text.replace(" %", "\u00a0%")); // never parted from its number
        Tip.on(headline, text.isEmpty() ? "" : fault.orElse(text));
        pseudoClassStateChanged(MUTED, muted);
        pseudoClassStateChanged(FAULTY, fault.isPresent());
    }

    void show(int[] pixels) {
        thumb.setImage(new WritableImage(new PixelBuffer<>(
                THUMB_WIDTH, THUMB_HEIGHT, IntBuffer.wrap(pixels), PixelFormat.getIntArgbPreInstance())));
    }
}
