package keentally.desk.bring;

import java.nio.IntBuffer;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.Scene;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.RadioButton;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleGroup;
import javafx.scene.image.ImageView;
import javafx.scene.image.PixelBuffer;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import keentally.core.bring.MaskPicture;
import keentally.core.bring.MaskPicture.How;
import keentally.core.bring.MaskPicture.Meaning;
import keentally.core.quantity.Amounts;
import keentally.core.setting.ChoiceSetting;
import keentally.core.words.Figures;
import keentally.desk.bring.BringModel.Preview;
import keentally.desk.bring.BringModel.Seen;
import keentally.desk.look.Ask;
import keentally.desk.look.Pieces;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;

/** What a picture was recognised as, how it lies on the sample, and what else it could be taken for. */
public final class BringDialog {
    private static final int WIDTH = 460;
    private static final int HEIGHT = 320;

    private final BringModel model;
    private final Seen seen;
    private final ImageView picture = new ImageView();
    private final Label told = Prose.of("", "figure-line");
    private final ToggleGroup meanings = new ToggleGroup();
    private final TextField cut = new TextField();
    private final CheckBox inverted = new CheckBox(Texts.of("bring.inverted"));
    private final HBox masks = new HBox(8, Pieces.name("bring.cut"), cut, inverted);
    private Optional<Preview> preview = Optional.empty();

    private BringDialog(BringModel model, Seen seen) {
        this.model = model;
        this.seen = seen;
    }

    /** @param take given what is to be taken in, once the person said yes */
    public static void ask(Scene owner, BringModel model, Seen seen, Consumer<Preview> take) {
        new BringDialog(model, seen).ask(owner, take);
    }

    private void ask(Scene owner, Consumer<Preview> take) {
        told.setId("bring-told");
        cut.setId("bring-cut");
        cut.setPrefWidth(80);
        inverted.setId("bring-inverted");
        masks.getStyleClass().add("row");
        cut.setText(Amounts.shown(seen.picture().usual().cut()));
        VBox all = new VBox(8, Prose.of(recognised(), "help-text"));
        for (Meaning meaning : seen.picture().meanings()) {
            RadioButton button = new RadioButton(Texts.of("bring.as." + ChoiceSetting.word(meaning)));
            button.setId("bring-as-" + ChoiceSetting.word(meaning));
            button.setUserData(meaning);
            button.setToggleGroup(meanings);
            button.setSelected(meaning == seen.picture().usual().meaning());
            all.getChildren().add(button);
        }
        all.getChildren().addAll(masks, picture, told);
        all.setPrefWidth(WIDTH);
        picture.setFitWidth(WIDTH);
        picture.setFitHeight(HEIGHT);
        meanings.selectedToggleProperty().addListener(o -> show());
        inverted.setOnAction(e -> show());
        cut.textProperty().addListener(o -> show());
        show();
        Ask.until(owner, Texts.of("bring.title"), all, Texts.of("bring.yes"), () -> {
            Preview now = preview.filter(p -> p.how().equals(how()))
                    .orElseThrow(() -> new IllegalArgumentException(Texts.of("bring.wait")));
            if (now.brought().isEmpty()) {
                throw new IllegalArgumentException(now.told());
            }
            take.accept(now);
        });
    }

    private How how() {
        Meaning meaning = (Meaning) meanings.getSelectedToggle().getUserData();
        try {
            return new How(meaning, Amounts.number(cut.getText()), inverted.isSelected());
        } catch (NumberFormatException e) {
            throw new IllegalArgumentException(Texts.of("bring.cut.wrong", cut.getText()));
        }
    }

    private void show() {
        masks.setDisable(meanings.getSelectedToggle().getUserData() != Meaning.MASK);
        try {
            model.preview(seen, how(), WIDTH, HEIGHT, made -> {
                preview = Optional.of(made);
                told.setText(made.told());
                made.pixels()
                        .ifPresent(pixels -> picture.setImage(new WritableImage(new PixelBuffer<>(
                                WIDTH, HEIGHT, IntBuffer.wrap(pixels), PixelFormat.getIntArgbPreInstance()))));
            });
        } catch (IllegalArgumentException e) {
            told.setText(Texts.complaint(e.getMessage()));
        }
    }

    private String recognised() {
        MaskPicture p = seen.picture();
        String size = Texts.of(
                "bring.seen",
                seen.file().getFileName().toString(),
                String.valueOf(p.width()),
                String.valueOf(p.height()));
        if (p.meanings().contains(Meaning.CLASSES) && !p.meanings().contains(Meaning.LABELS) || p.distinct() <= 2) {
            return size + " " + Texts.of("bring.seen.few", Figures.number(p.distinct()));
        }
        return size + " "
                + Texts.of(
                        "bring.seen.many",
                        Figures.number(p.distinct()),
                        Figures.number(p.least()),
                        Figures.number(p.greatest()),
                        Figures.percent(p.betweenPercent()));
    }
}
