package keentally.desk.starter;

import javafx.scene.control.ContentDisplay;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.image.ImageView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import keentally.core.starter.Suggestion;
import keentally.desk.look.Texts;
import keentally.desk.look.Tip;

/** A way to count the things, as a small picture with its number; chosen by its key or a click, it becomes that of all counting questions. */
final class OtherWay extends ToggleButton {
    private static final int WIDTH = 84;

    private final ImageView picture = new ImageView();
    private final Label number = new Label(Texts.of("trial.waiting"));
    private final String words;

    /** @param place from 1: the digit that is its key */
    OtherWay(int place, Suggestion suggestion) {
        setId("starter-way-" + place);
        getStyleClass().setAll("tile", "starter", "starter-way");
        picture.setFitWidth(WIDTH);
        picture.setFitHeight(WIDTH * (double) StarterTrials.HEIGHT / StarterTrials.WIDTH);
        number.getStyleClass().add("figure");
        number.setId(getId() + "-number");
        Label key = new Label(String.valueOf(place));
        key.getStyleClass().add("starter-key");
        VBox said = new VBox(key, number);
        said.getStyleClass().add("starter-said");
        HBox face = new HBox(picture, said);
        face.getStyleClass().add("starter-way-face");
        setGraphic(face);
        setContentDisplay(ContentDisplay.GRAPHIC_ONLY);
        words = StarterWords.way(suggestion);
        Tip.on(this, words);
        setAccessibleText(words);
    }

    void show(StarterTrials.Seen seen) {
        number.setText(StarterWords.bare(seen));
        setAccessibleText(number.getText() + ", " + words);
        picture.setImage(StarterTile.image(seen.pixels()));
    }
}
