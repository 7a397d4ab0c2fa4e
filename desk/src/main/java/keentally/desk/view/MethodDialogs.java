package keentally.desk.view;

import java.util.List;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.control.TextField;
import javafx.scene.layout.VBox;
import keentally.desk.look.Ask;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.look.TickList;
import keentally.desk.model.DeskModel;
import keentally.desk.model.MethodActions;
import keentally.study.document.Study;
import keentally.study.document.Thing.SampleThing;

/** What is asked about the methods of a study. */
final class MethodDialogs {
    private final DeskModel desk;
    private final MethodActions actions;

    MethodDialogs(DeskModel desk) {
        this.desk = desk;
        this.actions = new MethodActions(desk);
    }

    void rename(Scene owner) {
        String id = desk.methodId();
        TextField name = new TextField(desk.method().name());
        name.setId("method-name");
        name.setPrefColumnCount(28);
        Platform.runLater(name::requestFocus);
        Ask.until(
                owner,
                Texts.of("method.rename.title"),
                name,
                Texts.of("method.rename.yes"),
                () -> actions.rename(id, name.getText()));
    }

    /** By whom the method in use is approved; or that it may be edited again. */
    void lock(Scene owner) {
        String id = desk.methodId();
        String method = desk.method().name();
        if (desk.study().get().approval(id).isPresent()) {
            if (Ask.that(
                    owner,
                    Texts.of("method.unlock.title"),
                    Prose.of(Texts.of("method.unlock.about", method), "hint"),
                    Texts.of("method.unlock.yes"))) {
                actions.unlock(id);
            }
            return;
        }
        TextField by = new TextField();
        by.setId("method-lock-by");
        by.setPromptText(Texts.of("method.lock.prompt"));
        Platform.runLater(by::requestFocus);
        Ask.until(
                owner,
                Texts.of("method.lock.title"),
                new VBox(8, Prose.of(Texts.of("method.lock.about", method), "hint"), by),
                Texts.of("method.lock.yes"),
                () -> actions.lock(id, by.getText()));
    }

    /** Which other samples use the method of the sample on the stage. */
    void assign(Scene owner) {
        String id = desk.methodId();
        Study study = desk.study().get();
        TickList list = new TickList();
        int others = 0;
        for (String sample : study.samples()) {
            SampleThing thing = study.sample(sample).orElseThrow();
            if (!sample.equals(desk.sampleId().get())) {
                others++;
                String now = study.method(thing.method()).name();
                list.add(
                        sample,
                        thing.method().equals(id) ? thing.name() : Texts.of("method.assign.uses", thing.name(), now),
                        thing.method().equals(id));
            }
        }
        if (others == 0) {
            desk.say(Texts.of("method.none-other"));
            return;
        }
        actions.assign(
                id,
                list.ask(
                        owner,
                        Texts.of("method.assign.title"),
                        Texts.of("method.assign.about", desk.method().name()),
                        Texts.of("method.assign.yes")));
    }

    /** Which of the methods that nobody uses are taken out. */
    void remove(Scene owner) {
        Study study = desk.study().get();
        TickList list = new TickList();
        int unused = 0;
        for (String id : study.methods()) {
            if (actions.users(id).isEmpty()) {
                unused++;
                list.add(id, study.method(id).name(), true);
            }
        }
        if (unused == 0) {
            desk.say(Texts.of("method.remove.none"));
            return;
        }
        List<String> gone = list.ask(
                owner, Texts.of("method.remove.title"), Texts.of("method.remove.about"), Texts.of("method.remove.yes"));
        if (!gone.isEmpty()) {
            actions.remove(gone);
        }
    }
}
