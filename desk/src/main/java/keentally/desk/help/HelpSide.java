package keentally.desk.help;

import java.util.Optional;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import keentally.core.measure.Measure;
import keentally.core.words.Words;
import keentally.desk.look.Glyph;
import keentally.desk.look.Pieces;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.study.caution.Caution;
import keentally.study.caution.CautionKind;

/** Over the right part of the stage, beside the station's panel: what something is, where it comes from, and why a number is so. */
public final class HelpSide extends VBox {
    private static final double WIDTH = 396;

    private final DeskModel desk;
    private final Label title = Prose.of("", "help-title");
    private final VBox body = new VBox();
    private final ScrollPane scroll = new ScrollPane(body);
    private final StationHelp stations;
    private final NumberHelp numbers;

    /**
     * @param pages opens the pages of the help
     * @param bench shows stations
     */
    public HelpSide(DeskModel desk, Runnable pages, Runnable bench) {
        this.desk = desk;
        this.stations = new StationHelp(desk);
        this.numbers = new NumberHelp(desk, bench);
        setId("help-side");
        getStyleClass().add("help-side");
        setMinWidth(WIDTH);
        setMaxWidth(WIDTH);
        HBox.setHgrow(title, Priority.ALWAYS);
        title.setMaxWidth(Double.MAX_VALUE);
        title.setId("help-side-title");
        HBox head = new HBox(
                8,
                title,
                Pieces.button("help-pages", "help.pages", pages),
                Glyph.CLOSE.button("help-side-close", Texts.of("help.close"), this::close));
        head.setAlignment(Pos.TOP_LEFT);
        body.getStyleClass().add("help-body");
        body.setId("help-body");
        scroll.setFitToWidth(true);
        scroll.getStyleClass().add("panel-scroll");
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        getChildren().addAll(head, scroll);
        setVisible(false);
        setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.ESCAPE) {
                close();
                e.consume();
            }
        });
        desk.station().addListener(o -> follow());
        desk.sampleId().addListener(o -> close());
        desk.study().addListener(o -> {
            if (body.getUserData() instanceof Topic.OfNumber || body.getUserData() instanceof Topic.OfSeveral) {
                close(); // the number may be another by now
            }
        });
    }

    public ReadOnlyBooleanProperty isOpen() {
        return visibleProperty();
    }

    public void close() {
        numbers.drop();
        stations.drop();
        body.getChildren().clear();
        setVisible(false);
    }

    /** What is told of a station goes with the selection. */
    private void follow() {
        if (isVisible() && body.getUserData() instanceof Topic.OfStation) {
            ofSelected().ifPresentOrElse(this::open, this::close);
        }
    }

    /** Of the selected station; empty where that is the picture. */
    public Optional<Topic> ofSelected() {
        return desk.method().step(desk.station().get()).map(s -> new Topic.OfStation(s.description()));
    }

    public void open(Topic topic) {
        numbers.drop();
        stations.drop();
        body.setUserData(topic);
        body.getChildren().clear();
        switch (topic) {
            case Topic.OfStation of -> {
                title.setText(Words.title(of.step()));
                stations.fill(body, of.step());
            }
            case Topic.OfMeasure of -> measure(of.measure());
            case Topic.OfCaution of -> caution(of.kind());
            case Topic.OfNumber of -> {
                title.setText(of.name());
                numbers.fill(body, of);
            }
            case Topic.OfSeveral of -> {
                title.setText(of.name());
                numbers.fill(body, of, this::open);
            }
        }
        scroll.setVvalue(0);
        setVisible(true);
    }

    private void measure(Measure measure) {
        title.setText(Words.title(measure, desk.unit()));
        add(
                new MeasureSketch(measure),
                Prose.of(Words.definition(measure), "help-text"),
                source(Words.source(measure)));
    }

    private void caution(CautionKind kind) {
        title.setText(CautionWords.title(kind));
        add(Prose.of(CautionWords.about(kind), "help-text"));
        desk.shown().get().stream()
                .flatMap(s -> s.cautions().stream())
                .filter(c -> c.kind() == kind)
                .map(Caution::saw)
                .findFirst()
                .ifPresent(saw -> add(Pieces.head("help.on-this"), Prose.of(saw, "help-text")));
    }

    static Label source(String text) {
        return Prose.of(Texts.of("help.source", text), "hint");
    }

    private void add(Node... nodes) {
        body.getChildren().addAll(nodes);
    }
}
