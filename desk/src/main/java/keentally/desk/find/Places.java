package keentally.desk.find;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import keentally.core.measure.Measure;
import keentally.core.method.MethodStep;
import keentally.core.setting.Setting;
import keentally.core.step.StepDescription;
import keentally.core.step.Steps;
import keentally.core.words.About;
import keentally.core.words.Sentences;
import keentally.core.words.Words;
import keentally.desk.find.Commands.Command;
import keentally.desk.help.CautionWords;
import keentally.desk.help.Topic;
import keentally.desk.look.HelpText;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.desk.station.StationActions;
import keentally.study.caution.CautionKind;

/** What can be found besides commands: settings, measures, cautions and paragraphs of the help, each leading to its place. */
public final class Places {
    private final DeskModel desk;
    private final Ways ways;

    /**
     * Where the window can go.
     *
     * @param bench shows the stations
     * @param measure shows how it is spread
     * @param help opens it at a heading
     * @param caution shows what is to be said of the sample
     * @param topic tells of something beside the picture
     */
    public record Ways(
            Runnable bench,
            Consumer<Measure> measure,
            Consumer<String> help,
            Runnable caution,
            Consumer<Topic> topic) {}

    public Places(DeskModel desk, Ways ways) {
        this.desk = desk;
        this.ways = ways;
    }

    /** As the study stands now. */
    List<Command> all() {
        List<Command> all = new ArrayList<>();
        for (StepDescription step : Steps.all()) {
            step.settings().forEach(s -> all.add(setting(step, s)));
            all.add(about("step-" + step.id(), Words.title(step), Words.help(step), new Topic.OfStation(step)));
        }
        for (Measure measure : Measure.values()) {
            all.add(new Command(
                    "measure-" + measure.id(),
                    Texts.of("find.measure", Words.title(measure)),
                    Words.definition(measure),
                    "",
                    () -> ways.measure().accept(measure)));
            all.add(about(
                    "measure-" + measure.id(),
                    Words.title(measure),
                    Words.definition(measure),
                    new Topic.OfMeasure(measure)));
        }
        for (CautionKind kind : CautionKind.values()) {
            all.add(caution(kind));
            all.add(about(
                    "caution-" + kind.id(),
                    CautionWords.title(kind),
                    CautionWords.about(kind),
                    new Topic.OfCaution(kind)));
        }
        for (HelpText.Part part : HelpText.parts()) {
            all.add(new Command(
                    "help",
                    Texts.of("find.help", part.heading()),
                    part.text(),
                    "",
                    () -> ways.help().accept(part.heading())));
        }
        return all;
    }

    private Command about(String id, String title, String text, Topic topic) {
        return new Command(
                "about-" + id,
                Texts.of("find.about", title),
                text,
                "",
                () -> ways.topic().accept(topic));
    }

    private Command setting(StepDescription step, Setting<?> setting) {
        return new Command(
                "setting-" + step.id() + "-" + setting.id(),
                Texts.of("find.setting", Words.label(step, setting), Words.title(step)),
                About.of(step, setting) + " " + Words.help(step, setting).orElse(""),
                "",
                () -> goTo(step));
    }

    /** The first station of this kind; without one, a new one. */
    private void goTo(StepDescription step) {
        ways.bench().run();
        Optional<MethodStep> there = desk.method().steps().stream()
                .filter(s -> s.description().id().equals(step.id()))
                .findFirst();
        there.ifPresentOrElse(s -> desk.station().set(s.id()), () -> new StationActions(desk).add(step));
    }

    /** Where the sample has it, the list; else what the help says. */
    private Command caution(CautionKind kind) {
        return new Command(
                "caution-" + kind.id(),
                Texts.of("find.caution", Sentences.told(kind.title())),
                Sentences.told(kind.when()),
                "",
                () -> {
                    boolean said = desk.shown().get().stream()
                            .flatMap(s -> s.cautions().stream())
                            .anyMatch(c -> c.kind() == kind);
                    if (said) {
                        ways.caution().run();
                    } else {
                        ways.help().accept(HelpText.cautions());
                    }
                });
    }
}
