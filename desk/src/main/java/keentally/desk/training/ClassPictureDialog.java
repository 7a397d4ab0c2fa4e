package keentally.desk.training;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import keentally.core.classify.ClassPicture;
import keentally.core.classify.Classifier.ClassLabel;
import keentally.core.hand.ClassStroke;
import keentally.core.hand.LabelRuns;
import keentally.core.words.Figures;
import keentally.desk.look.Ask;
import keentally.desk.look.Pieces;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.model.Address;
import keentally.desk.model.DeskModel;
import keentally.desk.model.TrainingActions;
import keentally.study.file.FileFault;
import keentally.study.picture.PictureReader;

/** Takes a painted picture in: what each value is called, and which of them means not painted. That is shown and asked, never assumed. */
public final class ClassPictureDialog {
    private static final double WIDTH = 420;
    private static final double MOST_HEIGHT = 300;

    private final ClassPicture picture;
    private final String origin;
    private final ComboBox<String> unpainted = new ComboBox<>();
    private final List<TextField> names = new ArrayList<>();

    private ClassPictureDialog(ClassPicture picture, String origin) {
        this.picture = picture;
        this.origin = origin;
    }

    /** Reads a picture, asks, and takes it in on the sample that is on the stage now. */
    public static void bring(Scene owner, TrainingModel model, Path file) {
        DeskModel desk = model.desk();
        Optional<TrainingActions> actions = model.of().get();
        if (actions.isEmpty() || desk.open().get().isEmpty()) {
            desk.say(Texts.of("bring.no-sample"));
            return;
        }
        Address here = desk.here();
        desk.job(Texts.of("job.bring", file.getFileName()), job -> {
            try {
                ClassPicture picture = ClassPicture.of(PictureReader.read(file).picture());
                Platform.runLater(() -> {
                    if (desk.here().equals(here)) {
                        new ClassPictureDialog(picture, file.getFileName().toString()).ask(owner, desk, actions.get());
                    } else {
                        desk.say(Texts.of("bring.elsewhere"));
                    }
                });
            } catch (FileFault e) {
                Platform.runLater(() -> desk.say(Texts.fault(e)));
            } catch (IllegalArgumentException e) {
                Platform.runLater(() -> desk.say(Texts.complaint(e.getMessage())));
            }
        });
    }

    private void ask(Scene owner, DeskModel desk, TrainingActions actions) {
        int width = desk.open().get().orElseThrow().file().picture().width();
        int height = desk.open().get().orElseThrow().file().picture().height();
        if (picture.width() != width || picture.height() != height) {
            desk.say(Texts.of(
                    "training.picture.size",
                    origin,
                    String.valueOf(picture.width()),
                    String.valueOf(picture.height()),
                    String.valueOf(width),
                    String.valueOf(height)));
            return;
        }
        VBox content = new VBox(
                10,
                Prose.of(
                        Texts.of(
                                "training.picture.about",
                                origin,
                                String.valueOf(picture.values().size())),
                        "help-text"),
                rows(actions),
                Pieces.name("training.picture.unpainted"),
                unpainted,
                Prose.of(Texts.of("training.picture.never"), "hint"));
        content.setPrefWidth(WIDTH);
        Ask.until(owner, Texts.of("training.picture.title"), content, Texts.of("training.picture.yes"), () -> {
            int nothing = unpainted.getSelectionModel().getSelectedIndex() - 1;
            if (nothing < -1) {
                throw new IllegalArgumentException(Texts.of("training.picture.say"));
            }
            take(desk, actions, nothing);
        });
    }

    /** A value a row: its colour, how much of the picture it is, and what it is called. */
    private ScrollPane rows(TrainingActions actions) {
        GridPane grid = new GridPane();
        grid.setHgap(10);
        grid.setVgap(6);
        double all = (double) picture.width() * picture.height();
        unpainted.setId("classes-unpainted");
        unpainted.setMaxWidth(Double.MAX_VALUE);
        unpainted.setPromptText(Texts.of("training.picture.choose"));
        unpainted.getItems().add(Texts.of("training.picture.none"));
        List<ClassLabel> known = actions.plan().classes();
        for (int v = 0; v < picture.values().size(); v++) {
            ClassPicture.Painted value = picture.values().get(v);
            Region swatch = new Region();
            swatch.getStyleClass().add("swatch");
            swatch.setStyle("-fx-background-color: " + value.colour());
            TextField name = new TextField(
                    v < known.size() ? known.get(v).name() : Texts.of("training.picture.class", value.name()));
            name.setId("classes-name-" + v);
            names.add(name);
            String share = Texts.of("shares.percent", Figures.percent(100 * value.pixels() / all));
            grid.addRow(v, swatch, new Label(value.name()), Pieces.figure("classes-share-" + v, share), name);
            unpainted.getItems().add(Texts.of("training.picture.value", value.name(), share));
        }
        ScrollPane scroll = new ScrollPane(grid);
        scroll.setFitToWidth(true);
        scroll.setMaxHeight(MOST_HEIGHT);
        return scroll;
    }

    /** @param nothing the value that means not painted; −1 for none */
    private void take(DeskModel desk, TrainingActions actions, int nothing) {
        List<ClassLabel> labels = new ArrayList<>();
        int[] number = new int[picture.values().size()];
        for (int v = 0; v < number.length; v++) {
            if (v != nothing) {
                String name = names.get(v).getText().strip();
                if (name.isEmpty()) {
                    throw new IllegalArgumentException(Texts.of("training.no-name"));
                }
                labels.add(new ClassLabel(name, picture.values().get(v).colour()));
                number[v] = labels.size();
            }
        }
        if (labels.stream().map(ClassLabel::name).distinct().count() < labels.size()) {
            throw new IllegalArgumentException(Texts.of("training.picture.twice"));
        }
        actions.planned(labels); // says now what cannot be
        String sample = desk.sampleId().get();
        desk.job(Texts.of("job.bring", origin), job -> {
            int[] values = new int[picture.width() * picture.height()];
            for (int i = 0; i < values.length; i++) {
                values[i] = number[picture.valueAt(i % picture.width(), i / picture.width())];
            }
            ClassStroke.Painted painted = new ClassStroke.Painted(
                    LabelRuns.of(picture.width(), picture.height(), values),
                    labels.stream().map(ClassLabel::name).toList(),
                    origin);
            Platform.runLater(() -> actions.bring(sample, painted, labels));
        });
    }
}
