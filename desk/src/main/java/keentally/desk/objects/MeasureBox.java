package keentally.desk.objects;

import javafx.scene.control.ComboBox;
import javafx.util.StringConverter;
import keentally.core.measure.Measure;
import keentally.core.words.Words;
import keentally.desk.look.MeasureCell;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;

/** Any measure, by its title with the unit that its numbers are shown in. */
public final class MeasureBox extends ComboBox<Measure> {
    private static final int ROWS = 16;

    /** Of the longest titles with their unit. */
    private static final double WIDTH = 214;

    public MeasureBox(DeskModel desk, String id, Measure first) {
        setId(id);
        setAccessibleText(Texts.of("name.measure"));
        setConverter(new StringConverter<>() {
            @Override
            public String toString(Measure measure) {
                return measure == null ? "" : Words.title(measure, desk.unit());
            }

            @Override
            public Measure fromString(String text) {
                throw new UnsupportedOperationException("measures are chosen, not typed");
            }
        });
        getItems().setAll(Measure.grouped());
        setCellFactory(list -> new MeasureCell(m -> Words.title(m, desk.unit())));
        setValue(first);
        setVisibleRowCount(ROWS);
        setPrefWidth(WIDTH);
    }
}
