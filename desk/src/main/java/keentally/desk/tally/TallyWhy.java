package keentally.desk.tally;

import java.util.List;
import keentally.core.words.Figures;
import keentally.desk.help.Topic;
import keentally.desk.look.Texts;
import keentally.study.document.Thing.SampleThing;

/** Why a number of a count by hand is so. */
final class TallyWhy {
    private final TallyModel model;

    TallyWhy(TallyModel model) {
        this.model = model;
    }

    /**
     * A count, or a share of it.
     *
     * @param definition the text's key
     * @param of whose marks they are
     */
    Topic marks(String told, String definition, String of) {
        return new Topic.OfSeveral(
                Texts.of("why.of", Texts.of("why.tally"), of), told, List.of(Texts.of(definition, of)), from());
    }

    Topic agreement(String told) {
        List<String> definition = List.of(
                Texts.of("why.agreement.matched"),
                Texts.of("why.agreement.scores"),
                Texts.of("why.agreement.difference"),
                Texts.of("help.source", Texts.of("why.agreement.source")));
        return new Topic.OfSeveral(Texts.of("agreement.head"), told, definition, from());
    }

    private List<Topic.Source> from() {
        String sample = model.desk().sampleId().get();
        String named =
                model.desk().study().get().sample(sample).map(SampleThing::name).orElse("");
        String marks =
                Texts.of("why.tally.marks", Figures.number(model.marks().list().size()));
        return List.of(Topic.Source.of(sample, named, marks));
    }
}
