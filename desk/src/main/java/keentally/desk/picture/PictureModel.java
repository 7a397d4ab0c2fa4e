package keentally.desk.picture;

import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.function.Consumer;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleObjectProperty;
import keentally.core.find.Caption;
import keentally.core.geometry.Point;
import keentally.core.geometry.Segment;
import keentally.core.picture.Field;
import keentally.core.run.Lanes.Urgency;
import keentally.desk.model.DeskModel;
import keentally.desk.model.OpenSample;
import keentally.desk.model.SampleActions;
import keentally.desk.stage.LineTool;
import keentally.desk.stage.ShapesTool;
import keentally.desk.stage.StageModel;
import keentally.desk.stage.StageTool;
import keentally.study.document.FieldOrigin;
import keentally.study.document.Thing.SampleThing;
import keentally.study.plot.HistogramPlot;

/** What is being drawn on the picture: the line along the bar, the field, a patch, the ruler; and what was found in it. */
public final class PictureModel {
    /** The parts of the picture's panel. */
    public enum Section {
        FACTS,
        SCALE,
        FIELD,
        HISTOGRAM
    }

    private final DeskModel desk;
    private final StageModel stage;
    private final Executor ui;
    private final SampleActions actions;
    private final FieldActions fields;
    private final ObjectProperty<Section> section = new SimpleObjectProperty<>(Section.FACTS);
    private final BooleanProperty ruling = new SimpleBooleanProperty();
    private final BooleanProperty patching = new SimpleBooleanProperty();
    private final ReadOnlyObjectWrapper<Optional<Caption>> caption = new ReadOnlyObjectWrapper<>(Optional.empty());
    private final ObjectProperty<Integer> moved = new SimpleObjectProperty<>(0);
    private final LineTool bar = new LineTool(this::touched);
    private final LineTool ruler = new LineTool(this::touched);
    private final ShapesTool patch = new ShapesTool(true, this::touched);
    private final ShapesTool field = new ShapesTool(false, this::fenced);
    private final HistogramModel histogram = new HistogramModel();
    private Consumer<HistogramPlot> saving = plot -> {};
    private String drawnFor = "";

    /** @param ui runs what it is given on the interface thread, in order */
    public PictureModel(DeskModel desk, StageModel stage, Executor ui) {
        this.desk = desk;
        this.stage = stage;
        this.ui = ui;
        this.actions = new SampleActions(desk, ui);
        this.fields = new FieldActions(desk, actions, ui);
        patch.hand().set(ShapesTool.Hand.RECTANGLE);
        section.addListener(o -> takeTool());
        ruling.addListener(o -> takeTool());
        patching.addListener(o -> takeTool());
        stationTool.addListener(o -> takeTool());
        viewTool.addListener(o -> takeTool());
        desk.station().addListener(o -> takeTool());
        stage.atEnd().addListener(o -> takeTool());
        desk.open().addListener(o -> opened());
        desk.study().addListener(o -> followStudy());
        desk.sampleId().addListener(o -> followStudy());
    }

    private final ObjectProperty<Optional<StageTool>> stationTool = new SimpleObjectProperty<>(Optional.empty());

    private final ObjectProperty<Optional<StageTool>> viewTool = new SimpleObjectProperty<>(Optional.empty());

    /** What the view draws with on the stage, whatever station is selected; empty where that is left to the stations. */
    public ObjectProperty<Optional<StageTool>> viewTool() {
        return viewTool;
    }

    public ObjectProperty<Section> section() {
        return section;
    }

    /** Whether the ruler is in the hand. */
    public BooleanProperty ruling() {
        return ruling;
    }

    /** What the selected station draws with on the stage. */
    public ObjectProperty<Optional<StageTool>> stationTool() {
        return stationTool;
    }

    /** Whether a patch is being drawn for a histogram. */
    public BooleanProperty patching() {
        return patching;
    }

    /** What was found burnt into the picture on the stage; empty while it is looked for. */
    public ReadOnlyObjectProperty<Optional<Caption>> caption() {
        return caption.getReadOnlyProperty();
    }

    /** Changes whenever something drawn is let go. */
    public ObjectProperty<Integer> moved() {
        return moved;
    }

    public LineTool bar() {
        return bar;
    }

    public LineTool ruler() {
        return ruler;
    }

    public ShapesTool patch() {
        return patch;
    }

    public ShapesTool field() {
        return field;
    }

    public FieldActions fields() {
        return fields;
    }

    public SampleActions actions() {
        return actions;
    }

    HistogramModel histogram() {
        return histogram;
    }

    /** @param saver asks for a file's name and writes a plot into it */
    public void savingBy(Consumer<HistogramPlot> saver) {
        saving = saver;
    }

    void save(Optional<HistogramPlot> plot) {
        plot.ifPresent(saving);
    }

    /** Goes to a section of the picture's panel. */
    public void go(Section to) {
        desk.station().set(DeskModel.PICTURE);
        section.set(to);
    }

    private void touched() {
        moved.set(moved.get() + 1);
    }

    private void fenced() {
        touched();
        String sample = desk.sampleId().get();
        List<Field.Part> drawn = field.parts().get();
        fields.fence(drawn, FieldOrigin.DRAWN, () -> {
            if (desk.sampleId().get().equals(sample)) {
                followStudy();
            }
        });
    }

    private void takeTool() {
        boolean here = desk.station().get().equals(DeskModel.PICTURE)
                && !stage.atEnd().get()
                && desk.open().get().isPresent();
        Optional<StageTool> tool = Optional.empty();
        if (viewTool.get().isPresent() && !ruling.get()) {
            tool = desk.open().get().isPresent() ? viewTool.get() : Optional.empty();
        } else if (ruling.get() && desk.open().get().isPresent()) {
            tool = Optional.of(ruler);
        } else if (!stage.atEnd().get() && !desk.station().get().equals(DeskModel.PICTURE)) {
            tool = stationTool.get();
        } else if (here) {
            tool = switch (section.get()) {
                case FACTS -> Optional.empty();
                case SCALE -> Optional.of(bar);
                case FIELD -> Optional.of(field);
                case HISTOGRAM -> patching.get() ? Optional.of(patch) : Optional.empty();
            };
        }
        stage.tool().set(tool);
    }

    /** Lines and patches belong to the sample that they were drawn on. */
    private void opened() {
        Optional<OpenSample> open = desk.open().get();
        caption.set(Optional.empty());
        String now = open.map(o -> desk.sampleId().get() + o.ref()).orElse("");
        if (!now.equals(drawnFor)) {
            drawnFor = now;
            bar.line().set(Optional.empty());
            ruler.line().set(Optional.empty());
            patch.parts().set(List.of());
            field.chosen().set(-1);
            field.giveUp();
            patch.giveUp();
            stage.channel().set(Optional.empty());
            stage.contrast().set(Optional.empty());
        }
        open.ifPresent(o -> {
            desk.look(this, Urgency.BESIDE, cancel -> {
                Caption found = desk.captions().of(o.file().key(), o.file().picture(), desk.work(cancel));
                ui.execute(() -> {
                    if (desk.open().get().equals(open)) {
                        caption.set(Optional.of(found));
                    }
                });
            });
        });
        takeTool();
        touched();
    }

    private void followStudy() {
        List<Field.Part> kept = desk.sample().map(SampleThing::field).orElse(List.of());
        if (!kept.equals(field.parts().get())) {
            field.parts().set(kept);
            if (field.chosen().get() >= kept.size()) {
                field.chosen().set(-1);
            }
        }
        touched();
    }

    /** Lays the line along the bar that was found. */
    public void layOnBar() {
        caption.get().flatMap(Caption::bar).ifPresent(found -> {
            bar.line()
                    .set(Optional.of(
                            new Segment(new Point(found.from(), found.y()), new Point(found.to(), found.y()))));
            touched();
        });
    }
}
