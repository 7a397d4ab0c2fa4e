package keentally.desk.starter;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import keentally.core.starter.Starter;
import keentally.core.starter.Suggestion;
import keentally.core.step.State;
import keentally.core.words.Words;
import keentally.desk.help.Topic;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.study.starter.Told;

/** Why a question is answered so: of the method that would be laid out for it. */
final class StarterWhy {
    private StarterWhy() {}

    /** @param tried where it was answered: what was burnt into the picture may be left out there */
    static Topic of(
            DeskModel desk, Starter starter, Suggestion suggestion, StarterTrials.Seen seen, StarterTrials tried) {
        List<String> definition = new ArrayList<>(List.of(Texts.of("why.starter")));
        String range = StarterWords.range(seen);
        if (!range.isEmpty()) {
            definition.add(Texts.of("why.starter.range", range));
        }
        if (seen.rough()) {
            definition.add(Texts.of("why.starter.rough"));
        }
        seen.caution().ifPresent(c -> definition.add(Words.spoken(c.saw())));
        Topic.Reading reading = (run, trials, sample, cancel) -> {
            State end = trials.ending(run, cancel);
            double value = Told.of(suggestion.answer(end, trials.work(cancel)), Optional.empty(), end.scale())
                    .value();
            return Double.isNaN(value) ? OptionalDouble.empty() : OptionalDouble.of(value);
        };
        return new Topic.OfNumber(
                Texts.of(StarterWords.key(starter)),
                StarterWords.number(seen),
                definition,
                Topic.Whose.shown(desk).tried(suggestion.method()).on(tried::ready),
                "",
                Optional.of(new Topic.Again(reading, v -> StarterWords.figure(seen.told(), v))));
    }
}
