package keentally.desk.station;

import java.io.File;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.Optional;
import javafx.application.Platform;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.stage.FileChooser;
import keentally.core.setting.Reference;
import keentally.core.setting.ReferenceSetting;
import keentally.desk.look.Pieces;
import keentally.desk.look.Texts;
import keentally.desk.look.Tip;
import keentally.desk.model.Newest;
import keentally.study.file.FileFault;
import keentally.study.file.Sha256;
import keentally.study.method.ModelFile;
import keentally.study.picture.PictureReader;

/** The file that a station leans on: its name, chosen or typed with its path; it is looked at before it is taken. */
final class ReferenceField extends HBox {
    private final Tuning tuning;
    private final ReferenceSetting setting;
    private final Newest newest;
    private final TextField name = new TextField();

    ReferenceField(Tuning tuning, ReferenceSetting setting) {
        this.tuning = tuning;
        this.setting = setting;
        this.newest = tuning.newest(Platform::runLater);
        getStyleClass().add("setting-row");
        Optional<Reference> now = tuning.step().values().find(setting);
        name.setId("reference-" + setting.id());
        name.setAccessibleText(Texts.of("name.reference"));
        showNow();
        name.setPromptText(Texts.of("reference.none"));
        now.ifPresent(r -> Tip.on(name, r.held().isPresent() ? Texts.of("reference.held") : r.file()));
        name.setOnAction(e -> typed());
        HBox.setHgrow(name, Priority.ALWAYS);
        getChildren().addAll(name, Pieces.button("choose-reference", "reference.choose", this::choose));
    }

    private void showNow() {
        if (tuning.isStale()) {
            return;
        }
        Optional<Reference> now = tuning.step().values().find(setting);
        name.setText(now.map(ReferenceField::called).orElse(""));
    }

    /** A file by its name; what the method holds inside itself as it is called. */
    private static String called(Reference reference) {
        return reference.held().isPresent()
                ? reference.file()
                : Path.of(reference.file()).getFileName().toString();
    }

    private void choose() {
        FileChooser chooser = new FileChooser();
        chooser.setTitle(Texts.of(setting.isModel() ? "choose.model" : "choose.reference"));
        File chosen = chooser.showOpenDialog(getScene().getWindow());
        if (chosen != null) {
            take(chosen.toPath());
        }
    }

    private void typed() {
        if (tuning.step().values().find(setting).map(ReferenceField::called).equals(Optional.of(name.getText()))) {
            return; // what is there already lies nowhere under that name
        }
        if (name.getText().isBlank()) {
            tuning.clear(setting);
            return;
        }
        try {
            take(Path.of(name.getText().strip()));
        } catch (InvalidPathException e) {
            tuning.say(Texts.complaint(e.getMessage()));
        }
    }

    private void take(Path file) {
        Path whole = file.toAbsolutePath().normalize();
        newest.ask(work -> {
            try {
                String sha256 = sum(whole);
                return () -> {
                    if (!tuning.isStale()) {
                        Reference taken = new Reference(whole.toString(), sha256);
                        tuning.keep(tuning.step().values().with(setting, taken), setting.id());
                    }
                };
            } catch (FileFault e) {
                return () -> {
                    tuning.say(Texts.fault(e));
                    showNow();
                };
            }
        });
    }

    /** Of a file that is what is asked for. */
    private String sum(Path file) throws FileFault {
        if (setting.isModel()) {
            ModelFile.read(file);
            return Sha256.of(file);
        }
        return PictureReader.survey(file).sha256();
    }
}
