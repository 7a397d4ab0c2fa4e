package keentally.desk.view;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.css.PseudoClass;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import keentally.core.geometry.Point;
import keentally.core.measure.ObjectTable;
import keentally.core.picture.Picture;
import keentally.core.quantity.Scale;
import keentally.core.region.ObjectSet;
import keentally.core.run.Readings;
import keentally.core.run.Run;
import keentally.core.setting.ChoiceSetting;
import keentally.core.step.State;
import keentally.core.words.Figures;
import keentally.core.words.Words;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.desk.model.OpenStudy.Keeping;
import keentally.desk.stage.StageModel;
import keentally.study.caution.CautionKind;
import keentally.study.run.SampleRun;

/** The line at the bottom: what is under the pointer, what there is to say, the scale, and the cautions. */
final class StatusLine extends HBox {
    private static final PseudoClass TROUBLE = PseudoClass.getPseudoClass("trouble");
    private static final PseudoClass WATCH = PseudoClass.getPseudoClass("watch");

    private final DeskModel desk;
    private final StageModel stage;
    private final Label probe = new Label();
    private final Label message = new Label();
    private final Label scale = new Label();
    private final Button cautions = new Button();
    private final Label kept = new Label();
    private final CautionList list;

    /** @param waysOut what to do about a caution, by its kind */
    StatusLine(DeskModel desk, StageModel stage, Map<CautionKind, Runnable> waysOut) {
        this.list = new CautionList(waysOut);
        this.desk = desk;
        this.stage = stage;
        getStyleClass().add("status-line");
        probe.setId("probe");
        probe.getStyleClass().addAll("figure", "probe");
        message.setId("message");
        message.getStyleClass().add("message");
        message.setWrapText(true);
        message.setMinHeight(Region.USE_PREF_SIZE);
        HBox.setHgrow(message, Priority.ALWAYS);
        message.setMaxWidth(Double.MAX_VALUE);
        scale.setId("scale-shown");
        scale.getStyleClass().add("figure");
        cautions.setId("cautions");
        cautions.setMinWidth(Region.USE_PREF_SIZE);
        cautions.getStyleClass().add("cautions");
        cautions.managedProperty().bind(cautions.visibleProperty());
        cautions.setOnAction(e -> listCautions());
        probe.setMinWidth(Region.USE_PREF_SIZE);
        scale.setMinWidth(Region.USE_PREF_SIZE);
        kept.setId("kept");
        kept.getStyleClass().add("kept");
        kept.setMinWidth(Region.USE_PREF_SIZE);
        getChildren().addAll(probe, message, new JobList(desk).button(), kept, scale, cautions);
        desk.holding().addListener(o -> hold());
        hold();
        stage.pointer().addListener(o -> probe());
        stage.view().addListener(o -> probe());
        desk.message().addListener(o -> message.setText(desk.message().get()));
        desk.shown().addListener(o -> refresh());
        desk.study().addListener(o -> refresh());
        desk.sampleId().addListener(o -> refresh());
        refresh();
    }

    /** What is to be said of the sample. */
    void listCautions() {
        list.show(cautions, desk.shown().get().map(SampleRun::cautions).orElse(List.of()));
    }

    private void hold() {
        desk.holding().get().keeping().addListener(o -> keeping());
        keeping();
    }

    /** Whether the last action is on disk. */
    private void keeping() {
        Keeping now = desk.holding().get().keeping().get();
        kept.setText(Texts.of("kept." + ChoiceSetting.word(now.how())));
        kept.pseudoClassStateChanged(TROUBLE, now.how() == Keeping.How.TROUBLE);
        kept.pseudoClassStateChanged(WATCH, now.how() == Keeping.How.READ_ONLY);
        if (now.how() == Keeping.How.TROUBLE) {
            desk.say(now.trouble());
        }
    }

    private void refresh() {
        scale.setText(
                desk.sample().isEmpty()
                        ? ""
                        : desk.scale()
                                .map(s -> Figures.number(s.amount()) + " "
                                        + s.unit().symbol() + "/px")
                                .orElse(Texts.of("status.no-scale")));
        int n = desk.shown().get().map(s -> s.cautions().size()).orElse(0);
        cautions.setVisible(n > 0);
        cautions.setText(n == 1 ? Texts.of("status.caution") : Texts.of("status.cautions", Figures.number(n)));
        probe();
    }

    private void probe() {
        Optional<Point> at = stage.pixel();
        Optional<Picture> picture = desk.open().get().map(o -> o.file().picture());
        if (at.isEmpty() || picture.isEmpty()) {
            probe.setText("");
            return;
        }
        int x = (int) Math.floor(at.get().x());
        int y = (int) Math.floor(at.get().y());
        boolean inside = x >= 0
                && y >= 0
                && x < picture.get().width()
                && y < picture.get().height();
        probe.setText(inside ? describe(at.get(), x, y, picture.get()) : "");
    }

    private String describe(Point at, int x, int y, Picture picture) {
        StringBuilder text =
                new StringBuilder(Texts.of("probe.px", Figures.fixed(at.x(), 0), Figures.fixed(at.y(), 0)));
        desk.scale()
                .ifPresent(s -> text.append(Texts.of(
                        "probe.real", real(at.x(), s), real(at.y(), s), s.unit().symbol())));
        picture.channels()
                .forEach(c -> text.append(Texts.of(
                        "probe.value", c.name(), Figures.number(c.plane().at(x, y)))));
        desk.reached(desk.station().get())
                .map(Run.Station::after)
                .flatMap(s -> prepared(s, x, y))
                .ifPresent(text::append);
        Optional<Readings> readings = desk.shown().get().flatMap(SampleRun::readings);
        readings.flatMap(r -> r.state().mask())
                .ifPresent(m -> text.append(Texts.of(m.at(x, y) ? "probe.chosen" : "probe.rest")));
        readings.flatMap(Readings::objects).ifPresent(t -> text.append(object(t, x, y)));
        return text.toString();
    }

    private static String real(double px, Scale scale) {
        double value = px * scale.amount();
        return Figures.fixed(value, scale.amount() >= 1 ? 1 : 3);
    }

    private static Optional<String> prepared(State state, int x, int y) {
        boolean other = state.current() != state.original();
        return other
                ? state.current().single().map(p -> Texts.of("probe.prepared", Figures.number(p.at(x, y))))
                : Optional.empty();
    }

    private String object(ObjectTable table, int x, int y) {
        ObjectSet objects = table.objects();
        int region = objects.regions().at(x, y);
        if (region < 0) {
            return "";
        }
        if (!objects.isKept(region)) {
            String by = objects.droppedBy(region);
            return Texts.of(
                    "probe.dropped",
                    desk.method()
                            .step(by)
                            .map(s -> Words.title(s.description()))
                            .orElse(by));
        }
        String kind = objects.classOf(region);
        return Texts.of(
                kind.isEmpty() ? "probe.object" : "probe.object.class",
                String.valueOf(objects.number(region)),
                Figures.area(objects.regions().pixels(region), desk.pixelSize()),
                kind);
    }
}
