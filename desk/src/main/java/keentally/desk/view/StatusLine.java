package keentally.desk.view;

import java.util.List;
import java.util.Map;
import javafx.css.PseudoClass;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import keentally.core.setting.ChoiceSetting;
import keentally.core.words.Figures;
import keentally.desk.help.Why;
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
    private final Probe under;
    private final Label probe = new Label();
    private final Label message = new Label();
    private final Label scale = new Label();
    private final Button cautions = new Button();
    private final Label kept = new Label();
    private final CautionList list;

    /**
     * @param under what is told of the pixel under the pointer
     * @param waysOut what to do about a caution, by its kind
     */
    StatusLine(DeskModel desk, StageModel stage, Probe under, Map<CautionKind, Runnable> waysOut) {
        this.list = new CautionList(waysOut);
        this.desk = desk;
        this.under = under;
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
        Why.ask(probe, under::why);
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
        probe.setText(under.told());
    }
}
