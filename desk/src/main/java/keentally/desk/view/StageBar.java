package keentally.desk.view;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.application.Platform;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import keentally.core.colour.ChannelPlane;
import keentally.core.step.Flow;
import keentally.core.view.Look;
import keentally.core.view.Viewport;
import keentally.core.words.Figures;
import keentally.desk.look.Pieces;
import keentally.desk.look.Texts;
import keentally.desk.look.Tip;
import keentally.desk.model.DeskModel;
import keentally.desk.picture.PictureModel;
import keentally.desk.stage.StageModel;
import keentally.desk.stage.StageView;

/** Above the picture: how mask and objects are shown on it, and how large it is. */
final class StageBar extends VBox {
    private static final double GAP = 8;

    private final Label zoom = new Label();
    private final HBox marks;
    private final HBox tools;

    StageBar(DeskModel desk, StageModel model, PictureModel picture, StageView view) {
        getStyleClass().add("stage-bar");
        HBox choices = Pieces.choices("overlay", Look.Overlay.values(), model.overlay());
        choices.getChildren().add(new MarksMenu(desk, model));
        HBox looks = Pieces.choices("phases", StageModel.PhaseLook.values(), model.phaseLook());
        Node sure = looks.getChildren().get(StageModel.PhaseLook.SURE.ordinal());
        sure.visibleProperty().bind(model.unsure());
        sure.managedProperty().bind(sure.visibleProperty());
        Runnable swap = () -> {
            boolean phases = model.flow().get() == Flow.PHASES;
            looks.setVisible(phases);
            choices.setVisible(!phases);
        };
        for (HBox box : List.of(looks, choices)) {
            box.managedProperty().bind(box.visibleProperty());
        }
        model.flow().addListener(o -> swap.run());
        swap.run();
        zoom.setMinWidth(44);
        zoom.setId("zoom");
        zoom.getStyleClass().add("figure");
        Button fit = button("fit", view::fit);
        Button real = button("real", view::realPixels);
        ToggleButton ruler = new ToggleButton(Texts.of("ruler"));
        ruler.setId("ruler");
        Tip.on(ruler, Texts.of("ruler.help"));
        ruler.setFocusTraversable(false);
        ruler.selectedProperty().bindBidirectional(picture.ruling());
        tools = new HBox(channel(desk, model), new ContrastMenu(desk, model), ruler, zoom, fit, real);
        marks = new HBox(choices, looks);
        for (HBox box : List.of(choices, looks, tools)) {
            box.getStyleClass().add("choices");
            box.setMinWidth(USE_PREF_SIZE);
        }
        for (Node each : tools.getChildren()) {
            ((Region) each).setMinWidth(each == zoom ? 44 : USE_PREF_SIZE);
        }
        for (Node each : choices.getChildren()) {
            ((Region) each).setMinWidth(USE_PREF_SIZE);
        }
        for (HBox box : List.of(choices, looks)) {
            box.getChildren()
                    .forEach(n -> n.setFocusTraversable(false)); // the stage keeps the keyboard; menus have them too
        }
        tools.setAlignment(Pos.CENTER_LEFT);
        setMinWidth(0); // else the table would be pushed out before there are two lines
        widthProperty().addListener(o -> lay());
        model.flow().addListener(o -> lay());
        desk.open().addListener(o -> Platform.runLater(this::lay));
        lay();
        model.view()
                .addListener(o -> zoom.setText(model.view()
                        .get()
                        .map(Viewport::zoom)
                        .map(z -> Figures.number(Math.rint(z * 1000) / 10) + " %")
                        .orElse("")));
    }

    /** In one line where there is room, else in two. */
    private void lay() {
        double room = getWidth() - getInsets().getLeft() - getInsets().getRight();
        boolean one = getWidth() == 0 || marks.prefWidth(-1) + tools.prefWidth(-1) + GAP <= room;
        if (one == (getChildren().size() == 1) && !getChildren().isEmpty()) {
            return;
        }
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        HBox first = one ? new HBox(GAP, marks, gap, tools) : new HBox(marks);
        getChildren().setAll(one ? List.of(first) : List.of(first, new HBox(tools)));
    }

    /** One channel of the original, whatever the method does. */
    private static ComboBox<String> channel(DeskModel desk, StageModel model) {
        ComboBox<String> box = new ComboBox<>();
        box.setId("look-channel");
        box.managedProperty().bind(box.visibleProperty());
        box.setFocusTraversable(false);
        box.setAccessibleText(Texts.of("look.channel.help"));
        Tip.on(box, Texts.of("look.channel.help"));
        String all = Texts.of("look.channel.all");
        Runnable fill = () -> {
            List<String> words = new ArrayList<>(List.of(all));
            desk.open()
                    .get()
                    .map(o -> o.file().picture())
                    .filter(p -> p.single().isEmpty())
                    .ifPresent(p -> words.addAll(ChannelPlane.wordsFor(p)));
            box.getItems().setAll(words);
            box.setValue(model.channel().get().filter(words::contains).orElse(all));
            box.setVisible(words.size() > 1);
        };
        desk.open().addListener(o -> fill.run());
        model.channel().addListener(o -> box.setValue(model.channel().get().orElse(all)));
        box.setOnAction(e -> {
            String word = box.getValue();
            model.channel().set(word == null || word.equals(all) ? Optional.empty() : Optional.of(word));
        });
        fill.run();
        return box;
    }

    private static Button button(String key, Runnable does) {
        Button button = new Button(Texts.of("stage." + key));
        button.setId("stage-" + key);
        Tip.on(button, Texts.of("stage." + key + ".help"));
        button.setFocusTraversable(false);
        button.setOnAction(e -> does.run());
        return button;
    }
}
