package keentally.desk.picture;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.VBox;
import keentally.core.words.Figures;
import keentally.desk.look.Ask;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.desk.model.OpenSample;
import keentally.study.document.Thing.SampleThing;
import keentally.study.file.FileFault;
import keentally.study.picture.PictureReader;
import keentally.study.picture.PictureReader.Size;

/** Which other samples get the scale of this one. Pictures of another size are named as such and not ticked beforehand. */
final class GiveScaleDialog {
    private static final double MOST_HEIGHT = 360;

    private final DeskModel desk;
    private final PictureModel model;

    GiveScaleDialog(DeskModel desk, PictureModel model) {
        this.desk = desk;
        this.model = model;
    }

    void ask(Scene owner) {
        Optional<OpenSample> open = desk.open().get();
        if (open.isEmpty() || desk.scale().isEmpty()) {
            return;
        }
        Size own = new Size(open.get().pyramid().width(), open.get().pyramid().height());
        Map<String, SampleThing> others = new LinkedHashMap<>();
        ScaleSection.others(desk)
                .forEach(id -> others.put(id, desk.study().get().sample(id).orElseThrow()));
        desk.whenIdle(cancel -> {
            Map<String, Optional<Size>> sizes = new LinkedHashMap<>();
            others.forEach((id, sample) -> sizes.put(id, size(sample)));
            Platform.runLater(() -> ask(owner, own, others, sizes));
        });
    }

    private static Optional<Size> size(SampleThing sample) {
        try {
            return Optional.of(PictureReader.size(sample.file()));
        } catch (FileFault e) {
            return Optional.empty();
        }
    }

    private void ask(Scene owner, Size own, Map<String, SampleThing> others, Map<String, Optional<Size>> sizes) {
        VBox list = new VBox(8);
        Map<String, CheckBox> boxes = new LinkedHashMap<>();
        others.forEach((id, sample) -> {
            Optional<Size> size = sizes.get(id);
            CheckBox box = new CheckBox(label(sample, size, own));
            box.setId("give-" + id);
            box.setWrapText(true);
            box.setSelected(size.equals(Optional.of(own)) && sample.scale().isEmpty());
            boxes.put(id, box);
            list.getChildren().add(box);
        });
        ScrollPane scroll = new ScrollPane(list);
        scroll.setFitToWidth(true);
        scroll.setMaxHeight(MOST_HEIGHT);
        VBox content = new VBox(12, Prose.of(Texts.of("scale.give.hint"), "hint"), scroll);
        content.setPrefWidth(460);
        if (Ask.that(owner, Texts.of("scale.give.title"), content, Texts.of("scale.give.yes"))) {
            List<String> chosen = boxes.keySet().stream()
                    .filter(id -> boxes.get(id).isSelected())
                    .toList();
            if (!chosen.isEmpty()) {
                model.actions().giveScale(chosen);
            }
        }
    }

    private static String label(SampleThing sample, Optional<Size> size, Size own) {
        String about = size.map(s -> s.equals(own)
                        ? Texts.of("scale.give.same")
                        : Texts.of("scale.give.other", Figures.number(s.width()), Figures.number(s.height())))
                .orElse(Texts.of("scale.give.missing"));
        String has = sample.scale()
                .map(s -> Texts.of(
                        "scale.give.has", Figures.number(s.amount()), s.unit().symbol()))
                .orElse("");
        return sample.name() + " – " + about + has;
    }
}
