package keentally.desk.view;

import java.io.ByteArrayInputStream;
import java.io.File;
import java.util.Base64;
import java.util.SequencedMap;
import java.util.function.Supplier;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.image.Image;
import javafx.scene.image.ImageView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import keentally.core.run.Lanes.Urgency;
import keentally.desk.look.Ask;
import keentally.desk.look.Pieces;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskFiles;
import keentally.desk.model.DeskModel;
import keentally.study.document.Thing.SheetThing;

/** The trial sheets that were kept with the study, newest first: to be read again, saved as files, or taken out. */
final class SheetsDialog {
    private static final double WIDTH = 760;
    private static final double HEIGHT = 560;

    private final DeskModel desk;
    private final DeskFiles files;
    private final Supplier<File> choose;
    private final VBox list = new VBox(18);

    private SheetsDialog(DeskModel desk, DeskFiles files, Supplier<File> choose) {
        this.desk = desk;
        this.files = files;
        this.choose = choose;
    }

    /** @param choose where a sheet is to be saved; null for nowhere */
    static void show(Scene owner, DeskModel desk, DeskFiles files, Supplier<File> choose) {
        SheetsDialog dialog = new SheetsDialog(desk, files, choose);
        dialog.fill();
        dialog.list.setMinWidth(0);
        ScrollPane scroll = new ScrollPane(dialog.list);
        scroll.setFitToWidth(true);
        scroll.setPrefSize(WIDTH, HEIGHT);
        Ask.show(owner, Texts.of("sheets.title"), scroll);
    }

    private void fill() {
        list.getChildren().clear();
        SequencedMap<String, SheetThing> sheets = desk.study().get().sheets();
        if (sheets.isEmpty()) {
            list.getChildren().add(Prose.of(Texts.of("sheets.none"), "hint"));
        }
        sheets.reversed().forEach((id, sheet) -> list.getChildren().add(one(id, sheet)));
    }

    private VBox one(String id, SheetThing sheet) {
        Label title = new Label(sheet.title());
        title.getStyleClass().add("section-head");
        title.setWrapText(true);
        HBox.setHgrow(title, Priority.ALWAYS);
        title.setMaxWidth(Double.MAX_VALUE);
        HBox head = new HBox(
                8,
                title,
                Pieces.button("sheet-save-" + id, "trial.save", () -> save(sheet)),
                Pieces.button("sheet-remove-" + id, "sheets.remove", () -> {
                    files.removeSheet(id, sheet.title());
                    fill();
                }));
        head.setMinHeight(Region.USE_PREF_SIZE);
        ImageView picture = new ImageView();
        picture.setPreserveRatio(true);
        desk.look(picture, Urgency.ASKED, cancel -> {
            Image read = new Image(new ByteArrayInputStream(Base64.getDecoder().decode(sheet.png())));
            Platform.runLater(() -> picture.setImage(read));
        });
        picture.fitWidthProperty().bind(list.widthProperty());
        VBox one = new VBox(8, head, picture);
        one.setMinWidth(0);
        return one;
    }

    private void save(SheetThing sheet) {
        File chosen = choose.get();
        if (chosen != null) {
            files.saveSheet(chosen.toPath(), sheet);
        }
    }
}
