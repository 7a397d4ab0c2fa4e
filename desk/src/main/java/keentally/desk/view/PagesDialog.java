package keentally.desk.view;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.Scene;
import javafx.scene.control.CheckBox;
import javafx.scene.control.RadioButton;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import keentally.desk.look.Ask;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.model.SampleActions.NewSample;
import keentally.study.document.PictureRef;
import keentally.study.picture.PictureReader.Survey;
import keentally.study.store.PictureShelf;

/** What to make of a file with several pages: each a sample, or all of them the channels of one. */
final class PagesDialog {
    private static final double MOST_HEIGHT = 300;

    private final Survey survey;
    private final List<CheckBox> pages = new ArrayList<>();
    private final List<TextField> names = new ArrayList<>();
    private final RadioButton apart = new RadioButton(Texts.of("pages.apart"));
    private final RadioButton slices = new RadioButton(Texts.of("pages.slices"));
    private final RadioButton channels = new RadioButton(Texts.of("pages.channels"));

    private PagesDialog(Survey survey) {
        this.survey = survey;
    }

    /** Nothing where the person leaves the file out. */
    static List<NewSample> ask(Scene owner, Survey survey) {
        return new PagesDialog(survey).ask(owner);
    }

    private List<NewSample> ask(Scene owner) {
        ToggleGroup group = new ToggleGroup();
        apart.setToggleGroup(group);
        channels.setToggleGroup(group);
        slices.setToggleGroup(group);
        slices.setId("pages-slices");
        apart.setId("pages-apart");
        channels.setId("pages-channels");
        boolean named = survey.channelNames().size() == survey.pages();
        (named ? channels : apart).setSelected(true);
        VBox list = new VBox(5);
        for (int i = 1; i <= survey.pages(); i++) {
            CheckBox page = new CheckBox(Texts.of("pages.page", String.valueOf(i)));
            page.setSelected(true);
            page.setPrefWidth(110);
            TextField name = new TextField(
                    named ? survey.channelNames().get(i - 1) : Texts.of("pages.channel", String.valueOf(i)));
            name.setId("page-name-" + i);
            name.disableProperty().bind(channels.selectedProperty().not());
            pages.add(page);
            names.add(name);
            HBox row = new HBox(8, page, name);
            row.getStyleClass().add("row");
            list.getChildren().add(row);
        }
        ScrollPane scroll = new ScrollPane(list);
        scroll.setFitToWidth(true);
        scroll.setMaxHeight(MOST_HEIGHT);
        String about = Texts.of("pages.about", survey.file().getFileName(), String.valueOf(survey.pages()));
        VBox content = new VBox(10, Prose.of(about, "hint"), apart, channels, slices, scroll);
        content.setPrefWidth(440);
        List<NewSample> taken = new ArrayList<>();
        Ask.until(owner, Texts.of("pages.title"), content, Texts.of("pages.yes"), () -> {
            if (slices.isSelected()) {
                throw new IllegalArgumentException(Texts.of("pages.slices.refused"));
            }
            if (pages.stream().noneMatch(CheckBox::isSelected)) {
                throw new IllegalArgumentException(Texts.of("pages.none"));
            }
            taken.addAll(channels.isSelected() ? List.of(joined()) : each());
        });
        return taken;
    }

    private String bare() {
        String name = survey.file().getFileName().toString();
        int dot = name.lastIndexOf('.');
        return dot > 0 ? name.substring(0, dot) : name;
    }

    private List<NewSample> each() {
        List<NewSample> samples = new ArrayList<>();
        for (int i = 0; i < pages.size(); i++) {
            if (pages.get(i).isSelected()) {
                PictureRef picture = new PictureRef(List.of(PictureShelf.source("", survey, i + 1)));
                samples.add(new NewSample(Texts.of("pages.name", bare(), String.valueOf(i + 1)), picture));
            }
        }
        return samples;
    }

    /** @throws IllegalArgumentException where two channels are called the same, or one nothing */
    private NewSample joined() {
        List<PictureRef.Source> sources = new ArrayList<>();
        for (int i = 0; i < pages.size(); i++) {
            if (pages.get(i).isSelected()) {
                sources.add(PictureShelf.source(names.get(i).getText().strip(), survey, i + 1));
            }
        }
        return new NewSample(bare(), new PictureRef(sources));
    }
}
