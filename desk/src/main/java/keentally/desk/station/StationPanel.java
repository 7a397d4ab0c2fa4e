package keentally.desk.station;

import java.util.List;
import java.util.Optional;
import javafx.beans.binding.Bindings;
import javafx.beans.property.IntegerProperty;
import javafx.beans.property.SimpleIntegerProperty;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import keentally.core.method.MethodStep;
import keentally.core.run.RunFault;
import keentally.core.setting.ChoiceSetting;
import keentally.core.step.BringMaskStep;
import keentally.core.step.ClassifyStep;
import keentally.core.step.ClusterStep;
import keentally.core.step.ColourRangeStep;
import keentally.core.step.EditObjectsStep;
import keentally.core.step.Flow;
import keentally.core.step.GrowRegionsStep;
import keentally.core.step.LabelStep;
import keentally.core.step.LevelsStep;
import keentally.core.step.LocalThresholdStep;
import keentally.core.step.MergeSimilarStep;
import keentally.core.step.PaintStep;
import keentally.core.step.RefineEdgesStep;
import keentally.core.step.ScribbleCutStep;
import keentally.core.step.SimilarColourStep;
import keentally.core.step.SortObjectsStep;
import keentally.core.step.SortRegionsStep;
import keentally.core.step.SplitTouchingStep;
import keentally.core.step.ThresholdStep;
import keentally.core.step.UnmixDyesStep;
import keentally.core.step.WithinStep;
import keentally.core.words.Headline;
import keentally.core.words.Words;
import keentally.desk.help.Why;
import keentally.desk.look.Glyph;
import keentally.desk.look.Pieces;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.look.Tip;
import keentally.desk.model.DeskModel;
import keentally.desk.model.MethodActions;
import keentally.desk.number.NumbersPanel;
import keentally.desk.picture.PictureModel;
import keentally.desk.picture.PicturePanel;
import keentally.desk.stage.StageModel;
import keentally.desk.stage.StageTool;
import keentally.study.run.SampleRun;

/** The panel at the right: the selected station's question, its settings, and what it found. */
public final class StationPanel extends VBox {
    private final DeskModel desk;
    private final PictureModel picture;
    private Optional<MethodStep> built = Optional.empty();
    private String builtSample = "";
    private String builtMethod = "";
    private Body body;
    private final VBox footer = new VBox();
    private final ClusterPanel.Memory clusters = new ClusterPanel.Memory();
    private final IntegerProperty levels = new SimpleIntegerProperty();
    private final IntegerProperty ends = new SimpleIntegerProperty();
    private final EditPanel.Memory corrections = new EditPanel.Memory();
    private final PaintPanel.Memory painting = new PaintPanel.Memory();
    private final SortObjectsPanel.Memory sorting = new SortObjectsPanel.Memory();
    private final PaintPanel.Memory scribbling = new PaintPanel.Memory();
    private final StageModel stage;
    private final Runnable onTrial;
    private final Runnable onTrain;
    private final Runnable onShow;
    private final Runnable onHelp;
    private Optional<SharesSection> shares = Optional.empty();
    private final Label headline = Prose.of("", "headline");
    private final Label fault = Prose.complaint();

    /**
     * @param onTrial the station's alternatives are to be seen side by side
     * @param onTrain a station that learns is to be taught
     * @param onShow what the station does is to be shown
     * @param onHelp the station is to be told of
     */
    public StationPanel(
            DeskModel desk,
            PictureModel picture,
            StageModel stage,
            Runnable onTrial,
            Runnable onTrain,
            Runnable onShow,
            Runnable onHelp) {
        this.onTrial = onTrial;
        this.onShow = onShow;
        this.onHelp = onHelp;
        this.onTrain = onTrain;
        this.desk = desk;
        this.stage = stage;
        this.picture = picture;
        setId("station-panel");
        for (Node node : List.of(this, footer)) {
            Why.from(node, () -> Why.ofStation(desk, desk.station().get()));
        }
        getStyleClass().add("station-panel");
        footer.getStyleClass().add("station-footer");
        footer.visibleProperty().bind(Bindings.isNotEmpty(footer.getChildren()));
        footer.managedProperty().bind(footer.visibleProperty());
        headline.setId("headline");
        fault.setId("fault");
        desk.station().addListener(o -> {
            desk.numbersOpen().set(false);
            rebuild();
        });
        desk.numbersOpen().addListener(o -> rebuild());
        desk.study().addListener(o -> rebuildWhereChanged());
        desk.sampleId().addListener(o -> rebuildWhereChanged());
        desk.open().addListener(o -> rebuildWhereChanged());
        desk.shown().addListener(o -> refresh());
        desk.previewSeen().addListener(o -> refresh(desk.previewSeen().get().isPresent()));
        desk.selection().addListener(o -> {
            refreshPicture();
            body.selected();
        });
        picture.moved().addListener(o -> refreshPicture());
        picture.caption().addListener(o -> refreshPicture());
        picture.section().addListener(o -> rebuild());
        rebuild();
    }

    /** What the station found and what can be done to it; always in sight, however long the panel is. */
    public Region footer() {
        return footer;
    }

    /** The part of the panel that is the station's own. */
    interface Body {
        /** Something came back from running. */
        void refresh();

        /** What a drag shows for the moment came back; what is beside it can wait until the whole method has followed. */
        default void passing() {
            refresh();
        }

        /** Other objects were selected. */
        default void selected() {}

        /** What the mouse draws with on the stage while the station is selected. */
        default Optional<StageTool> tool() {
            return Optional.empty();
        }
    }

    private void refreshPicture() {
        if (selected().isEmpty()) {
            refresh();
        }
    }

    private Optional<MethodStep> selected() {
        return desk.method()
                .step(desk.station().get())
                .filter(s -> !desk.numbersOpen().get());
    }

    private String sampleNow() {
        return desk.sampleId().get()
                + desk.scale()
                + desk.open().get().isPresent()
                + desk.methodId()
                + (desk.numbersOpen().get()
                        ? desk.sample() + " " + desk.method().numbers()
                        : "");
    }

    /** The method, on how many samples it is used, and who locked it. */
    private String methodNow() {
        return desk.methodId() + " "
                + new MethodActions(desk).users(desk.methodId()).size() + desk.departures()
                + desk.study().get().approval(desk.methodId());
    }

    private void rebuildWhereChanged() {
        boolean other = !selected().equals(built) || !methodNow().equals(builtMethod);
        if (other || selected().isEmpty() && !sampleNow().equals(builtSample)) {
            rebuild();
        }
    }

    private void rebuild() {
        String focused = getScene() != null && getScene().getFocusOwner() != null
                ? getScene().getFocusOwner().getId()
                : null;
        built = selected();
        builtSample = sampleNow();
        builtMethod = methodNow();
        getChildren().clear();
        footer.getChildren().clear();
        shares = Optional.empty();
        if (desk.numbersOpen().get()) {
            numbers();
        } else if (built.isPresent()) {
            station(built.get());
        } else {
            picture();
        }
        picture.stationTool().set(built.isPresent() ? body.tool() : Optional.empty());
        refresh();
        Node again = focused == null || getScene() == null ? null : lookup("#" + focused);
        if (again != null) {
            again.requestFocus();
        }
    }

    private void numbers() {
        body = () -> {};
        getChildren()
                .addAll(
                        title(Texts.of("numbers.card")),
                        Prose.of(Texts.of("numbers.question"), "question"),
                        new NumbersPanel(desk, picture.actions()));
    }

    private void picture() {
        PicturePanel panel = new PicturePanel(desk, picture);
        body = panel::refresh;
        getChildren()
                .addAll(
                        title(Texts.of("picture.title")),
                        Prose.of(
                                Texts.of("question."
                                        + ChoiceSetting.word(picture.section().get())),
                                "question"),
                        panel);
    }

    private void station(MethodStep step) {
        int number = desk.method().indexOf(step.id()) + 1;
        Region panel = panel(step);
        VBox.setVgrow(panel, Priority.ALWAYS);
        Label question = Prose.of(Words.question(step.description()), "question");
        getChildren().addAll(head(number + "  " + Words.title(step.description())), question);
        desk.method().parts(step.id()).stream()
                .filter(s -> !s.id().equals(step.id()))
                .reduce((a, b) -> b)
                .ifPresent(s -> getChildren()
                        .add(Prose.of(
                                Texts.of("part.in", desk.method().indexOf(s.id()) + 1, Words.title(s.description())),
                                "hint")));
        getChildren().add(new SharedSection(desk, step));
        HeldSection.of(desk, step).ifPresent(getChildren()::add);
        if (!(body instanceof FairPanel)) {
            Tip.on(question, Words.help(step.description()));
        } else {
            getChildren().add(Prose.of(Words.help(step.description()), "hint"));
        }
        boolean parts = step.gives() == Flow.PHASES || step.gives() == Flow.MASK;
        shares = parts ? Optional.of(new SharesSection(desk, stage, picture.actions(), step.id())) : Optional.empty();
        getChildren().addAll(panel, fault);
        shares.ifPresent(getChildren()::add);
        footer.getChildren().setAll(headline, buttons(step));
        SharedSection.who(desk).ifPresent(row -> footer.getChildren().addFirst(row));
        LockedRow.of(desk).ifPresent(row -> footer.getChildren().addFirst(row));
        boolean said = shares.isPresent();
        headline.setVisible(!said);
        headline.setManaged(!said);
    }

    /** The panel made for a station where people live in it, else a fair one. */
    private Region panel(MethodStep step) {
        return switch (step.description().id()) {
            case ThresholdStep.ID -> body(new ThresholdPanel(desk, step.id(), ends));
            case ColourRangeStep.ID -> body(new ColourRangePanel(desk, step.id()));
            case SimilarColourStep.ID -> body(new SimilarColourPanel(desk, step.id()));
            case ClusterStep.ID -> body(new ClusterPanel(desk, step.id(), clusters));
            case BringMaskStep.ID -> body(new BringPanel(desk, step.id()));
            case PaintStep.ID -> body(PaintPanel.painting(desk, step.id(), painting));
            case ScribbleCutStep.ID -> body(PaintPanel.scribbling(desk, step.id(), scribbling));
            case ClassifyStep.ID -> body(new ClassifyPanel(desk, step.id(), onTrain));
            case RefineEdgesStep.ID -> body(new RefinePanel(desk, step.id()));
            case GrowRegionsStep.ID -> body(new GrowPanel(desk, step.id()));
            case MergeSimilarStep.ID -> body(new MergePanel(desk, step.id()));
            case SortObjectsStep.ID -> body(new SortObjectsPanel(desk, step.id(), sorting));
            case SortRegionsStep.ID -> body(new SortPanel(desk, step.id()));
            case LabelStep.ID -> body(new LabelPanel(desk, step.id()));
            case SplitTouchingStep.ID -> body(new SplitPanel(desk, step.id()));
            case LocalThresholdStep.ID -> body(new LocalPanel(desk, step.id()));
            case EditObjectsStep.ID -> body(new EditPanel(desk, step.id(), corrections));
            case LevelsStep.ID -> body(new LevelsPanel(desk, step.id(), levels));
            case UnmixDyesStep.ID -> body(new UnmixPanel(desk, stage, step.id()));
            case WithinStep.ID -> body(new WithinPanel(desk, step.id()));
            default -> body(new FairPanel(desk, step.id()));
        };
    }

    private <R extends Region & Body> R body(R panel) {
        body = panel;
        return panel;
    }

    /** The station's title, and the way to see what it does. */
    private HBox head(String text) {
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        HBox head = new HBox(
                title(text), gap, link("station-help", "help.open", onHelp), link("station-show", "show.open", onShow));
        head.getStyleClass().add("station-head");
        return head;
    }

    private static Button link(String id, String key, Runnable does) {
        Button link = Pieces.button(id, key, does);
        link.getStyleClass().add("link");
        return link;
    }

    private static Label title(String text) {
        Label label = new Label(text);
        label.getStyleClass().add("station-title");
        return label;
    }

    private HBox buttons(MethodStep step) {
        StationActions actions = new StationActions(desk);
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        HBox buttons = new HBox(
                Glyph.EARLIER.button("station-earlier", Texts.of("station.earlier"), () -> actions.move(step.id(), -1)),
                Glyph.LATER.button("station-later", Texts.of("station.later"), () -> actions.move(step.id(), 1)),
                Pieces.button("station-trial", "trial.open", onTrial),
                gap,
                Glyph.MUTE.button(
                        "station-mute",
                        Texts.of(step.muted() ? "station.unmute" : "station.mute"),
                        () -> actions.mute(step.id())),
                Glyph.REMOVE.button("station-remove", Texts.of("station.remove"), () -> actions.remove(step.id())));
        buttons.getStyleClass().add("station-buttons");
        return buttons;
    }

    private void refresh() {
        refresh(false);
    }

    /** @param passing whether it is what a drag shows for the moment */
    private void refresh(boolean passing) {
        if (passing) {
            body.passing();
        } else {
            body.refresh();
        }
        shares.ifPresent(SharesSection::refresh);
        Optional<MethodStep> step = selected();
        headline.setText(step.flatMap(s -> desk.reached(s.id()))
                .map(r -> Headline.of(r.step(), r.findings(), desk.pixelSize()))
                .orElse(""));
        if (step.isPresent() && step.get().muted()) {
            headline.setText(Texts.of("station.muted"));
        }
        int number = desk.method().indexOf(desk.station().get()) + 1;
        Optional<RunFault> found = desk.shown().get().flatMap(SampleRun::fault).filter(f -> f.step() == number);
        fault.setText(found.map(f -> Texts.fault(f)).orElse(""));
        fault.setVisible(found.isPresent());
    }
}
