package keentally.desk.station;

import java.util.Optional;
import javafx.application.Platform;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.VBox;
import javafx.util.StringConverter;
import keentally.core.picture.Picture;
import keentally.core.quantity.Scale;
import keentally.core.words.Figures;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.desk.model.SampleActions;
import keentally.study.document.Calibration;
import keentally.study.picture.PictureFile;

/** What the picture is, and how long its pixels are. */
final class PicturePanel extends VBox implements StationPanel.Body {
    private final DeskModel desk;
    private final SampleActions actions;

    /** A field that loses the keyboard because another sample is shown must not give that one its scale. */
    private final String builtFor;

    private final GridPane facts = new GridPane();
    private final TextField scale = new TextField();
    private final Label complaint = Prose.complaint();

    PicturePanel(DeskModel desk) {
        this.desk = desk;
        this.actions = new SampleActions(desk, Platform::runLater);
        this.builtFor = desk.sampleId().get();
        getStyleClass().add("picture-panel");
        facts.getStyleClass().add("facts");
        scale.setId("scale");
        scale.setPromptText(Texts.of("scale.prompt"));
        scale.setOnAction(e -> commit());
        scale.focusedProperty().addListener((o, was, is) -> {
            if (!is) {
                commit();
            }
        });
        Label name = new Label(Texts.of("scale.name"));
        name.getStyleClass().add("setting-name");
        name.setLabelFor(scale);
        Label hint = Prose.of(Texts.of("scale.hint"), "hint");
        getChildren().addAll(new VBox(4, name, scale, complaint, hint), facts);
        if (desk.sample().isPresent() && desk.study().get().methods().size() > 1) {
            getChildren().add(1, methodRow());
        }
        scale.setText(desk.scale().map(Scale::toString).orElse(""));
        refresh();
    }

    /** Which of the study's methods is used on this sample. */
    private VBox methodRow() {
        Label name = new Label(Texts.of("method.name"));
        name.getStyleClass().add("setting-name");
        ComboBox<String> box = new ComboBox<>();
        box.setId("method-used");
        box.setMaxWidth(Double.MAX_VALUE);
        box.getItems().setAll(desk.study().get().methods());
        box.setConverter(new StringConverter<>() {
            @Override
            public String toString(String id) {
                return id == null ? "" : desk.study().get().method(id).name();
            }

            @Override
            public String fromString(String text) {
                throw new UnsupportedOperationException("methods are chosen, not typed");
            }
        });
        box.setValue(desk.methodId());
        box.setOnAction(e -> actions.use(box.getValue()));
        name.setLabelFor(box);
        return new VBox(4, name, box);
    }

    private void commit() {
        String text = scale.getText().strip();
        boolean elsewhere = !desk.sampleId().get().equals(builtFor);
        if (elsewhere
                || desk.sample().isEmpty()
                || text.equals(desk.scale().map(Scale::toString).orElse(""))) {
            complaint.setVisible(false);
            return;
        }
        try {
            actions.calibrate(text.isEmpty() ? Optional.empty() : Optional.of(Calibration.typed(Scale.of(text))));
            complaint.setVisible(false);
        } catch (IllegalArgumentException e) {
            complaint.setText(Texts.of("complaint", e.getMessage()));
            complaint.setVisible(true);
        }
    }

    @Override
    public void refresh() {
        facts.getChildren().clear();
        desk.open().get().ifPresent(o -> facts(o.file()));
    }

    private void facts(PictureFile file) {
        Picture picture = file.picture();
        fact(
                "fact.size",
                Texts.of("fact.size.value", Figures.number(picture.width()), Figures.number(picture.height())));
        fact("fact.pixels", Texts.of("fact.pixels.value", Figures.fixed(picture.width() / 1e6 * picture.height(), 2)));
        desk.scale()
                .ifPresent(s -> fact(
                        "fact.real",
                        Texts.of(
                                "fact.real.value",
                                Figures.number(picture.width() * s.amount()),
                                Figures.number(picture.height() * s.amount()),
                                s.unit().symbol())));
        fact("fact.depth", Texts.of("depth." + picture.depth().bits()));
        fact("fact.channels", picture.channelNames());
        file.stated().ifPresent(s -> fact("fact.stated", s.toString()));
        fact("fact.file", file.file().getFileName().toString());
        fact("fact.sha", file.sha256().substring(0, 16) + "…");
    }

    private void fact(String key, String value) {
        Label name = new Label(Texts.of(key));
        name.getStyleClass().add("fact-name");
        Label text = Prose.of(value, "fact-value");
        facts.addRow(facts.getRowCount(), name, text);
    }
}
