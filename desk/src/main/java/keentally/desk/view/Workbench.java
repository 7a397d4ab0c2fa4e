package keentally.desk.view;

import java.util.Optional;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import keentally.desk.model.DeskModel;
import keentally.desk.picture.PictureModel;
import keentally.desk.stage.StageModel;
import keentally.desk.stage.StageView;
import keentally.desk.station.MethodLine;

/** What the welcome makes room for: method line, slide tray, the stage with its bar, and at the right the side of the view. */
final class Workbench extends VBox {
    private final SlideTray tray;
    private final StackPane ground;
    private final StackPane side = new StackPane();

    /** In place of the stage, and of all that is about one sample. */
    private final ObjectProperty<Optional<Region>> inPlace = new SimpleObjectProperty<>(Optional.empty());

    /** @param ground the stage with what lies over it; what comes in its place is put below the topmost of it */
    Workbench(DeskModel desk, StageModel stageModel, PictureModel picture, StageView stage, StackPane ground) {
        this.ground = ground;
        this.tray = new SlideTray(desk, picture.actions());
        tray.managedProperty().bind(tray.visibleProperty());
        ground.setMinWidth(0); // else the widest of what may come to stand there would push the panel out of the window
        VBox.setVgrow(ground, Priority.ALWAYS);
        StageBar bar = new StageBar(desk, stageModel, picture, stage);
        VBox middle = new VBox(bar, ground, new ProfileStrip(desk, picture, stageModel));
        HBox.setHgrow(middle, Priority.ALWAYS);
        side.getStyleClass().add("side");
        StackPane slides = new StackPane(tray);
        HBox below = new HBox(slides, middle, side);
        VBox.setVgrow(below, Priority.ALWAYS);
        MethodLine line = new MethodLine(desk);
        for (Region part :
                new Region[] {bar, slides, line}) { // what is about one sample makes room for what is about all
            part.visibleProperty().bind(inPlace.map(Optional::isEmpty));
            part.managedProperty().bind(part.visibleProperty());
        }
        getChildren().addAll(line, below);
    }

    /** Lays out what a view has beside the stage or in its place. */
    void stand(DeskView view) {
        side.setMinWidth(view.width());
        side.setPrefWidth(view.width());
        side.setMaxWidth(view.width());
        side.getChildren().setAll(view.side().get());
        Optional<Region> middle = view.middle().map(made -> made.get());
        middle.filter(m -> m.getParent() == null).ifPresent(this::lay);
        inPlace.set(middle);
    }

    private void lay(Region middle) {
        middle.visibleProperty()
                .bind(inPlace.map(m -> m.filter(r -> r == middle).isPresent()));
        ground.getChildren().add(ground.getChildren().size() - 1, middle);
    }

    void foldTray() {
        tray.setVisible(!tray.isVisible());
    }
}
