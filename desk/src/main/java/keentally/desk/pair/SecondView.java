package keentally.desk.pair;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.beans.Observable;
import javafx.scene.control.Label;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.input.ScrollEvent;
import javafx.scene.layout.Region;
import keentally.core.geometry.Point;
import keentally.core.picture.Mask;
import keentally.core.quantity.Scale;
import keentally.core.step.State;
import keentally.core.view.Layer;
import keentally.core.view.Layers;
import keentally.core.view.Look;
import keentally.core.view.SamePlace;
import keentally.core.view.Viewport;
import keentally.core.work.Work;
import keentally.desk.pair.PairModel.PairLook;
import keentally.desk.stage.PhaseSeen;
import keentally.desk.stage.Scene;
import keentally.desk.stage.StageCanvas;
import keentally.desk.stage.StageModel;
import keentally.desk.stage.StageView;
import keentally.study.document.Thing.SampleThing;

/** The second of two views: looks where the first looks, and turns the mouse into looking and choosing in both. */
final class SecondView extends Region {
    private static final double WHEEL_STEP = 1.2;
    private static final double CLICK_REACH = 4;

    private final PairModel pair;
    private final StageModel stage;
    private final StageView first;
    private final StageCanvas canvas;
    private final Label note = new Label();
    private double pressX;
    private double pressY;
    private double dragX;
    private double dragY;
    private boolean dragged;

    SecondView(PairModel pair, StageView first, Consumer<Throwable> onCrash) {
        this.pair = pair;
        this.stage = pair.stage();
        this.first = first;
        this.canvas = new StageCanvas(pair.desk(), onCrash);
        setId("second");
        getStyleClass().add("stage");
        note.setId("second-note");
        note.getStyleClass().add("second-note");
        note.setWrapText(true);
        note.setMouseTransparent(true);
        note.setManaged(false);
        getChildren().addAll(canvas, note);
        pair.second().addListener(o -> tell());
        tell();
        for (Observable seen : List.of(
                pair.second(),
                pair.look(),
                pair.chosen(),
                stage.view(),
                stage.strength(),
                stage.meanFill(),
                stage.marks(),
                stage.again(),
                stage.phaseLook(),
                stage.bare(),
                stage.plain(),
                stage.tally(),
                pair.desk().study(),
                pair.desk().shown(),
                pair.desk().preview(),
                widthProperty(),
                heightProperty())) {
            seen.addListener(o -> repaint());
        }
        for (Observable moved : List.of(stage.pointer(), stage.view(), pair.overSecond(), pair.second())) {
            moved.addListener(o -> point());
        }
        setOnScroll(this::scrolled);
        setOnMousePressed(this::pressed);
        setOnMouseDragged(this::dragged);
        setOnMouseReleased(this::released);
        setOnMouseMoved(this::moved);
        setOnMouseExited(e -> {
            pair.overSecond().set(false);
            stage.pointer().set(Optional.empty());
        });
    }

    /** The part of its picture that is seen. */
    Optional<Viewport> view() {
        return getWidth() < 1 || getHeight() < 1 ? Optional.empty() : pair.view((int) getWidth(), (int) getHeight());
    }

    private void repaint() {
        Optional<Scene> scene = view().flatMap(this::scene);
        scene.ifPresentOrElse(canvas::paint, canvas::clear);
    }

    /** Why something else is shown than was asked for; nothing where it is that. */
    private void tell() {
        note.setText(pair.second().get().map(Side::trouble).orElse(""));
        note.setVisible(!note.getText().isEmpty());
        requestLayout();
    }

    /** What is to be seen, made into layers away from the interface thread. */
    Optional<Function<Work, Layers>> layersShown() {
        return view().flatMap(this::scene).map(Scene::made);
    }

    private Optional<Scene> scene(Viewport view) {
        return pair.second().get().map(side -> {
            PairLook how = stage.bare().get() ? PairLook.BARE : pair.look().get();
            Optional<State> mask = how == PairLook.FOUR_AREAS ? areas(side) : Optional.empty();
            Optional<Mask> beside = mask.flatMap(m -> firstMask());
            Look look = how == PairLook.BARE
                    ? Look.BARE
                    : new Look(
                            how.overlay(),
                            stage.marks(),
                            stage.strength().get(),
                            stage.meanFill().get());
            return new Scene(
                    mask.orElse(side.state()),
                    beside,
                    beside.isPresent() ? look.and(Look.Mark.CHANGES) : look,
                    how == PairLook.BARE ? Optional.empty() : selected(side),
                    how == PairLook.TALLY ? pair.tally() : Optional.empty(),
                    bar(side).map(List::<Layer>of).orElse(List.of()),
                    view,
                    Optional.empty(),
                    new Scene.SceneLook(
                            Optional.empty(),
                            Optional.empty(),
                            new PhaseSeen(stage.phaseLook().get(), pair.desk().phaseColours()),
                            Set.of(),
                            Optional.empty(),
                            stage.again().get(),
                            Optional.empty()),
                    Optional.of(side.open()));
        });
    }

    private Optional<Layer.ScaleBar> bar(Side side) {
        Optional<Scale> scale =
                pair.desk().study().get().sample(side.sampleId()).flatMap(SampleThing::scale);
        return stage.bar().get().flatMap(b -> b.on(scale));
    }

    /** The second's mask where the first has one too, and a pixel of the one is a pixel of the other. */
    private Optional<State> areas(Side side) {
        return side.asMask()
                .filter(s ->
                        side.place().by() == SamePlace.By.PIXELS && firstMask().isPresent());
    }

    private Optional<Mask> firstMask() {
        return pair.first().now().flatMap(State::mask);
    }

    private Optional<Layer.SelectedObjects> selected(Side side) {
        return pair.chosen().get().isEmpty()
                ? Optional.empty()
                : side.objects()
                        .map(o -> new Layer.SelectedObjects(o, pair.chosen().get()));
    }

    /** The pointer of the one view is marked in the other. */
    private void point() {
        Optional<Point> at = stage.pointer().get();
        boolean here = pair.overSecond().get();
        first.point(here ? at : Optional.empty());
        canvas.point(here ? Optional.empty() : at.flatMap(this::fromFirst));
    }

    private Optional<Point> fromFirst(Point window) {
        return pair.second()
                .get()
                .flatMap(side -> stage.view()
                        .get()
                        .flatMap(v -> view().map(own -> {
                            Point there = side.place().there(new Point(v.pictureX(window.x()), v.pictureY(window.y())));
                            return new Point(own.windowX(there.x()), own.windowY(there.y()));
                        })));
    }

    private Optional<Point> toFirst(double x, double y) {
        return pair.second()
                .get()
                .flatMap(side -> stage.view()
                        .get()
                        .flatMap(v -> view().map(own -> {
                            Point here = side.place().back().there(new Point(own.pictureX(x), own.pictureY(y)));
                            return new Point(v.windowX(here.x()), v.windowY(here.y()));
                        })));
    }

    private void scrolled(ScrollEvent e) {
        if (e.getDeltaY() != 0) {
            toFirst(e.getX(), e.getY())
                    .ifPresent(p -> first.zoomAt(p.x(), p.y(), e.getDeltaY() > 0 ? WHEEL_STEP : 1 / WHEEL_STEP));
        }
        e.consume();
    }

    private void pressed(MouseEvent e) {
        first.requestFocus();
        pressX = dragX = e.getX();
        pressY = dragY = e.getY();
        dragged = false;
    }

    private void dragged(MouseEvent e) {
        dragged |= Math.hypot(e.getX() - pressX, e.getY() - pressY) > CLICK_REACH;
        if (dragged) {
            first.moveBy(e.getX() - dragX, e.getY() - dragY);
        }
        dragX = e.getX();
        dragY = e.getY();
        moved(e);
    }

    private void released(MouseEvent e) {
        if (!dragged && e.getButton() == MouseButton.PRIMARY) {
            view().ifPresent(v -> pair.choose(new Point(v.pictureX(e.getX()), v.pictureY(e.getY()))));
        }
    }

    private void moved(MouseEvent e) {
        pair.overSecond().set(true);
        stage.pointer().set(toFirst(e.getX(), e.getY()));
    }

    boolean quiet() {
        return canvas.quiet();
    }

    void close() {
        canvas.close();
    }

    @Override
    protected void layoutChildren() {
        canvas.resizeRelocate(0, 0, getWidth(), getHeight());
        double height = note.prefHeight(getWidth());
        note.resizeRelocate(0, getHeight() - height, getWidth(), height);
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
