package keentally.desk.look;

import java.util.function.Function;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.layout.VBox;
import keentally.core.measure.Measure;
import keentally.core.setting.ChoiceSetting;

/** A measure in a list of all of them: the first of each group stands below the group's name. */
public final class MeasureCell extends ListCell<Measure> {
    private final Function<Measure, String> title;

    public MeasureCell(Function<Measure, String> title) {
        this.title = title;
    }

    @Override
    protected void updateItem(Measure measure, boolean empty) {
        super.updateItem(measure, empty);
        setGraphic(null);
        setText(empty || measure == null ? null : title.apply(measure));
        boolean first = !empty
                && measure != null
                && getListView() != null
                && Measure.of(measure.group()).getFirst() == measure;
        if (first) {
            Label group = new Label(Texts.of("measures." + ChoiceSetting.word(measure.group())));
            group.getStyleClass().add("measure-group");
            VBox box = new VBox(group, new Label(getText()));
            setText(null);
            setGraphic(box);
        }
    }
}
