package keentally.desk.stage;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import javafx.collections.SetChangeListener;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.input.ScrollEvent;
import javafx.scene.layout.Region;
import keentally.core.geometry.Point;
import keentally.core.region.ObjectSet;
import keentally.core.step.State;
import keentally.core.view.Layer;
import keentally.core.view.Layers;
import keentally.core.view.Look;
import keentally.core.view.StageComposer;
import keentally.core.view.Viewport;
import keentally.core.work.Work;
import keentally.desk.model.DeskModel;
import keentally.desk.model.OpenSample;

/** The stage: shows what the painter painted, moves it along until the next is there, and turns the mouse into looking and choosing. */
public final class StageView extends Region {
    private static final double WHEEL_STEP = 1.2;
    private static final double LENS_RADIUS = 96;
    private static final double CLICK_REACH = 4;
    private static final double HANDLE_REACH = 9;

    private final DeskModel desk;
    private final StageModel model;
    private final StageState state;
    private final StageCanvas canvas;
    private double pressX;
    private double pressY;
    private double dragX;
    private double dragY;
    private boolean dragged;
    private boolean drawing;

    public StageView(DeskModel desk, StageModel model, Consumer<Throwable> onCrash) {
        this.desk = desk;
        this.model = model;
        this.state = new StageState(desk, model);
        this.canvas = new StageCanvas(desk, onCrash);
        getStyleClass().add("stage");
        setId("stage");
        getChildren().add(canvas);
        listen();
        mouse();
    }

    private void listen() {
        desk.sampleId().addListener(o -> letGo());
        desk.open().addListener((o, was, is) -> opened(was, is));
        desk.shown().addListener(o -> repaint());
        desk.preview().addListener(o -> repaint());
        desk.station().addListener(o -> showAll());
        desk.sampleId().addListener(o -> showAll());
        desk.selection().addListener(o -> repaint());
        model.view().addListener(o -> repaint());
        model.overlay().addListener(o -> repaint());
        model.marks().addListener((SetChangeListener<Look.Mark>) c -> repaint());
        model.meanFill().addListener(o -> repaint());
        model.again().addListener(o -> repaint());
        model.fill().addListener(o -> repaint());
        model.other().addListener(o -> repaint());
        model.bar().addListener(o -> repaint());
        model.beside().addListener(o -> repaint());
        model.strength().addListener(o -> repaint());
        model.bare().addListener(o -> repaint());
        model.lens().addListener(o -> repaint());
        model.atEnd().addListener(o -> repaint());
        model.channel().addListener(o -> repaint());
        model.contrast().addListener(o -> repaint());
        model.phaseLook().addListener(o -> repaint());
        model.hiddenPhases().addListener(o -> repaint());
        model.dye().addListener(o -> repaint());
        model.plain().addListener(o -> repaint());
        model.taught().addListener(o -> {
            repaint();
            placeMarks();
        });
        model.tally().addListener(o -> {
            repaint();
            placeMarks();
        });
        model.view().addListener(o -> placeMarks());
        model.view()
                .addListener(o -> desk.seesOneRowIn(
                        model.view().get().map(StageComposer::rowsApart).orElse(1)));
        model.tool().addListener(o -> placeMarks());
        widthProperty().addListener(o -> resized());
        heightProperty().addListener(o -> resized());
    }

    /** What was switched off belongs to the station where that was done. */
    private void showAll() {
        model.hiddenPhases().set(Set.of());
        model.dye().set(Optional.empty());
        repaint();
    }

    private void opened(Optional<OpenSample> was, Optional<OpenSample> is) {
        boolean sameSize = was.isPresent()
                && is.isPresent()
                && was.get().pyramid().width() == is.get().pyramid().width()
                && was.get().pyramid().height() == is.get().pyramid().height();
        if (is.isEmpty()) {
            canvas.clear();
        } else if (!sameSize || model.view().get().isEmpty()) {
            fit();
        }
        repaint();
    }

    private void resized() {
        if (getWidth() < 1 || getHeight() < 1) {
            return;
        }
        if (model.fitted().get() || model.view().get().isEmpty()) {
            fit();
        } else {
            model.view().set(model.view().get().map(v -> v.resized((int) getWidth(), (int) getHeight())));
        }
    }

    /** The whole picture. */
    public void fit() {
        if (getWidth() < 1 || getHeight() < 1) {
            return;
        }
        desk.open().get().ifPresent(o -> {
            model.fitted().set(true);
            model.view()
                    .set(Optional.of(Viewport.fit(
                            o.pyramid().width(), o.pyramid().height(), (int) getWidth(), (int) getHeight())));
        });
    }

    /** One window pixel for a pixel of the picture, about the middle of the window. */
    public void realPixels() {
        model.fitted().set(false);
        look(v ->
                Viewport.centred(v.pictureX(v.width() / 2.0), v.pictureY(v.height() / 2.0), 1, v.width(), v.height()));
    }

    public void zoomBy(double factor) {
        model.view().get().ifPresent(v -> zoomAt(v.width() / 2.0, v.height() / 2.0, factor));
    }

    /** Nearer or farther, what is at a place of the window staying there. */
    public void zoomAt(double x, double y, double factor) {
        model.fitted().set(false);
        look(v -> v.zoomedAt(x, y, factor));
    }

    /** Moves the picture by so many pixels of the window. */
    public void moveBy(double dx, double dy) {
        model.fitted().set(false);
        look(v -> v.moved(dx, dy));
    }

    private void look(UnaryOperator<Viewport> how) {
        desk.open()
                .get()
                .ifPresent(o -> model.view()
                        .set(model.view()
                                .get()
                                .map(how)
                                .map(v ->
                                        v.held(o.pyramid().width(), o.pyramid().height()))));
    }

    private void mouse() {
        setOnScroll(this::scrolled);
        setOnMousePressed(this::pressed);
        setOnMouseDragged(this::dragged);
        setOnMouseReleased(this::released);
        setOnMouseMoved(this::moved);
        setOnMouseExited(e -> model.pointer().set(Optional.empty()));
        addEventFilter(KeyEvent.KEY_PRESSED, this::key);
        setFocusTraversable(true);
    }

    private void pressed(MouseEvent e) {
        requestFocus();
        pressX = dragX = e.getX();
        pressY = dragY = e.getY();
        dragged = false;
        drawing = at(e).map(p -> model.tool()
                        .get()
                        .map(t -> t.pressed(p, HANDLE_REACH / zoomNow(), e))
                        .orElse(false))
                .orElse(false);
        placeMarks();
    }

    private void released(MouseEvent e) {
        if (drawing) {
            drawing = false;
            at(e).ifPresent(p -> model.tool().get().ifPresent(t -> t.released(p, e)));
            placeMarks();
        } else if (!dragged && e.getButton() == MouseButton.PRIMARY) {
            choose(e);
        }
    }

    private void key(KeyEvent e) {
        if (model.tool().get().map(t -> t.key(e)).orElse(false)) {
            placeMarks();
            e.consume();
        }
    }

    /** What is in the hand belongs to the sample that it was taken up on; the button may still be down. */
    private void letGo() {
        if (drawing) {
            drawing = false;
            dragged = true;
            giveUpDrawing();
        }
    }

    /** Drops what is drawn by half. Returns whether there was anything to drop. */
    public boolean giveUpDrawing() {
        boolean dropped = model.tool().get().map(StageTool::giveUp).orElse(false);
        placeMarks();
        return dropped;
    }

    private Optional<Point> at(MouseEvent e) {
        return model.view().get().map(v -> new Point(v.pictureX(e.getX()), v.pictureY(e.getY())));
    }

    private double zoomNow() {
        return model.view().get().map(Viewport::zoom).orElse(1.0);
    }

    /** Draws the tool's marks anew; also when somebody else changed what it holds. */
    public void placeMarks() {
        Optional<Viewport> view = model.view().get();
        if (view.isPresent() && model.tool().get().isPresent()) {
            model.tool().get().get().place(view.get(), canvas.over());
        } else {
            canvas.over().getChildren().clear();
        }
    }

    private void scrolled(ScrollEvent e) {
        if (e.getDeltaY() != 0) {
            zoomAt(e.getX(), e.getY(), e.getDeltaY() > 0 ? WHEEL_STEP : 1 / WHEEL_STEP);
        }
        e.consume();
    }

    private void dragged(MouseEvent e) {
        if (drawing) {
            at(e).ifPresent(p -> model.tool().get().ifPresent(t -> t.dragged(p, e)));
            placeMarks();
            moved(e);
            return;
        }
        dragged |= Math.hypot(e.getX() - pressX, e.getY() - pressY) > CLICK_REACH;
        double dx = e.getX() - dragX;
        double dy = e.getY() - dragY;
        dragX = e.getX();
        dragY = e.getY();
        if (dragged) {
            moveBy(dx, dy);
        }
        moved(e);
    }

    private void moved(MouseEvent e) {
        if (!drawing && model.tool().get().isPresent()) {
            at(e).ifPresent(model.tool().get().get()::moved);
            placeMarks();
        }
        model.pointer().set(Optional.of(new Point(e.getX(), e.getY())));
        if (model.lens().get()) {
            repaint();
        }
    }

    /** A click chooses the object under it; with Ctrl it adds to those chosen or takes away. */
    private void choose(MouseEvent e) {
        Optional<ObjectSet> objects = state.objects();
        if (objects.isEmpty() || model.view().get().isEmpty()) {
            return;
        }
        Viewport view = model.view().get().get();
        int region = objects.get().regions().at((int) Math.floor(view.pictureX(e.getX())), (int)
                Math.floor(view.pictureY(e.getY())));
        boolean hit = region >= 0 && objects.get().isKept(region);
        Set<Integer> chosen =
                e.isShortcutDown() ? new HashSet<>(desk.selection().get()) : new HashSet<>();
        if (hit && !chosen.add(region)) {
            chosen.remove(region);
        }
        desk.selection().set(Set.copyOf(chosen));
    }

    private void repaint() {
        Optional<Scene> scene = scene();
        scene.ifPresent(s -> {
            model.flow().set(s.state().seen());
            model.unsure().set(s.state().probabilities().isPresent());
            canvas.paint(s);
        });
    }

    /** What is on the stage just now, made into layers away from the interface thread; nothing without a picture. */
    public Optional<Function<Work, Layers>> layersShown() {
        return scene().map(Scene::made);
    }

    private Optional<Scene> scene() {
        Optional<State> now = state.now();
        if (now.isEmpty() || model.view().get().isEmpty()) {
            return Optional.empty();
        }
        Viewport view = model.view().get().get();
        Optional<Scene.Lens> lens = model.lens().get() && model.pointer().get().isPresent()
                ? desk.entering(desk.station().get())
                        .map(s -> new Scene.Lens(
                                s,
                                model.pointer().get().get().x(),
                                model.pointer().get().get().y(),
                                LENS_RADIUS))
                : Optional.empty();
        return Optional.of(new Scene(
                now.get(),
                state.before(),
                model.look(),
                selected(),
                model.bare().get() ? Optional.empty() : model.tally().get(),
                over(),
                view,
                lens,
                new Scene.SceneLook(
                        model.channel().get(),
                        model.contrast().get(),
                        new PhaseSeen(model.phaseLook().get(), desk.phaseColours()),
                        model.hiddenPhases().get(),
                        model.dye().get(),
                        model.again().get(),
                        model.overlay().get() == Look.Overlay.FILL
                                ? model.fill().get()
                                : Optional.empty()),
                desk.open().get()));
    }

    /** What is laid over the state beside what it holds. */
    private List<Layer> over() {
        if (model.bare().get()) {
            return bar().map(List::<Layer>of).orElse(List.of());
        }
        List<Layer> over =
                new ArrayList<>(state.taught().map(StageModel.Taught::layers).orElse(List.of()));
        state.markers().ifPresent(over::add);
        state.other().map(Layer.OtherOutline::new).ifPresent(over::add);
        bar().ifPresent(over::add);
        model.fill()
                .get()
                .filter(f -> model.overlay().get() == Look.Overlay.FILL)
                .filter(f -> state.now().flatMap(State::objects).filter(f::isOf).isPresent())
                .map(f -> new Layer.Legend(f.title(), f.from(), f.to()))
                .ifPresent(over::add);
        return over;
    }

    /** The scale bar on what is taken away; empty where none is wished for, or the sample has no scale. */
    public Optional<Layer.ScaleBar> bar() {
        return model.bar().get().flatMap(b -> b.on(desk.scale()));
    }

    /** Selected objects belong to the end of the method, and are shown at every station but never on the bare picture. */
    private Optional<Layer.SelectedObjects> selected() {
        Set<Integer> regions = desk.selection().get();
        return regions.isEmpty() || model.bare().get()
                ? Optional.empty()
                : state.objects().map(objects -> new Layer.SelectedObjects(objects, regions));
    }

    /** Marks the place that the pointer is at in the other of two views. */
    public void point(Optional<Point> window) {
        canvas.point(window);
    }

    /** Whether everything asked for is on the stage. */
    public boolean quiet() {
        return canvas.quiet();
    }

    public void close() {
        canvas.close();
    }

    @Override
    protected void layoutChildren() {
        canvas.resizeRelocate(0, 0, getWidth(), getHeight());
    }

    @Override
    protected double computePrefWidth(double height) {
        return 400;
    }

    @Override
    protected double computePrefHeight(double width) {
        return 300;
    }
}
