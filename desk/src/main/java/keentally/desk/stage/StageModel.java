package keentally.desk.stage;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.DoubleProperty;
import javafx.beans.property.IntegerProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleDoubleProperty;
import javafx.beans.property.SimpleIntegerProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.collections.FXCollections;
import javafx.collections.ObservableSet;
import keentally.core.geometry.Point;
import keentally.core.geometry.Rectangle;
import keentally.core.picture.Mask;
import keentally.core.step.Flow;
import keentally.core.step.State;
import keentally.core.view.Contrast;
import keentally.core.view.Layer;
import keentally.core.view.Look;
import keentally.core.view.Viewport;
import keentally.study.result.ChosenBar;

/** How the picture is looked at; nothing of it is undone. */
public final class StageModel {
    private final ObjectProperty<Optional<Viewport>> view = new SimpleObjectProperty<>(Optional.empty());
    private final ObjectProperty<Look.Overlay> overlay = new SimpleObjectProperty<>(Look.Overlay.OUTLINES);
    private final ObservableSet<Look.Mark> marks = FXCollections.observableSet(Look.Mark.CHANGES, Look.Mark.MARKERS);
    private final BooleanProperty meanFill = new SimpleBooleanProperty();
    private final IntegerProperty again = new SimpleIntegerProperty();
    private final DoubleProperty strength = new SimpleDoubleProperty(0.35);
    private final BooleanProperty bare = new SimpleBooleanProperty();
    private final BooleanProperty atEnd = new SimpleBooleanProperty();
    private final BooleanProperty lens = new SimpleBooleanProperty();
    private final ObjectProperty<Optional<Point>> pointer = new SimpleObjectProperty<>(Optional.empty());
    private final BooleanProperty fitted = new SimpleBooleanProperty(true);

    private final ObjectProperty<Optional<StageTool>> tool = new SimpleObjectProperty<>(Optional.empty());
    private final ObjectProperty<Optional<String>> channel = new SimpleObjectProperty<>(Optional.empty());
    private final ObjectProperty<Optional<Contrast>> contrast = new SimpleObjectProperty<>(Optional.empty());

    private final ObjectProperty<PhaseLook> phaseLook = new SimpleObjectProperty<>(PhaseLook.FLAT);
    private final ObjectProperty<Set<Integer>> hiddenPhases = new SimpleObjectProperty<>(Set.of());
    private final ObjectProperty<Flow> flow = new SimpleObjectProperty<>(Flow.PICTURE);

    /** How phases are shown. */
    public enum PhaseLook {
        FLAT,
        MEAN,
        GREYS,
        OUTLINES,
        /** Flat, and the paler the less sure a learner was, where that was kept. */
        SURE
    }

    public ObjectProperty<PhaseLook> phaseLook() {
        return phaseLook;
    }

    private final ObjectProperty<Optional<Integer>> dye = new SimpleObjectProperty<>(Optional.empty());

    /** The one dye that is seen where dyes are, from 0; empty for all. */
    public ObjectProperty<Optional<Integer>> dye() {
        return dye;
    }

    /** Phases that are switched off for the eye; they count as before. */
    public ObjectProperty<Set<Integer>> hiddenPhases() {
        return hiddenPhases;
    }

    private final BooleanProperty unsure = new SimpleBooleanProperty();

    /** Whether it is known how sure a learner was of what is on the stage. */
    public BooleanProperty unsure() {
        return unsure;
    }

    /** The last kind that the state on the stage holds. */
    public ObjectProperty<Flow> flow() {
        return flow;
    }

    /** What the mouse draws with; empty while it only looks about. */
    public ObjectProperty<Optional<StageTool>> tool() {
        return tool;
    }

    /** The one channel of the original that is looked at; empty for the picture as it is. The method does not change. */
    public ObjectProperty<Optional<String>> channel() {
        return channel;
    }

    /** What is shown black and white; empty for as it is. No value changes. */
    public ObjectProperty<Optional<Contrast>> contrast() {
        return contrast;
    }

    /** What part of the picture is seen; empty before there is a picture. */
    public ObjectProperty<Optional<Viewport>> view() {
        return view;
    }

    public ObjectProperty<Look.Overlay> overlay() {
        return overlay;
    }

    /** What is marked besides: numbers, centres, boxes, changes. */
    public ObservableSet<Look.Mark> marks() {
        return marks;
    }

    /** Puts a mark, or takes it away. */
    public void toggle(Look.Mark mark) {
        if (!marks.remove(mark)) {
            marks.add(mark);
        }
    }

    /** Whether objects are filled in their mean colours. */
    public BooleanProperty meanFill() {
        return meanFill;
    }

    private final ObjectProperty<Optional<MeasureFill>> fill = new SimpleObjectProperty<>(Optional.empty());

    /** The measure that objects are filled by; empty for none. */
    public ObjectProperty<Optional<MeasureFill>> fill() {
        return fill;
    }

    private final ObjectProperty<Optional<ChosenBar>> bar = new SimpleObjectProperty<>(Optional.empty());

    /** The scale bar on what is taken away as a picture; empty for none. */
    public ObjectProperty<Optional<ChosenBar>> bar() {
        return bar;
    }

    private final ObjectProperty<Optional<String>> other = new SimpleObjectProperty<>(Optional.empty());

    /** The other mask whose outline is laid over: {@link #BEFORE}, or the name of one that was set aside. */
    public ObjectProperty<Optional<String>> other() {
        return other;
    }

    /** The mask that the station began with. */
    public static final String BEFORE = "";

    /** The mask of the second view: of another station, method or sample of the same size. No mask can be set aside under this name. */
    public static final String SECOND = " ";

    private final ObjectProperty<Optional<Mask>> beside = new SimpleObjectProperty<>(Optional.empty());

    /** The mask of the second view; empty while the stage is whole. */
    public ObjectProperty<Optional<Mask>> beside() {
        return beside;
    }

    /** How often the colours of objects were drawn again. */
    public IntegerProperty again() {
        return again;
    }

    /** How mask and objects are shown just now. */
    public Look look() {
        return bare.get()
                ? Look.BARE
                : new Look(
                        overlay.get(),
                        marks,
                        strength.get(),
                        meanFill.get() || fill.get().isPresent());
    }

    /** Of the tint, 0 to 1. */
    public DoubleProperty strength() {
        return strength;
    }

    /** While true the picture is shown without anything on it. */
    public BooleanProperty bare() {
        return bare;
    }

    /** While true an earlier state is seen through a lens under the pointer. */
    public BooleanProperty lens() {
        return lens;
    }

    /** While true the end of the method is shown, whichever station is selected. */
    public BooleanProperty atEnd() {
        return atEnd;
    }

    private final BooleanProperty plain = new SimpleBooleanProperty();
    private final ObjectProperty<Optional<Layer.Tally>> tally = new SimpleObjectProperty<>(Optional.empty());

    private final ObjectProperty<Optional<Taught>> taught = new SimpleObjectProperty<>(Optional.empty());

    /**
     * What a learner is taught on.
     *
     * @param sample whose it is
     * @param under what the layers lie on: the state before the station
     */
    public record Taught(String sample, State under, List<Layer> layers) {
        public Taught {
            layers = List.copyOf(layers);
        }
    }

    /** What a learner is taught, while that is looked at: then it is on the stage in place of a station's state. */
    public ObjectProperty<Optional<Taught>> taught() {
        return taught;
    }

    /** While true the picture is shown as it came, whatever station is selected. */
    public BooleanProperty plain() {
        return plain;
    }

    /** What was counted by hand, while that is looked at. */
    public ObjectProperty<Optional<Layer.Tally>> tally() {
        return tally;
    }

    /** Where the pointer is, in window pixels; empty outside the stage. */
    public ObjectProperty<Optional<Point>> pointer() {
        return pointer;
    }

    /** Whether the whole picture is to be seen, also when the window changes its size. */
    public BooleanProperty fitted() {
        return fitted;
    }

    /** Brings a part of the picture in sight, as large as it can be. */
    public void look(Rectangle part) {
        view.get().ifPresent(v -> {
            double zoom = Math.min(v.width() / part.width(), v.height() / part.height());
            fitted.set(false);
            view.set(Optional.of(Viewport.centred(
                    part.x() + part.width() / 2,
                    part.y() + part.height() / 2,
                    Math.clamp(zoom, Viewport.LEAST_ZOOM, Viewport.MOST_ZOOM),
                    v.width(),
                    v.height())));
        });
    }

    /** The pixel of the picture under the pointer, whether or not the picture reaches there. */
    public Optional<Point> pixel() {
        return view.get().flatMap(v -> pointer.get().map(p -> new Point(v.pictureX(p.x()), v.pictureY(p.y()))));
    }
}
