package keentally.desk.station;

import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import keentally.core.method.MethodStep;
import keentally.core.run.RunFault;
import keentally.core.setting.ChoiceSetting;
import keentally.core.words.Headline;
import keentally.core.words.Words;
import keentally.desk.look.Glyph;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.desk.model.Shown;
import keentally.desk.picture.PictureModel;
import keentally.desk.picture.PicturePanel;

/** The panel at the right: the selected station's question, its settings, and what it found. */
public final class StationPanel extends VBox {
    private final DeskModel desk;
    private final PictureModel picture;
    private Optional<MethodStep> built = Optional.empty();
    private String builtSample = "";
    private String builtMethod = "";
    private Body body;
    private final Label headline = Prose.of("", "headline");
    private final Label fault = Prose.complaint();

    public StationPanel(DeskModel desk, PictureModel picture) {
        this.desk = desk;
        this.picture = picture;
        setId("station-panel");
        getStyleClass().add("station-panel");
        headline.setId("headline");
        fault.setId("fault");
        desk.station().addListener(o -> rebuild());
        desk.study().addListener(o -> rebuildWhereChanged());
        desk.sampleId().addListener(o -> rebuildWhereChanged());
        desk.open().addListener(o -> rebuildWhereChanged());
        desk.shown().addListener(o -> refresh());
        desk.preview().addListener(o -> refresh());
        desk.selection().addListener(o -> refreshPicture());
        picture.moved().addListener(o -> refreshPicture());
        picture.caption().addListener(o -> refreshPicture());
        picture.section().addListener(o -> rebuild());
        rebuild();
    }

    /** The part of the panel that is the station's own. */
    interface Body {
        /** Something came back from running. */
        void refresh();
    }

    private void refreshPicture() {
        if (selected().isEmpty()) {
            refresh();
        }
    }

    private Optional<MethodStep> selected() {
        return desk.method().step(desk.station().get());
    }

    private String sampleNow() {
        return desk.sampleId().get() + desk.scale() + desk.open().get().isPresent() + desk.methodId();
    }

    private void rebuildWhereChanged() {
        boolean other = !selected().equals(built) || !desk.methodId().equals(builtMethod);
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
        builtMethod = desk.methodId();
        getChildren().clear();
        if (built.isPresent()) {
            station(built.get());
        } else {
            picture();
        }
        refresh();
        Node again = focused == null || getScene() == null ? null : lookup("#" + focused);
        if (again != null) {
            again.requestFocus();
        }
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
        Region panel;
        if (step.description().id().equals("threshold")) {
            ThresholdPanel threshold = new ThresholdPanel(desk, step.id());
            body = threshold;
            panel = threshold;
        } else {
            FairPanel fair = new FairPanel(desk, step.id());
            body = fair;
            panel = fair;
        }
        VBox.setVgrow(panel, Priority.ALWAYS);
        Label question = Prose.of(Words.question(step.description()), "question");
        getChildren().addAll(title(number + "  " + Words.title(step.description())), question);
        if (body instanceof ThresholdPanel) {
            question.setTooltip(new Tooltip(Words.help(step.description())));
        } else {
            getChildren().add(Prose.of(Words.help(step.description()), "hint"));
        }
        getChildren().addAll(panel, fault, headline, buttons(step));
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
        body.refresh();
        Optional<MethodStep> step = selected();
        headline.setText(step.flatMap(s -> desk.reached(s.id()))
                .map(r -> Headline.of(r.step(), r.findings()))
                .orElse(""));
        if (step.isPresent() && step.get().muted()) {
            headline.setText(Texts.of("station.muted"));
        }
        int number = desk.method().indexOf(desk.station().get()) + 1;
        Optional<RunFault> found = desk.shown().get().flatMap(Shown::fault).filter(f -> f.step() == number);
        fault.setText(found.map(RunFault::getMessage).orElse(""));
        fault.setVisible(found.isPresent());
    }
}
