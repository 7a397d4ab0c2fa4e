package keentally.desk.station;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import javafx.application.Platform;
import javafx.css.PseudoClass;
import javafx.geometry.Pos;
import javafx.geometry.Side;
import javafx.scene.control.Button;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.MenuItem;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.KeyCode;
import javafx.scene.input.TransferMode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import keentally.core.colour.Rgb;
import keentally.core.method.MethodStep;
import keentally.core.picture.Field;
import keentally.core.picture.PhaseMap;
import keentally.core.picture.Picture;
import keentally.core.run.Lanes.Urgency;
import keentally.core.run.Run;
import keentally.core.setting.ChoiceSetting;
import keentally.core.step.Flow;
import keentally.core.step.State;
import keentally.core.view.Layers;
import keentally.core.view.Look;
import keentally.core.view.PhaseInks;
import keentally.core.view.PhasePaint;
import keentally.core.view.Pyramid;
import keentally.core.view.StageComposer;
import keentally.core.view.StateLayers;
import keentally.core.view.Viewport;
import keentally.core.words.Figures;
import keentally.core.words.Headline;
import keentally.core.words.Words;
import keentally.core.work.Work;
import keentally.desk.help.Why;
import keentally.desk.look.Glyph;
import keentally.desk.look.Slides;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.desk.model.MethodActions;
import keentally.desk.model.OpenSample;
import keentally.study.run.SampleRun;

/** The stations along the top, joined by lines whose style shows what flows: where one is, and how one moves about. */
public final class MethodLine extends ScrollPane {
    /** So many pixels of a prepared picture are looked at for each of a thumbnail, across. */
    private static final int MOST_PIXELS = 4;

    /** Beside a card that is brought in sight, so that the next one is seen to begin. */
    private static final double MARGIN = 24;

    private static final PseudoClass TAKING = PseudoClass.getPseudoClass("taking");

    private final DeskModel desk;
    private final StationActions actions;
    private final HBox line = new HBox();
    private final PartBrackets brackets = new PartBrackets();
    private final List<StationCard> cards = new ArrayList<>();
    private List<MethodStep> built = List.of();
    private List<String> cardsBuilt = List.of();
    private volatile int generation;

    public MethodLine(DeskModel desk) {
        this.desk = desk;
        this.actions = new StationActions(desk);
        setId("method-line");
        getStyleClass().add("method-line");
        setFitToHeight(true);
        setVbarPolicy(ScrollBarPolicy.NEVER);
        line.setAlignment(Pos.CENTER_LEFT);
        line.getStyleClass().add("line");
        brackets.setMouseTransparent(true);
        setContent(new StackPane(line, brackets));
        line.layoutBoundsProperty().addListener(o -> brackets.requestLayout());
        desk.study().addListener(o -> rebuild());
        desk.sampleId().addListener(o -> rebuild());
        desk.open().addListener(o -> refresh());
        desk.shown().addListener(o -> refresh());
        desk.previewSeen().addListener(o -> headlines());
        desk.station().addListener(o -> select());
        desk.numbersOpen().addListener(o -> select());
        takeSlides();
        build();
    }

    /** A slide that is dropped here takes the method that stands here. */
    private void takeSlides() {
        setOnDragOver(e -> {
            if (!Slides.in(e.getDragboard()).isEmpty()) {
                e.acceptTransferModes(TransferMode.MOVE);
                e.consume();
            }
        });
        setOnDragEntered(e -> {
            if (!Slides.in(e.getDragboard()).isEmpty()) {
                desk.say(Texts.of("method.drop", desk.method().name()));
                pseudoClassStateChanged(TAKING, true);
            }
        });
        setOnDragExited(e -> pseudoClassStateChanged(TAKING, false));
        setOnDragDropped(e -> {
            List<String> samples = Slides.in(e.getDragboard());
            desk.say("");
            new MethodActions(desk).assign(desk.methodId(), samples);
            e.setDropCompleted(!samples.isEmpty());
            e.consume();
        });
    }

    private void rebuild() {
        if (!cardsNow().equals(cardsBuilt)) {
            build();
        }
        built = desk.method().steps();
        headlines();
        bracket();
    }

    /** What the cards say beside their headlines. */
    private List<String> cardsNow() {
        return desk.method().steps().stream()
                .map(s -> s.id()
                        + desk.departures().of(s.id()).isEmpty()
                        + s.held().isPresent())
                .toList();
    }

    private void build() {
        built = desk.method().steps();
        cardsBuilt = cardsNow();
        cards.clear();
        line.getChildren().clear();
        add(new StationCard(0, DeskModel.PICTURE, Texts.of("picture.title"), false, false));
        for (int i = 0; i < built.size(); i++) {
            Region joint = new Region();
            Set<Flow> there = desk.method().available(i);
            Flow flow = there.stream().max(Flow::compareTo).orElse(Flow.PICTURE);
            joint.getStyleClass().addAll("joint", "flow-" + ChoiceSetting.word(flow));
            line.getChildren().add(joint);
            add(new StationCard(
                    i + 1,
                    built.get(i).id(),
                    Words.title(built.get(i).description()),
                    !desk.departures().of(built.get(i).id()).isEmpty(),
                    built.get(i).held().isPresent()));
        }
        Button more = Glyph.ADD.button("add-station", Texts.of("station.add"), () -> {});
        more.getStyleClass().add("add-station");
        more.setOnAction(e -> addMenu().show(more, Side.BOTTOM, 0, 4));
        line.getChildren().addAll(more, new NumbersCard(desk));
        refresh();
        select();
        bracket();
    }

    private void bracket() {
        brackets.show(desk.method(), cards);
    }

    private void add(StationCard card) {
        Why.from(card, () -> Why.ofStation(desk, card.stepId()));
        card.setOnMousePressed(e -> open(card));
        card.setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.ENTER) {
                open(card);
            }
        });
        cards.add(card);
        line.getChildren().add(card);
    }

    private void open(StationCard card) {
        desk.numbersOpen().set(false);
        desk.station().set(card.stepId());
    }

    private ContextMenu addMenu() {
        ContextMenu menu = new ContextMenu();
        menu.getItems().addAll(StepMenus.of(step -> {
            MenuItem item = new MenuItem(Words.title(step));
            item.setId("add-" + step.id());
            item.setDisable(!actions.canAdd(step));
            item.setOnAction(e -> actions.add(step));
            return item;
        }));
        return menu;
    }

    private void select() {
        cards.forEach(c -> c.select(
                c.stepId().equals(desk.station().get()) && !desk.numbersOpen().get()));
        Platform.runLater(this::bringInSight);
    }

    /** As far to the side as it takes to see the selected card whole. */
    private void bringInSight() {
        double room = line.getWidth() - getViewportBounds().getWidth();
        for (StationCard card : cards) {
            if (card.stepId().equals(desk.station().get()) && room > 0) {
                double left = getHvalue() * room;
                double right = left + getViewportBounds().getWidth();
                double from = card.getBoundsInParent().getMinX() - MARGIN;
                double to = card.getBoundsInParent().getMaxX() + MARGIN;
                double next = from < left
                        ? from
                        : to > right ? to - getViewportBounds().getWidth() : left;
                setHvalue(Math.clamp(next / room, 0, 1));
            }
        }
    }

    private void refresh() {
        headlines();
        thumbnails();
    }

    private void headlines() {
        for (StationCard card : cards) {
            if (card.stepId().equals(DeskModel.PICTURE)) {
                card.show(desk.open().get().map(MethodLine::size).orElse(""), false, Optional.empty());
                continue;
            }
            int number = desk.method().indexOf(card.stepId()) + 1;
            Optional<MethodStep> step = desk.method().step(card.stepId());
            boolean muted = step.map(MethodStep::muted).orElse(false);
            Optional<String> fault = desk.shown()
                    .get()
                    .flatMap(SampleRun::fault)
                    .filter(f -> f.step() == number)
                    .map(f -> Texts.fault(f));
            String text = muted
                    ? Texts.of("station.muted.short")
                    : fault.isPresent()
                            ? Texts.of("station.fault")
                            : desk.reached(card.stepId())
                                    .map(r -> Headline.of(r.step(), r.findings(), desk.pixelSize()))
                                    .orElse("");
            card.show(text, muted, fault);
        }
    }

    private static String size(OpenSample sample) {
        return Texts.of(
                "fact.size.value",
                Figures.number(sample.pyramid().width()),
                Figures.number(sample.pyramid().height()));
    }

    /** Made one after another where nothing more urgent runs; a newer run makes the rest of an older one's superfluous. */
    private void thumbnails() {
        int mine = generation + 1;
        generation = mine;
        Optional<OpenSample> sample = desk.open().get();
        if (sample.isEmpty()) {
            return;
        }
        for (StationCard card : cards) {
            Optional<State> state = card.stepId().equals(DeskModel.PICTURE)
                    ? Optional.empty()
                    : desk.shown()
                            .get()
                            .flatMap(s -> s.run().station(card.stepId()))
                            .map(Run.Station::after);
            if (state.isEmpty() && !card.stepId().equals(DeskModel.PICTURE)) {
                continue;
            }
            Map<String, Rgb> own = desk.phaseColours();
            desk.look(card, Urgency.THUMBNAIL, cancel -> {
                if (mine != generation) {
                    return;
                }
                int[] pixels = thumbnail(sample.get(), state, own, desk.work(cancel));
                Platform.runLater(() -> {
                    if (mine == generation) {
                        card.show(pixels);
                    }
                });
            });
        }
    }

    /** Phases in flat colours, or in those that they were given. */
    private static StateLayers.Palette flat(Map<String, Rgb> own) {
        return new StateLayers.Palette() {
            @Override
            public PhasePaint phases(PhaseMap map) {
                return new PhasePaint(map, PhaseInks.flat(map, own), false);
            }
        };
    }

    /** Filled rather than fitted: the middle of the picture. */
    private static int[] thumbnail(OpenSample sample, Optional<State> state, Map<String, Rgb> own, Work work) {
        int width = sample.pyramid().width();
        int height = sample.pyramid().height();
        double zoom = Math.max((double) StationCard.THUMB_WIDTH / width, (double) StationCard.THUMB_HEIGHT / height);
        Viewport view =
                Viewport.centred(width / 2.0, height / 2.0, zoom, StationCard.THUMB_WIDTH, StationCard.THUMB_HEIGHT);
        if (state.isEmpty()) {
            return StageComposer.compose(Layers.bare(sample.pyramid(), Field.whole(width, height)), view, work);
        }
        State s = state.get();
        if (StateLayers.isOnOriginal(s)) {
            Look look = new Look(Look.Overlay.TINT, 0.75);
            return StageComposer.compose(StateLayers.of(s, sample.pyramid(), look, flat(own)), view, work);
        }
        // a prepared picture is thinned out first: nobody needs its pyramid for a picture of the size of a stamp
        int stride = Math.max(1, (int) (1 / (MOST_PIXELS * zoom)));
        Picture thin = s.current().thinned(stride);
        Viewport small = Viewport.centred(
                thin.width() / 2.0,
                thin.height() / 2.0,
                zoom * stride,
                StationCard.THUMB_WIDTH,
                StationCard.THUMB_HEIGHT);
        Pyramid ground = Pyramid.of(thin, sample.pyramid().tone(), work);
        return StageComposer.compose(Layers.bare(ground, Field.whole(thin.width(), thin.height())), small, work);
    }
}
