package keentally.desk.starter;

import java.nio.IntBuffer;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.application.Platform;
import javafx.beans.binding.Bindings;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.scene.control.Button;
import javafx.scene.control.ContentDisplay;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.image.ImageView;
import javafx.scene.image.PixelBuffer;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import keentally.core.method.Method;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.PixelSize;
import keentally.core.quantity.Scale;
import keentally.core.run.Lanes.Urgency;
import keentally.core.run.Run;
import keentally.core.run.RunFault;
import keentally.core.setting.ChoiceSetting;
import keentally.core.starter.Answer;
import keentally.core.starter.Starter;
import keentally.core.step.State;
import keentally.core.view.Layers;
import keentally.core.view.Look;
import keentally.core.view.StageComposer;
import keentally.core.view.StateLayers;
import keentally.core.view.Viewport;
import keentally.core.words.Figures;
import keentally.core.words.Words;
import keentally.core.work.Cancel;
import keentally.desk.look.Pieces;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.desk.model.TrialRuns;
import keentally.desk.stage.StageModel;
import keentally.study.file.FileFault;

/** Over the stage while a sample's method is empty: what does the person want to know? Each question is tried on the picture at once. */
public final class StarterSheet extends ScrollPane {
    private static final int WIDTH = 200;
    private static final int HEIGHT = 96;
    private static final int FOOT = 46;
    private static final double TINT = 0.5;

    private final DeskModel desk;
    private final FlowPane tiles = new FlowPane();
    private final BooleanProperty open = new SimpleBooleanProperty();
    private Cancel running = new Cancel();
    private String closedFor = "";
    private String shownFor = "";

    /** Whether a person opened it. */
    private boolean asked;

    /** @param stage whose tools go before: a scale can be drawn before any question is answered */
    public StarterSheet(DeskModel desk, StageModel stage) {
        this.desk = desk;
        setId("starters");
        getStyleClass().add("trial-grid");
        tiles.getStyleClass().add("starter-tiles");
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        HBox head = new HBox(
                Prose.of(Texts.of("starter.question"), "starter-question"),
                gap,
                Pieces.button("starter-close", "starter.close", this::close));
        head.getStyleClass().add("starter-head");
        VBox all = new VBox(head, tiles);
        all.getStyleClass().add("starters");
        setContent(all);
        setFitToWidth(true);
        setHbarPolicy(ScrollBarPolicy.NEVER);
        visibleProperty()
                .bind(Bindings.createBooleanBinding(
                        () -> open.get() && stage.tool().get().isEmpty(), open, stage.tool()));
        desk.shown().addListener(o -> offer());
        desk.study().addListener(o -> offer());
        desk.sampleId().addListener(o -> hide());
    }

    public ReadOnlyBooleanProperty isOpen() {
        return open;
    }

    private String now() {
        return desk.sampleId().get()
                + desk.methodId()
                + desk.sample().map(s -> s.field().toString()).orElse("");
    }

    /** By itself only where there is nothing to be spoilt. */
    private void offer() {
        boolean empty = desk.method().steps().isEmpty()
                && desk.sample().isPresent()
                && desk.open().get().isPresent()
                && desk.shown().get().isPresent();
        if (empty && !now().equals(closedFor) && !now().equals(shownFor)) {
            show();
        } else if (!desk.method().steps().isEmpty() && open.get() && !asked) {
            hide();
        }
    }

    /** Opens it for a method that has stations already; taking one replaces them, and can be undone. */
    public void ask() {
        if (desk.sample().isPresent() && desk.open().get().isPresent()) {
            asked = true;
            show();
        } else {
            desk.say(Texts.of("starter.no-picture"));
        }
    }

    private void hide() {
        running.ask();
        asked = false;
        shownFor = "";
        open.set(false);
    }

    public void close() {
        closedFor = now();
        hide();
    }

    private void show() {
        running.ask();
        Cancel cancel = new Cancel();
        running = cancel;
        shownFor = now();
        tiles.getChildren().clear();
        open.set(true);
        TrialRuns trials = desk.trials();
        TrialRuns.Reading reading =
                trials.reading(desk.study().get(), desk.sampleId().get(), desk.methodId());
        Method method = desk.method();
        for (Starter starter : Starter.values()) {
            Tile tile = new Tile(starter);
            boolean sure = starter != Starter.DYES_WITHIN; // asked only where there is a ground to leave out
            tile.setVisible(sure);
            tile.setManaged(sure);
            tiles.getChildren().add(tile);
            desk.look(tile, Urgency.ASKED, idle -> {
                if (!cancel.asked()) {
                    StarterOutcome tried = tried(starter, method, trials, reading, cancel);
                    Platform.runLater(() -> {
                        if (!cancel.asked()) {
                            tile.setVisible(sure || tried.method().isPresent());
                            tile.setManaged(tile.isVisible());
                            tile.show(tried);
                        }
                    });
                }
            });
        }
    }

    /**
     * A question and what came of it.
     *
     * @param pixels of its preview
     */
    private record StarterOutcome(Optional<Method> method, String number, String why, Optional<int[]> pixels) {}

    private StarterOutcome tried(
            Starter starter, Method method, TrialRuns trials, TrialRuns.Reading reading, Cancel cancel) {
        try {
            TrialRuns.TrialSample ready = reading.ready(cancel);
            State start = State.of(
                    ready.made().picture(), ready.made().field(), ready.made().scale());
            Optional<Method> laid = starter.lay(method, start, desk.work(cancel));
            if (laid.isEmpty()) {
                return new StarterOutcome(laid, "", Texts.of("starter.cannot"), Optional.empty());
            }
            Run run = trials.run(laid.get(), ready.made(), Integer.MAX_VALUE, cancel);
            return new StarterOutcome(
                    laid,
                    said(
                            starter.answer(run.last(), desk.work(cancel)),
                            run.last().scale()),
                    "",
                    Optional.of(preview(ready, run.last(), cancel)));
        } catch (RunFault | FileFault e) {
            return new StarterOutcome(Optional.empty(), "", Words.spoken(e.getMessage()), Optional.empty());
        } catch (IllegalArgumentException e) {
            return new StarterOutcome(Optional.empty(), "", Texts.complaint(e.getMessage()), Optional.empty());
        }
    }

    private static String said(Answer answer, Optional<Scale> scale) {
        double value = answer.value();
        return switch (answer.kind()) {
            case COUNT -> Texts.of("objects.count", Figures.number(value));
            case SIZE_PX -> Double.isNaN(value) ? Texts.of("starter.none") : size(value, scale);
            case PER_PX2 ->
                scale.map(s -> perArea(value, s))
                        .orElseGet(() -> Texts.of("starter.per-megapixel", Figures.number(value * 1e6)));
            case SHARE -> Texts.of("starter.percent", Figures.percent(value));
            case SHARE_WITHIN -> Texts.of("starter.percent-within", Figures.percent(value));
            case PHASES -> Texts.of("starter.phases", Figures.number(value));
        };
    }

    /** In a square millimetre, or in a square centimetre where that holds less than one. */
    private static String perArea(double perPx2, Scale scale) {
        double perMm2 = perPx2 / PixelSize.of(LengthUnit.MM, Optional.of(scale)).area(1);
        LengthUnit unit = perMm2 < 1 ? LengthUnit.CM : LengthUnit.MM;
        double number = perPx2 / PixelSize.of(unit, Optional.of(scale)).area(1);
        return Texts.of("starter.density", Figures.number(number), unit.symbol() + "²");
    }

    private static String size(double px, Optional<Scale> scale) {
        LengthUnit unit = scale.map(Scale::unit).orElse(LengthUnit.PX);
        return Texts.of("starter.size", Figures.length(px, PixelSize.of(unit, scale)));
    }

    private int[] preview(TrialRuns.TrialSample ready, State last, Cancel cancel) {
        int width = ready.pyramid().width();
        int height = ready.pyramid().height();
        double zoom = Math.max((double) WIDTH / width, (double) HEIGHT / height);
        Viewport view = Viewport.centred(width / 2.0, height / 2.0, zoom, WIDTH, HEIGHT);
        Look look = new Look(Look.Overlay.OUTLINES, TINT);
        Layers seen = StateLayers.of(last, ready.pyramid(), look, StateLayers.Palette.PLAIN);
        return StageComposer.compose(seen, view, desk.work(cancel));
    }

    private void take(Starter starter, Method laid) {
        running.ask();
        String title = Texts.of("action.starter", Texts.of(key(starter)));
        if (desk.change(title, m -> m.with(laid.steps()))) {
            hide();
            List<String> stations =
                    new ArrayList<>(laid.steps().stream().map(s -> s.id()).toList());
            desk.station().set(stations.getLast());
        }
    }

    private static String key(Starter starter) {
        return "starter." + ChoiceSetting.word(starter);
    }

    /** One question. */
    private final class Tile extends Button {
        private final Starter starter;
        private final ImageView picture = new ImageView();
        private final Label number = new Label(Texts.of("trial.waiting"));
        private final Label why = Prose.of("", "hint");

        Tile(Starter starter) {
            this.starter = starter;
            setId("starter-" + ChoiceSetting.word(starter));
            getStyleClass().setAll("tile", "starter");
            Label question = Prose.of(Texts.of(key(starter)), "starter-name");
            number.getStyleClass().addAll("starter-number", "figure");
            number.setId(getId() + "-number");
            picture.setFitWidth(WIDTH);
            picture.setFitHeight(HEIGHT);
            why.managedProperty().bind(why.textProperty().isNotEmpty());
            VBox face = new VBox(question, picture, number, why);
            face.getStyleClass().add("starter-face");
            face.setPrefSize(WIDTH, HEIGHT + FOOT);
            face.setMinSize(WIDTH, HEIGHT + FOOT);
            face.setMaxSize(WIDTH, HEIGHT + FOOT);
            setGraphic(face);
            setContentDisplay(ContentDisplay.GRAPHIC_ONLY);
            setAccessibleText(question.getText());
            setDisable(true);
        }

        void show(StarterOutcome tried) {
            number.setText(tried.number());
            why.setText(tried.why());
            picture.setVisible(tried.method().isPresent());
            picture.setManaged(tried.method().isPresent());
            number.setManaged(tried.method().isPresent());
            tried.pixels()
                    .ifPresent(p -> picture.setImage(new WritableImage(
                            new PixelBuffer<>(WIDTH, HEIGHT, IntBuffer.wrap(p), PixelFormat.getIntArgbPreInstance()))));
            tried.method().ifPresent(m -> {
                setDisable(false);
                setOnAction(e -> take(starter, m));
            });
        }
    }
}
