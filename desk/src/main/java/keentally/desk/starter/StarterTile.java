package keentally.desk.starter;

import java.nio.IntBuffer;
import java.util.List;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.Consumer;
import javafx.scene.control.Button;
import javafx.scene.control.ContentDisplay;
import javafx.scene.control.Label;
import javafx.scene.image.Image;
import javafx.scene.image.ImageView;
import javafx.scene.image.PixelBuffer;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;
import javafx.scene.layout.VBox;
import keentally.core.setting.ChoiceSetting;
import keentally.core.starter.Starter;
import keentally.core.starter.Suggestion;
import keentally.core.words.Words;
import keentally.desk.help.Topic;
import keentally.desk.help.Why;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.look.Tip;

/** One question with a preview of what it is answered by, its number, how sure that is, and what may be wrong with it. */
final class StarterTile extends Button {
    /** What is said takes as much, or more where it must. */
    private static final int FOOT = 130;

    private static final int REFUSED = 74;

    private final Starter starter;
    private final ImageView picture = new ImageView();
    private final Label number = Prose.of(Texts.of("trial.waiting"), "starter-number", StarterTrials.WIDTH);
    private final Label range = Prose.of("", "starter-range", StarterTrials.WIDTH);
    private final Label why = Prose.of("", "starter-why", StarterTrials.WIDTH);
    private final VBox face = new VBox();
    private final Consumer<Suggestion> take;
    private final BiFunction<Suggestion, StarterTrials.Seen, Topic> whys;
    private List<Suggestion> suggestions = List.of();
    private Optional<Suggestion> shown = Optional.empty();

    /**
     * @param take what a click does with the suggestion that is shown
     * @param whys tells why its number is so
     */
    StarterTile(Starter starter, Consumer<Suggestion> take, BiFunction<Suggestion, StarterTrials.Seen, Topic> whys) {
        this.starter = starter;
        this.take = take;
        this.whys = whys;
        setId("starter-" + ChoiceSetting.word(starter));
        getStyleClass().setAll("tile", "starter");
        Label question = Prose.of(Texts.of(StarterWords.key(starter)), "starter-name", StarterTrials.WIDTH);
        number.getStyleClass().add("figure");
        number.setId(getId() + "-number");
        range.setId(getId() + "-range");
        why.setId(getId() + "-why");
        picture.setFitWidth(StarterTrials.WIDTH);
        picture.setFitHeight(StarterTrials.HEIGHT);
        for (Label label : List.of(range, why)) {
            label.managedProperty().bind(label.textProperty().isNotEmpty());
        }
        face.getChildren().setAll(question, picture, number, range, why);
        face.getStyleClass().add("starter-face");
        face.setMinHeight(StarterTrials.HEIGHT + FOOT);
        setGraphic(face);
        setContentDisplay(ContentDisplay.GRAPHIC_ONLY);
        setAccessibleText(question.getText());
        setDisable(true);
    }

    Starter starter() {
        return starter;
    }

    List<Suggestion> suggestions() {
        return suggestions;
    }

    void suggest(List<Suggestion> all) {
        suggestions = all;
    }

    Optional<Suggestion> shown() {
        return shown;
    }

    void show(Suggestion suggestion, StarterTrials.Seen seen) {
        shown = Optional.of(suggestion);
        Why.from(this, () -> shown.map(s -> whys.apply(s, seen)));
        number.setText(StarterWords.number(seen));
        range.setText(StarterWords.range(seen));
        why.setText(seen.caution().map(c -> Words.spoken(c.saw())).orElse(""));
        Tip.on(
                this,
                seen.caution()
                        .map(c -> Words.spoken(c.saw()) + " " + Words.spoken(c.why()) + " " + Words.spoken(c.wayOut()))
                        .orElse(""));
        setAccessibleText(Texts.of(StarterWords.key(starter)) + " " + number.getText() + " " + range.getText());
        picture.setImage(image(seen.pixels()));
        readable(true);
        setDisable(false);
        setOnAction(e -> take.accept(suggestion));
    }

    /** @param reason why the question has no answer here */
    void refuse(String reason) {
        shown = Optional.empty();
        why.setText(reason);
        range.setText("");
        readable(false);
        setDisable(true);
    }

    private void readable(boolean answered) {
        picture.setVisible(answered);
        picture.setManaged(answered);
        face.setMinHeight(answered ? StarterTrials.HEIGHT + FOOT : REFUSED);
        number.setManaged(answered);
        number.setVisible(answered);
    }

    static Image image(int[] pixels) {
        return new WritableImage(new PixelBuffer<>(
                StarterTrials.WIDTH,
                StarterTrials.HEIGHT,
                IntBuffer.wrap(pixels),
                PixelFormat.getIntArgbPreInstance()));
    }
}
