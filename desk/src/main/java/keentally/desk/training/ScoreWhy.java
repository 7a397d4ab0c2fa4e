package keentally.desk.training;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import keentally.core.hand.ClassStrokes;
import keentally.core.words.Figures;
import keentally.desk.help.Topic;
import keentally.desk.look.Texts;
import keentally.study.document.Thing.SampleThing;

/** Why a score of a training is so: what it is, and the samples whose strokes it hangs on. */
final class ScoreWhy {
    private final TrainingModel model;

    ScoreWhy(TrainingModel model) {
        this.model = model;
    }

    /**
     * @param what the text's key of what it is a number of
     * @param definition the text's key of how it is worked out
     * @param of the class, or the features
     */
    Optional<Topic> of(String what, String definition, String of, String told) {
        return model.news()
                .get()
                .learned()
                .map(l -> new Topic.OfSeveral(
                        Texts.of("why.of", Texts.of(what), of),
                        told,
                        List.of(Texts.of(definition), Texts.of("training.score.note")),
                        from(l.from().strokes())));
    }

    private List<Topic.Source> from(Map<String, ClassStrokes> strokes) {
        return new TreeMap<>(strokes)
                .entrySet().stream()
                        .filter(e -> !e.getValue().list().isEmpty())
                        .map(e -> Topic.Source.of(
                                e.getKey(),
                                model.desk()
                                        .study()
                                        .get()
                                        .sample(e.getKey())
                                        .map(SampleThing::name)
                                        .orElse(e.getKey()),
                                Texts.of(
                                        "why.score.strokes",
                                        Figures.number(e.getValue().list().size()))))
                        .toList();
    }
}
