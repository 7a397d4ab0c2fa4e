package keentally.desk.objects;

import java.util.function.Consumer;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.scene.control.Button;
import javafx.scene.control.MenuButton;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import keentally.core.measure.Measure;
import keentally.desk.look.Pieces;
import keentally.desk.model.DeskModel;
import keentally.study.plot.SpreadPlot;

/** The objects: how many were kept, their table, and their numbers seen together; all linked with the stage. */
public final class ObjectsPane extends VBox {
    /** What stands beside one another fits into this. */
    static final double ROW = 442;

    private static final double LOW = 272;
    private static final double HIGH = 372;

    /** How the objects' numbers are seen together. */
    public enum Together {
        SPREAD,
        SCATTER,
        LINE_UP,
        SUMMARY
    }

    private final ObjectProperty<Together> seen = new SimpleObjectProperty<>(Together.SPREAD);

    private final DistributionPane spread;

    /**
     * @param take what can be taken away, as a menu
     * @param onSave told a plot that is to be saved
     */
    public ObjectsPane(DeskModel desk, MenuButton take, Consumer<SpreadPlot> onSave) {
        this.spread = new DistributionPane(desk);
        setId("objects-pane");
        getStyleClass().add("objects-pane");
        KeptLine kept = new KeptLine(desk);
        kept.getStyleClass().add("objects-kept");
        take.setMinWidth(USE_PREF_SIZE);
        ObjectsTable table = new ObjectsTable(desk);
        VBox.setVgrow(table, Priority.ALWAYS);
        FilterField filter = new FilterField(desk, table);
        HBox.setHgrow(filter, Priority.ALWAYS);
        HBox head = new HBox(filter, new ColumnsMenu(desk), take);
        head.getStyleClass().add("objects-head");
        getChildren().addAll(kept, head, table, together(desk, onSave));
        desk.shown().addListener(o -> kept.refresh());
        kept.refresh();
    }

    /** Shows the numbers together in another way. */
    public void see(Together how) {
        seen.set(how);
    }

    /** Shows how a measure is spread. */
    public void measure(Measure measure) {
        spread.measure(measure);
    }

    private VBox together(DeskModel desk, Consumer<SpreadPlot> onSave) {
        HBox choices = Pieces.choices("together", Together.values(), seen);
        choices.getStyleClass().add("together");
        VBox box = new VBox(choices);
        Button save = Pieces.button("distribution-save", "distribution.save", () -> spread.save(onSave));
        save.visibleProperty().bind(seen.isEqualTo(Together.SPREAD));
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        choices.getChildren().addAll(gap, save);
        add(box, Together.SPREAD, spread);
        add(box, Together.SCATTER, new ScatterPane(desk));
        add(box, Together.LINE_UP, new LineUpPane(desk));
        add(box, Together.SUMMARY, new SummaryPane(desk));
        Runnable size = () -> {
            boolean tall = seen.get() == Together.SCATTER || seen.get() == Together.LINE_UP;
            box.setMinHeight(tall ? HIGH : LOW);
            box.setPrefHeight(tall ? HIGH : LOW);
        };
        seen.addListener(o -> size.run());
        size.run();
        return box;
    }

    /** Only what is looked at is worked out. */
    private void add(VBox box, Together which, Region pane) {
        Runnable swap = () -> pane.setVisible(getScene() != null && seen.get() == which);
        pane.managedProperty().bind(seen.isEqualTo(which));
        VBox.setVgrow(pane, Priority.ALWAYS);
        seen.addListener(o -> swap.run());
        sceneProperty().addListener(o -> swap.run());
        swap.run();
        box.getChildren().add(pane);
    }
}
