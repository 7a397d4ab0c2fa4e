package keentally.desk.view;

import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Slider;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.stage.Popup;
import keentally.core.view.Contrast;
import keentally.core.words.Figures;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.desk.stage.StageModel;

/** What is shown black and what white. Only the eye sees it: no value changes. */
final class ContrastMenu extends ToggleButton {
    private static final double WIDTH = 260;
    private static final double MOST = 100;

    private final DeskModel desk;
    private final StageModel stage;
    private final Popup popup = new Popup();
    private final Slider black = new Slider(0, MOST, 0);
    private final Slider white = new Slider(0, MOST, MOST);
    private final Label blackValue = new Label();
    private final Label whiteValue = new Label();
    private boolean filling;

    ContrastMenu(DeskModel desk, StageModel stage) {
        super(Texts.of("contrast"));
        this.desk = desk;
        this.stage = stage;
        setId("contrast");
        black.setId("contrast-black");
        white.setId("contrast-white");
        Button asIs = new Button(Texts.of("contrast.as-is"));
        asIs.setId("contrast-as-is");
        asIs.setOnAction(e -> {
            stage.contrast().set(Optional.empty());
            fill();
        });
        Slider tint = new Slider(0, 1, stage.strength().get());
        tint.setId("strength");
        tint.valueProperty().bindBidirectional(stage.strength());
        VBox box = new VBox(
                8,
                Prose.of(Texts.of("contrast.about"), "hint"),
                row("contrast.black", black, blackValue),
                row("contrast.white", white, whiteValue),
                asIs,
                row("contrast.tint", tint, new Label()));
        box.getStyleClass().add("caution-list");
        box.setPrefWidth(WIDTH + 40);
        popup.getContent().add(box);
        popup.setAutoHide(true);
        popup.setOnHidden(e -> setSelected(stage.contrast().get().isPresent()));
        black.valueProperty().addListener(o -> take());
        white.valueProperty().addListener(o -> take());
        setOnAction(e -> open());
        stage.contrast().addListener((o, was, is) -> {
            setText(Texts.of(is.isPresent() ? "contrast.changed" : "contrast"));
            setSelected(is.isPresent() || popup.isShowing());
        });
    }

    private static VBox row(String key, Slider slider, Label value) {
        Label name = new Label(Texts.of(key));
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        value.getStyleClass().add("figure");
        slider.setPrefWidth(WIDTH);
        return new VBox(2, new HBox(name, gap, value), slider);
    }

    private void open() {
        if (desk.open().get().isEmpty()) {
            setSelected(false);
            return;
        }
        fill();
        popup.getScene().getStylesheets().setAll(getScene().getStylesheets());
        var at = localToScreen(getBoundsInLocal());
        popup.show(this, at.getMinX() - 20, at.getMaxY() + 4);
    }

    private void fill() {
        Contrast now = stage.contrast().get().orElse(Contrast.AS_IT_IS);
        filling = true;
        black.setValue(100 * now.black());
        white.setValue(100 * now.white());
        filling = false;
        say();
    }

    private void take() {
        if (filling) {
            return;
        }
        double from = Math.min(black.getValue(), MOST - 1);
        double to = Math.max(white.getValue(), from + 1);
        stage.contrast().set(Optional.of(new Contrast(from / MOST, to / MOST)));
        say();
    }

    /** What is shown, which is not what the sliders say where one has passed the other. */
    private void say() {
        Contrast now = stage.contrast().get().orElse(Contrast.AS_IT_IS);
        blackValue.setText(Figures.fixed(MOST * now.black(), 0) + " %");
        whiteValue.setText(Figures.fixed(MOST * now.white(), 0) + " %");
    }
}
