package keentally.desk.picture;

import java.util.EnumMap;
import java.util.Map;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import keentally.core.setting.ChoiceSetting;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.desk.picture.PictureModel.Section;

/** The panel of the picture: one of its sections at a time, chosen by words along its top. */
public final class PicturePanel extends VBox {
    private final DeskModel desk;
    private final PictureModel model;
    private final Map<Section, ToggleButton> words = new EnumMap<>(Section.class);
    private PanelSection shown;

    public PicturePanel(DeskModel desk, PictureModel model) {
        this.desk = desk;
        this.model = model;
        getStyleClass().add("picture-panel");
        ToggleGroup group = new ToggleGroup();
        HBox row = new HBox();
        row.getStyleClass().add("section-words");
        for (Section section : Section.values()) {
            String word = ChoiceSetting.word(section);
            ToggleButton button = new ToggleButton(Texts.of("section." + word));
            button.setId("section-" + word);
            button.setToggleGroup(group);
            button.getStyleClass().setAll("section-word");
            button.setMinWidth(USE_PREF_SIZE);
            button.setOnAction(e -> {
                button.setSelected(true);
                model.section().set(section);
            });
            words.put(section, button);
            row.getChildren().add(button);
        }
        getChildren().add(row);
        show();
    }

    /** A section of the panel. */
    interface PanelSection {
        VBox node();

        /** Something came back from running, or was drawn. */
        void refresh();
    }

    private void show() {
        words.get(model.section().get()).setSelected(true);
        shown = switch (model.section().get()) {
            case FACTS -> new FactsSection(desk, model);
            case SCALE -> new ScaleSection(desk, model);
            case FIELD -> new FieldSection(desk, model);
            case HISTOGRAM -> new HistogramSection(desk, model);
        };
        VBox node = shown.node();
        node.getStyleClass().add("section");
        if (getChildren().size() > 1) {
            getChildren().remove(1);
        }
        getChildren().add(node);
    }

    public void refresh() {
        shown.refresh();
    }
}
