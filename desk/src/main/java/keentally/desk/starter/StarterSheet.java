package keentally.desk.starter;

import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Stream;
import javafx.application.Platform;
import javafx.beans.binding.Bindings;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.geometry.VPos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextInputControl;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import keentally.core.geometry.Rectangle;
import keentally.core.method.Method;
import keentally.core.run.Lanes.Urgency;
import keentally.core.run.RunFault;
import keentally.core.setting.ChoiceSetting;
import keentally.core.starter.Starter;
import keentally.core.starter.Suggestion;
import keentally.core.starter.Whole;
import keentally.core.step.StepFault;
import keentally.core.work.Cancel;
import keentally.desk.look.Pieces;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.look.Tip;
import keentally.desk.model.DeskModel;
import keentally.desk.picture.PictureModel;
import keentally.desk.stage.StageModel;
import keentally.study.document.FieldOrigin;
import keentally.study.document.Thing.SampleThing;
import keentally.study.file.FileFault;
import keentally.study.starter.AskedField;

/** Over the stage while a sample's method is empty: what does the person want to know? Each question is tried on the picture at once. */
public final class StarterSheet extends ScrollPane {
    /** In this order: what is answered at once is not kept waiting by what is looked into longer. */
    private static final List<Starter> ASKED = List.of(
            Starter.BRIGHT,
            Starter.DARK,
            Starter.HOW_MANY,
            Starter.HOW_BIG,
            Starter.PER_AREA,
            Starter.COLOUR,
            Starter.SHADES,
            Starter.DYES);

    /** Of the best score: then the eye of a person tells better. */
    private static final double NEAR = 0.9;

    private static final double BY_HAND = 312;

    private final DeskModel desk;
    private final FlowPane counting = new FlowPane();
    private final FlowPane shares = new FlowPane();
    private final Label waysHead = Prose.of("", "starter-ways-head");
    private final HBox ways = new HBox();
    private final VBox waysBox = new VBox(waysHead, ways);
    private final HBox wholes = new HBox();
    private final CheckBox withoutCaption = new CheckBox();
    private final LaidOut laidOut;

    /** Which of the ways to count was chosen, and of what shares were asked; for questions whose answer is still to come too. */
    private int way;

    private Optional<Whole> whole = Optional.empty();
    private final BooleanProperty open = new SimpleBooleanProperty();
    private Round round;
    private String closedFor = "";
    private String shownFor = "";

    /** Whether a person opened it. */
    private boolean asked;

    /** One time that the sheet is open: what is worked out for it, until it closes. */
    private record Round(StarterTrials trials, Cancel cancel) {}

    /** What is done with a picture by hand from the beginning. */
    public interface Ways {
        void byExamples();

        void countByHand();
    }

    /**
     * @param stage whose tools go before: a scale can be drawn before any question is answered
     * @param laidOut tells what was laid out
     */
    public StarterSheet(DeskModel desk, StageModel stage, PictureModel picture, LaidOut laidOut, Ways ways) {
        this.desk = desk;
        this.laidOut = laidOut;
        setId("starters");
        getStyleClass().add("trial-grid");
        counting.getStyleClass().add("starter-tiles");
        shares.getStyleClass().add("starter-tiles");
        counting.setRowValignment(VPos.TOP);
        shares.setRowValignment(VPos.TOP);
        this.ways.getStyleClass().add("starter-ways");
        waysBox.getStyleClass().add("starter-ways-box");
        wholes.getStyleClass().add("starter-wholes");
        withoutCaption.setId("starter-without-caption");
        withoutCaption.setSelected(true);
        withoutCaption.getStyleClass().add("on-ground");
        withoutCaption.setOnAction(e -> show());
        for (Node offered : List.of(waysBox, wholes, withoutCaption)) {
            offered.managedProperty().bind(offered.visibleProperty());
        }
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        HBox head = new HBox(
                Prose.of(Texts.of("starter.question"), "starter-question"),
                gap,
                Pieces.button("starter-close", "starter.close", this::close));
        head.getStyleClass().add("starter-head");
        FlowPane byHand = new FlowPane(byHand("examples", ways::byExamples), byHand("by-hand", ways::countByHand));
        byHand.getStyleClass().add("starter-tiles");
        byHand.setRowValignment(VPos.TOP);
        VBox all = new VBox(
                head, withoutCaption, counting, new StarterScale(desk, picture), waysBox, wholes, shares, byHand);
        all.getStyleClass().add("starters");
        setContent(all);
        setFitToWidth(true);
        setHbarPolicy(ScrollBarPolicy.NEVER);
        addEventHandler(KeyEvent.KEY_PRESSED, this::digit);
        visibleProperty()
                .bind(Bindings.createBooleanBinding(
                        () -> open.get() && stage.tool().get().isEmpty(), open, stage.tool()));
        desk.open().addListener(o -> offer());
        desk.shown().addListener(o -> offer());
        desk.study().addListener(o -> offer());
        desk.sampleId().addListener(o -> hide());
    }

    /** A question that only a person's hand answers. @param key of its texts */
    private Button byHand(String key, Runnable way) {
        VBox face = new VBox(
                Prose.of(Texts.of("starter." + key), "starter-name", BY_HAND),
                Prose.of(Texts.of("starter." + key + ".about"), "starter-range", BY_HAND));
        face.getStyleClass().add("starter-face");
        Button tile = new Button();
        tile.setGraphic(face);
        tile.setId("starter-" + key);
        tile.getStyleClass().setAll("tile", "starter");
        tile.setAccessibleText(Texts.of("starter." + key) + " " + Texts.of("starter." + key + ".about"));
        tile.setOnAction(e -> {
            close();
            way.run();
        });
        return tile;
    }

    public ReadOnlyBooleanProperty isOpen() {
        return open;
    }

    private String now() {
        return desk.sampleId().get()
                + desk.methodId()
                + desk.sample().map(s -> s.field() + " " + s.scale()).orElse("");
    }

    /** By itself only where there is nothing to be spoilt. */
    private void offer() {
        boolean empty = desk.method().steps().isEmpty() && desk.isOpen();
        boolean other = open.get() && !now().equals(shownFor); // its scale or its field was given meanwhile
        if (other && (empty || asked) || empty && !now().equals(closedFor) && !now().equals(shownFor)) {
            show();
        } else if (!desk.method().steps().isEmpty() && open.get() && !asked) {
            hide();
        }
    }

    /** Opens it for a method that has stations already; taking one replaces them, and can be undone. */
    public void ask() {
        if (desk.isOpen()) {
            asked = true;
            show();
        } else {
            desk.say(Texts.of("starter.no-picture"));
        }
    }

    private void hide() {
        stop();
        clear(); // its suggestions hold the sample
        asked = false;
        withoutCaption.setSelected(true);
        shownFor = "";
        open.set(false);
    }

    public void close() {
        closedFor = now();
        hide();
    }

    private void stop() {
        if (round != null) {
            round.cancel.ask();
            round = null;
            for (Pane pane : List.of(counting, shares, ways)) {
                pane.getChildren().forEach(desk::unlook);
            }
        }
    }

    private void clear() {
        counting.getChildren().clear();
        shares.getChildren().clear();
        ways.getChildren().clear();
        wholes.getChildren().clear();
        waysBox.setVisible(false);
        wholes.setVisible(false);
        withoutCaption.setVisible(false);
        way = 0;
        whole = Optional.empty();
    }

    private void show() {
        stop();
        Round now = new Round(new StarterTrials(desk, !withoutCaption.isSelected()), new Cancel());
        round = now;
        shownFor = now();
        clear();
        open.set(true);
        for (Starter starter : ASKED) {
            StarterTile tile = new StarterTile(
                    starter,
                    laid -> take(starter, laid),
                    (laid, seen) -> StarterWhy.of(desk, starter, laid, seen, now.trials));
            (starter.isCounting() ? counting : shares).getChildren().add(tile);
            work(now, tile, tile::refuse, cancel -> {
                List<Suggestion> all = now.trials.suggestions(starter, cancel);
                if (all.isEmpty()) {
                    return () -> tile.refuse(Texts.of("starter.cannot"));
                }
                StarterTrials.Seen seen = now.trials.rough(all.getFirst(), cancel);
                return () -> {
                    tile.suggest(all);
                    Suggestion chosen = chosen(tile);
                    if (chosen == all.getFirst()) {
                        came(now, tile, chosen, seen);
                    } else {
                        turn(now, tile, chosen);
                    }
                    if (starter == Starter.HOW_MANY) {
                        focus(tile);
                        offerWays(now, all);
                    }
                    offerWholes(now);
                    now.trials.caption().ifPresent(this::offerCaption);
                };
            });
        }
    }

    /** What was burnt into the picture is no sample; a person may say otherwise. */
    private void offerCaption(Rectangle box) {
        withoutCaption.setText(Texts.of(
                "starter.without-caption",
                String.valueOf(Math.round(box.width())),
                String.valueOf(Math.round(box.height()))));
        withoutCaption.setVisible(true);
    }

    /** What a question is answered by as people chose so far, else the likeliest. */
    private Suggestion chosen(StarterTile tile) {
        List<Suggestion> all = tile.suggestions();
        return tile.starter().isCounting()
                ? all.get(Math.min(way, all.size() - 1))
                : all.stream()
                        .filter(s -> whole.filter(w -> w == s.of()).isPresent())
                        .findFirst()
                        .orElse(all.getFirst());
    }

    /** All questions of a kind anew, as was chosen. */
    private void turn(Round of, FlowPane pane) {
        tiles(pane).filter(t -> !t.suggestions().isEmpty()).forEach(t -> turn(of, t, chosen(t)));
    }

    /** What may fail, away from the interface thread; what it leaves is done on it. */
    @FunctionalInterface
    private interface Working {
        Runnable run(Cancel cancel) throws FileFault, StepFault, RunFault;
    }

    /**
     * @param slot what was asked for in it before is wanted no more
     * @param refuse shows why it failed
     */
    private void work(Round of, Object slot, Consumer<String> refuse, Working working) {
        desk.look(slot, Urgency.ASKED, cancel -> {
            if (!of.cancel.asked()) {
                Runnable left = left(refuse, working, cancel);
                Platform.runLater(() -> {
                    if (!of.cancel.asked()) {
                        left.run();
                    }
                });
            }
        });
    }

    private static Runnable left(Consumer<String> refuse, Working working, Cancel cancel) {
        try {
            return working.run(cancel);
        } catch (RunFault | StepFault | FileFault e) {
            return () -> refuse.accept(Texts.fault(e));
        } catch (IllegalArgumentException e) {
            return () -> refuse.accept(Texts.complaint(e.getMessage()));
        }
    }

    /** A suggestion was tried on the small sample; all of it is next. */
    private void came(Round of, StarterTile tile, Suggestion suggestion, StarterTrials.Seen rough) {
        tile.show(suggestion, rough);
        work(of, tile, tile::refuse, cancel -> {
            StarterTrials.Seen exact = of.trials.exact(tile.starter(), suggestion, rough, cancel);
            return () -> tile.show(suggestion, exact);
        });
    }

    private void turn(Round of, StarterTile tile, Suggestion suggestion) {
        work(of, tile, tile::refuse, cancel -> {
            StarterTrials.Seen rough = of.trials.rough(suggestion, cancel);
            return () -> came(of, tile, suggestion, rough);
        });
    }

    /** So that keys choose among the answers; not away from where somebody types. */
    private void focus(StarterTile tile) {
        if (isVisible() && !(getScene().getFocusOwner() instanceof TextInputControl)) {
            tile.requestFocus();
        }
    }

    /** Small pictures of all ways to count; where two are nearly as likely, with a question. */
    private void offerWays(Round of, List<Suggestion> all) {
        if (all.size() < 2) {
            return;
        }
        boolean near = all.get(1).score() >= NEAR * all.getFirst().score();
        waysHead.setText(Texts.of(near ? "starter.which" : "starter.ways"));
        ToggleGroup group = new ToggleGroup();
        for (int i = 0; i < all.size(); i++) {
            int place = i;
            Suggestion suggestion = all.get(i);
            OtherWay other = new OtherWay(i + 1, suggestion);
            other.setToggleGroup(group);
            other.setSelected(i == 0);
            other.setOnAction(e -> {
                other.setSelected(true);
                way = place;
                turn(of, counting);
            });
            ways.getChildren().add(other);
            work(of, other, reason -> other.setDisable(true), cancel -> {
                StarterTrials.Seen seen = of.trials.glance(suggestion, cancel);
                return () -> other.show(seen);
            });
        }
        waysBox.setVisible(true);
    }

    private void digit(KeyEvent e) {
        String typed = e.getText();
        for (int i = 0; i < ways.getChildren().size(); i++) {
            if (typed.equals(String.valueOf(i + 1))) {
                ((OtherWay) ways.getChildren().get(i)).fire();
                e.consume();
            }
        }
    }

    /** What shares may be of, where the picture offers more than itself; each question begins with the likeliest. */
    private void offerWholes(Round of) {
        Set<Whole> offered = EnumSet.noneOf(Whole.class);
        tiles(shares).forEach(t -> t.suggestions().forEach(s -> offered.add(s.of())));
        if (offered.size() < 2 || wholes.getChildren().size() > offered.size()) {
            return;
        }
        wholes.getChildren().setAll(Prose.of(Texts.of("starter.of-what"), "starter-ways-head"));
        Whole likeliest = tiles(shares)
                .flatMap(t -> t.suggestions().stream().limit(1))
                .map(Suggestion::of)
                .findFirst()
                .orElseThrow();
        ToggleGroup group = new ToggleGroup();
        for (Whole each : offered) {
            String word = ChoiceSetting.word(each);
            ToggleButton button = new ToggleButton(Texts.of("starter.of-" + word));
            button.setId("starter-of-" + word);
            Tip.on(button, Texts.of("starter.of-" + word + ".help"));
            button.setToggleGroup(group);
            button.setSelected(each == whole.orElse(likeliest));
            button.setOnAction(e -> {
                button.setSelected(true);
                whole = Optional.of(each);
                turn(of, shares);
            });
            wholes.getChildren().add(button);
        }
        wholes.setVisible(true);
    }

    private static SampleThing fenced(SampleThing sample, Rectangle leftOut) {
        return sample.with(AskedField.parts(sample.field(), leftOut), FieldOrigin.FOUND);
    }

    private static Stream<StarterTile> tiles(FlowPane pane) {
        return pane.getChildren().stream().map(StarterTile.class::cast);
    }

    private void take(Starter starter, Suggestion laid) {
        Optional<Rectangle> leftOut =
                withoutCaption.isSelected() && round != null ? round.trials.caption() : Optional.empty();
        String sample = desk.sampleId().get();
        stop();
        String title = Texts.of("action.starter", Texts.of(StarterWords.key(starter)));
        Method method = laid.method();
        boolean taken = desk.change(
                title,
                m -> m.with(method.steps()),
                s -> leftOut.map(box -> s.with(sample, fenced(s.sample(sample).orElseThrow(), box)))
                        .orElse(s));
        if (taken) {
            hide();
            desk.station().set(method.steps().getLast().id());
            laidOut.show(Texts.of(StarterWords.key(starter)));
        }
    }
}
