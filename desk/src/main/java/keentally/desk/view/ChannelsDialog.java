package keentally.desk.view;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.Scene;
import javafx.scene.control.Label;
import javafx.scene.control.RadioButton;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import keentally.desk.look.Ask;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.model.SampleActions.NewSample;
import keentally.study.document.PictureRef;
import keentally.study.door.ChannelFiles;
import keentally.study.picture.PictureReader.Survey;
import keentally.study.store.PictureShelf;

/** Whether files whose names differ in one word are the channels of one sample, and what these are called. */
final class ChannelsDialog {
    private ChannelsDialog() {}

    /** Empty where they are samples, each of its own. */
    static Optional<NewSample> ask(Scene owner, ChannelFiles files) {
        ToggleGroup group = new ToggleGroup();
        RadioButton one = new RadioButton(Texts.of("channels.one", files.name()));
        RadioButton each = new RadioButton(Texts.of("channels.each"));
        one.setId("channels-one");
        each.setId("channels-each");
        one.setToggleGroup(group);
        each.setToggleGroup(group);
        one.setSelected(true);
        VBox content = new VBox(10, Prose.of(Texts.of("channels.about"), "help-text"), one);
        List<TextField> names = new ArrayList<>();
        List<Survey> surveys = List.copyOf(files.byWord().values());
        files.byWord().forEach((word, survey) -> {
            TextField name = new TextField(word);
            name.setId("channel-name-" + names.size());
            name.disableProperty().bind(one.selectedProperty().not());
            names.add(name);
            HBox row = new HBox(8, name, new Label(survey.file().getFileName().toString()));
            row.getStyleClass().add("row");
            content.getChildren().add(row);
        });
        content.getChildren().add(each);
        content.setPrefWidth(460);
        List<NewSample> taken = new ArrayList<>();
        Ask.until(owner, Texts.of("channels.title"), content, Texts.of("channels.yes"), () -> {
            if (one.isSelected()) {
                List<PictureRef.Source> sources = new ArrayList<>();
                for (int i = 0; i < surveys.size(); i++) {
                    sources.add(PictureShelf.source(names.get(i).getText().strip(), surveys.get(i), 1));
                }
                taken.add(new NewSample(files.name(), new PictureRef(sources)));
            }
        });
        return taken.stream().findFirst();
    }
}
