package keentally.desk.view;

import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Slider;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import keentally.core.setting.ChoiceSetting;
import keentally.core.view.Layers;
import keentally.core.view.Viewport;
import keentally.core.words.Figures;
import keentally.desk.look.Texts;
import keentally.desk.stage.StageModel;
import keentally.desk.stage.StageView;

/** Above the picture: how mask and objects are shown on it, and how large it is. */
final class StageBar extends HBox {
    private final Label zoom = new Label();

    StageBar(StageModel model, StageView view) {
        getStyleClass().add("stage-bar");
        ToggleGroup group = new ToggleGroup();
        HBox choices = new HBox();
        choices.getStyleClass().add("choices");
        for (Layers.Overlay overlay : Layers.Overlay.values()) {
            String word = ChoiceSetting.word(overlay);
            ToggleButton button = new ToggleButton(Texts.of("overlay." + word));
            button.setId("overlay-" + word);
            button.setTooltip(new Tooltip(Texts.of("overlay." + word + ".help")));
            button.setToggleGroup(group);
            button.setFocusTraversable(false);
            button.setSelected(model.overlay().get() == overlay);
            button.setOnAction(e -> {
                button.setSelected(true);
                model.overlay().set(overlay);
            });
            model.overlay().addListener((o, was, is) -> button.setSelected(is == overlay));
            choices.getChildren().add(button);
        }
        Label name = new Label(Texts.of("overlay.strength"));
        Slider strength = new Slider(0, 1, model.strength().get());
        strength.setId("strength");
        strength.setPrefWidth(90);
        strength.setFocusTraversable(false);
        strength.valueProperty().bindBidirectional(model.strength());
        name.setLabelFor(strength);
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        zoom.setId("zoom");
        zoom.getStyleClass().add("figure");
        Button fit = button("fit", view::fit);
        Button real = button("real", view::realPixels);
        getChildren().addAll(choices, name, strength, gap, zoom, fit, real);
        model.view()
                .addListener(o -> zoom.setText(model.view()
                        .get()
                        .map(Viewport::zoom)
                        .map(z -> Figures.number(Math.rint(z * 1000) / 10) + " %")
                        .orElse("")));
    }

    private static Button button(String key, Runnable does) {
        Button button = new Button(Texts.of("stage." + key));
        button.setId("stage-" + key);
        button.setTooltip(new Tooltip(Texts.of("stage." + key + ".help")));
        button.setFocusTraversable(false);
        button.setOnAction(e -> does.run());
        return button;
    }
}
