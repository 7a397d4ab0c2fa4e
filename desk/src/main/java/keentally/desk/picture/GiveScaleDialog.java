package keentally.desk.picture;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.application.Platform;
import javafx.scene.Scene;
import keentally.core.run.Lanes.Urgency;
import keentally.core.words.Figures;
import keentally.desk.look.Texts;
import keentally.desk.look.TickList;
import keentally.desk.model.DeskModel;
import keentally.desk.model.OpenSample;
import keentally.study.document.Thing.SampleThing;
import keentally.study.file.FileFault;
import keentally.study.picture.PictureReader;
import keentally.study.picture.PictureReader.Size;

/** Which other samples get the scale of this one. Pictures of another size are named as such and not ticked beforehand. */
final class GiveScaleDialog {
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
        desk.look(this, Urgency.ASKED, cancel -> {
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
        TickList list = new TickList();
        others.forEach((id, sample) -> {
            Optional<Size> size = sizes.get(id);
            boolean fits = size.equals(Optional.of(own)) && sample.scale().isEmpty();
            list.add(id, label(sample, size, own), fits);
        });
        List<String> chosen =
                list.ask(owner, Texts.of("scale.give.title"), Texts.of("scale.give.hint"), Texts.of("scale.give.yes"));
        if (!chosen.isEmpty()) {
            model.actions().giveScale(chosen);
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
