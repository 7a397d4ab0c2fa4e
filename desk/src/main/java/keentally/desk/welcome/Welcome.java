package keentally.desk.welcome;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Supplier;
import javafx.application.Platform;
import javafx.beans.binding.Bindings;
import javafx.css.PseudoClass;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import keentally.core.run.Lanes.Urgency;
import keentally.desk.look.Pieces;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.desk.model.StudyActions;

/** In place of the picture while a study has none: one's own picture, work to go on with, and the demo study. */
public final class Welcome extends ScrollPane {
    private static final PseudoClass OVER = PseudoClass.getPseudoClass("over");
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("yyyy-MM-dd HH:mm");
    private static final int MOST = 6;
    private static final double SIDE = 400;

    /** What is left of it within a card and a button. */
    private static final double WORK = 344;

    private final DeskModel desk;
    private final StudyActions studies;
    private final Supplier<List<Path>> recent;
    private final VBox last = new VBox();

    /** What can be begun with. */
    public interface Ways {
        void pictures();

        void folder();

        void paste();

        void openStudy();
    }

    /** A study to go on with. @param told where it lies and when it was last written */
    private record Work(Path file, String name, String told) {}

    /** @param recent studies opened lately, the last first */
    public Welcome(DeskModel desk, StudyActions studies, Ways ways, DemoOpening demo, Supplier<List<Path>> recent) {
        this.desk = desk;
        this.studies = studies;
        this.recent = recent;
        setId("welcome");
        getStyleClass().add("welcome-scroll");
        VBox own = own(ways);
        HBox.setHgrow(own, Priority.ALWAYS);
        VBox beside = new VBox(goOn(ways), lookAround(demo));
        beside.getStyleClass().add("welcome-side");
        beside.setMinWidth(SIDE);
        beside.setMaxWidth(SIDE);
        HBox all = new HBox(own, beside);
        all.getStyleClass().add("welcome");
        setContent(all);
        setFitToWidth(true);
        setFitToHeight(true);
        setHbarPolicy(ScrollBarPolicy.NEVER);
        visibleProperty()
                .bind(Bindings.createBooleanBinding(
                        () -> desk.sampleId().get().isEmpty()
                                && desk.study().get().samples().isEmpty(),
                        desk.sampleId(),
                        desk.study()));
        visibleProperty().addListener(o -> fill());
        desk.holding().addListener(o -> fill());
        sceneProperty().addListener(o -> fill());
    }

    private static VBox own(Ways ways) {
        FlowPane buttons = new FlowPane(
                10,
                8,
                primary(Pieces.button("welcome-pictures", "welcome.pictures", ways::pictures)),
                Pieces.button("welcome-folder", "welcome.folder", ways::folder),
                Pieces.button("welcome-paste", "welcome.paste", ways::paste));
        buttons.getStyleClass().add("welcome-buttons");
        VBox own = new VBox(
                Prose.of(Texts.of("welcome.own"), "welcome-head"),
                Prose.of(Texts.of("welcome.own.about"), "welcome-text"),
                buttons,
                Prose.of(Texts.of("welcome.kinds"), "hint"),
                gap(),
                steps());
        own.setId("welcome-own");
        own.getStyleClass().add("welcome-own");
        own.setOnDragEntered(e -> own.pseudoClassStateChanged(OVER, true));
        own.setOnDragExited(e -> own.pseudoClassStateChanged(OVER, false));
        return own;
    }

    private static Button primary(Button button) {
        button.getStyleClass().add("primary");
        return button;
    }

    private static Region gap() {
        Region gap = new Region();
        VBox.setVgrow(gap, Priority.ALWAYS);
        return gap;
    }

    /** What will happen. */
    private static VBox steps() {
        VBox steps = new VBox();
        steps.getStyleClass().add("welcome-steps");
        for (int i = 1; i <= 3; i++) {
            Label number = new Label(String.valueOf(i));
            number.getStyleClass().add("badge");
            number.setMinWidth(Region.USE_PREF_SIZE);
            Label text = Prose.of(Texts.of("welcome.step-" + i), "welcome-text");
            HBox.setHgrow(text, Priority.ALWAYS);
            HBox row = new HBox(number, text);
            row.getStyleClass().add("welcome-step");
            steps.getChildren().add(row);
        }
        return steps;
    }

    private Node goOn(Ways ways) {
        last.getStyleClass().add("welcome-last");
        VBox card = new VBox(
                Prose.of(Texts.of("welcome.go-on"), "welcome-name"),
                last,
                Pieces.button("welcome-study", "welcome.study", ways::openStudy));
        card.getStyleClass().add("welcome-card");
        return card;
    }

    private static Node lookAround(DemoOpening demo) {
        Button open = Pieces.button("welcome-demo", "welcome.demo", demo::open);
        open.disableProperty().bind(demo.isUnderWay());
        open.textProperty()
                .bind(Bindings.when(demo.isUnderWay())
                        .then(Texts.of("demo.drawing"))
                        .otherwise(Texts.of("welcome.demo")));
        VBox card = new VBox(
                Prose.of(Texts.of("welcome.look-around"), "welcome-name"),
                Prose.of(Texts.of("welcome.look-around.about"), "welcome-text"),
                open);
        card.getStyleClass().add("welcome-card");
        return card;
    }

    /** Looks which of the studies are still there. */
    private void fill() {
        if (!isVisible()) {
            return;
        }
        List<Path> named = recent.get();
        var now = desk.holding().get().path();
        desk.look("welcome", Urgency.ASKED, cancel -> {
            List<Path> files = new ArrayList<>(named);
            files.addAll(studies.drafts());
            List<Work> found = files.stream()
                    .filter(f -> now.filter(f::equals).isEmpty())
                    .filter(Files::isRegularFile)
                    .limit(MOST)
                    .map(this::work)
                    .toList();
            Platform.runLater(() -> show(found));
        });
    }

    private Work work(Path file) {
        String written;
        try {
            written = DAY.format(Files.getLastModifiedTime(file).toInstant().atZone(ZoneId.systemDefault()));
        } catch (IOException e) {
            written = "";
        }
        return studies.isDraft(file)
                ? new Work(file, Texts.of("window.untitled"), written)
                : new Work(file, file.getFileName().toString(), file.getParent() + "  " + written);
    }

    private void show(List<Work> found) {
        last.getChildren().clear();
        for (int i = 0; i < found.size(); i++) {
            Work work = found.get(i);
            Label name = new Label(work.name());
            name.getStyleClass().add("welcome-work-name");
            Label told = Prose.of(work.told(), "hint", WORK);
            VBox face = new VBox(name, told);
            Button button = new Button();
            button.setGraphic(face);
            button.setId("welcome-last-" + i);
            button.setAccessibleText(work.name() + " " + work.told());
            button.getStyleClass().add("welcome-work");
            button.setMaxWidth(Double.MAX_VALUE);
            button.setOnAction(e -> studies.open(work.file()));
            last.getChildren().add(button);
        }
        if (found.isEmpty()) {
            last.getChildren().add(Prose.of(Texts.of("welcome.nothing-yet"), "hint"));
        }
    }
}
