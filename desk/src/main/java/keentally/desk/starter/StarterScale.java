package keentally.desk.starter;

import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import keentally.core.find.Caption;
import keentally.core.words.Figures;
import keentally.desk.look.Pieces;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.desk.picture.PictureModel;
import keentally.desk.picture.PictureModel.Section;

/** Below the sizes, while the sample has no scale: that they stand in px, and the way to a scale, along the bar that was found. */
final class StarterScale extends HBox {
    private final DeskModel desk;
    private final PictureModel picture;
    private final Label told = new Label();

    /** Whether the person went to give a scale. */
    private boolean giving;

    StarterScale(DeskModel desk, PictureModel picture) {
        super(10);
        this.desk = desk;
        this.picture = picture;
        setId("starter-scale");
        setAlignment(Pos.CENTER_LEFT);
        told.getStyleClass().add("starter-ways-head");
        told.setId("starter-scale-told");
        told.setWrapText(true);
        Button give = Pieces.button("starter-scale-give", "starter.scale.give", this::give);
        give.setMinWidth(USE_PREF_SIZE);
        getChildren().addAll(told, give);
        managedProperty().bind(visibleProperty());
        picture.caption().addListener(o -> refresh());
        desk.study().addListener(o -> refresh());
        desk.sampleId().addListener(o -> {
            giving = false; // it was of the sample before
            refresh();
        });
        refresh();
    }

    private Optional<Caption.Bar> bar() {
        return picture.caption().get().flatMap(Caption::bar);
    }

    private void refresh() {
        if (giving && desk.scale().isPresent()) {
            giving = false;
            picture.go(Section.FACTS); // what draws the scale makes room for the questions
        }
        setVisible(desk.sample().isPresent() && desk.scale().isEmpty());
        told.setText(bar().map(b -> Texts.of("starter.scale.bar", Figures.number(Math.rint(b.length()))))
                .orElse(Texts.of("starter.scale.none")));
    }

    private void give() {
        giving = true;
        desk.station().set(DeskModel.PICTURE);
        picture.go(Section.SCALE);
        if (bar().isPresent()) {
            picture.layOnBar();
        }
    }
}
