package keentally.desk.picture;

import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import javafx.util.StringConverter;
import keentally.core.picture.Picture;
import keentally.core.quantity.Scale;
import keentally.core.words.Figures;
import keentally.core.words.Sentences;
import keentally.core.words.Words;
import keentally.desk.look.Pieces;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.desk.model.MethodActions;
import keentally.desk.model.OpenSample;
import keentally.study.picture.FileFacts.StatedScale;
import keentally.study.picture.PictureFile;

/** What the picture is. */
final class FactsSection implements PicturePanel.PanelSection {
    private final DeskModel desk;
    private final PictureModel model;
    private final GridPane facts = new GridPane();
    private final VBox remarks = new VBox();
    private final ComboBox<String> used = new ComboBox<>();
    private final Label users = Prose.of("", "hint");
    private boolean filling;
    private final VBox node;

    FactsSection(DeskModel desk, PictureModel model) {
        this.desk = desk;
        this.model = model;
        facts.getStyleClass().add("facts");
        remarks.getStyleClass().add("remarks");
        node = new VBox(facts, remarks);
        if (desk.sample().isPresent()) {
            node.getChildren().addFirst(methodRow());
        }
        refresh();
    }

    @Override
    public VBox node() {
        return node;
    }

    /** Which of the study's methods is used on this sample, on how many others, and what can be done with methods. */
    private VBox methodRow() {
        Label name = new Label(Texts.of("method.name"));
        name.getStyleClass().add("setting-name");
        used.setId("method-used");
        used.setMaxWidth(Double.MAX_VALUE);
        used.setConverter(new StringConverter<>() {
            @Override
            public String toString(String id) {
                return id == null || !desk.study().get().methods().contains(id)
                        ? ""
                        : desk.study().get().method(id).name();
            }

            @Override
            public String fromString(String text) {
                throw new UnsupportedOperationException("methods are chosen, not typed");
            }
        });
        used.setOnAction(e -> {
            if (!filling && used.getValue() != null && !used.getValue().equals(desk.methodId())) {
                model.actions().use(used.getValue());
            }
        });
        name.setLabelFor(used);
        users.setId("method-users");
        MethodActions methods = new MethodActions(desk);
        HBox buttons = new HBox(
                6,
                Pieces.button("method-new", "method.new", methods::add),
                Pieces.button("method-copy", "method.copy", methods::copy));
        return new VBox(6, name, used, users, buttons);
    }

    private void fillMethods() {
        if (used.isShowing()) {
            return; // somebody is choosing
        }
        filling = true;
        used.getItems().setAll(desk.study().get().methods());
        used.setValue(desk.methodId());
        filling = false;
        int n = new MethodActions(desk).users(desk.methodId()).size();
        String shared = n < 2 ? Texts.of("method.users.one") : Texts.of("method.users", String.valueOf(n));
        users.setText(desk.study()
                .get()
                .approval(desk.methodId())
                .map(a -> shared + " " + Texts.of("method.users.locked", a.by()))
                .orElse(shared));
    }

    @Override
    public void refresh() {
        if (desk.sample().isPresent()) {
            fillMethods();
        }
        facts.getChildren().clear();
        remarks.getChildren().clear();
        desk.open().get().ifPresent(this::fill);
    }

    private void fill(OpenSample open) {
        PictureFile file = open.file();
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
        fact("fact.channels", Sentences.told(picture.channelNames()));
        file.facts().stated().ifPresent(s -> fact("fact.stated", stated(s)));
        fact("fact.kind", file.facts().kind());
        if (file.facts().quality().isPresent()) {
            fact(
                    "fact.quality",
                    Texts.of(
                            "fact.quality.value",
                            String.valueOf(file.facts().quality().getAsInt())));
        }
        if (file.pages() > 1) {
            fact("fact.page", Texts.of("fact.page.value", String.valueOf(file.page()), String.valueOf(file.pages())));
        }
        fact("fact.file", file.file().getFileName().toString());
        fact("fact.folder", String.valueOf(file.file().getParent()));
        fact("fact.sha", file.sha256());
        file.facts().remarks().forEach(r -> remarks.getChildren().add(Prose.of(Words.spoken(r), "hint")));
        open.changed().forEach(c -> remarks.getChildren().add(Prose.of(Words.spoken(c), "complaint")));
    }

    private static String stated(StatedScale stated) {
        Scale scale = stated.scale();
        return Texts.of(
                "fact.stated.value",
                Figures.number(scale.amount()),
                scale.unit().symbol(),
                Words.spoken(stated.where()));
    }

    private void fact(String key, String value) {
        Label name = new Label(Texts.of(key));
        name.getStyleClass().add("fact-name");
        // long names and hashes have no blank to break at
        Label text = Prose.of(value.length() > 30 && !value.contains(" ") ? broken(value) : value, "fact-value");
        text.setId(key.replace('.', '-'));
        facts.addRow(facts.getRowCount(), name, text);
    }

    private static String broken(String value) {
        return value.replaceAll("(.{22})(?=.)", "$1\u200b\n");
    }
}
