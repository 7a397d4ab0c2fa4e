package keentally.desk.view;

import javafx.scene.Scene;
import keentally.desk.look.Texts;
import keentally.desk.look.TickList;
import keentally.desk.model.DeskModel;
import keentally.desk.model.SampleActions;
import keentally.study.document.Thing.SampleThing;

/** Which grey samples become the channels of one more sample. */
final class JoinDialog {
    private JoinDialog() {}

    static void ask(Scene owner, DeskModel desk, SampleActions actions) {
        TickList list = new TickList();
        for (String id : desk.study().get().samples()) {
            SampleThing sample = desk.study().get().sample(id).orElseThrow();
            if (!sample.picture().isComposed()) {
                list.add(id, sample.name(), false);
            }
        }
        list.until(owner, Texts.of("join.title"), Texts.of("join.about"), Texts.of("join.yes"), chosen -> {
            if (chosen.size() < 2) {
                throw new IllegalArgumentException(Texts.of("join.too-few"));
            }
            actions.join(chosen);
        });
    }
}
