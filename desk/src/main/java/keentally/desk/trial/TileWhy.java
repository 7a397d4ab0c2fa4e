package keentally.desk.trial;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.DoubleFunction;
import keentally.core.method.Method;
import keentally.core.trial.Outcomes;
import keentally.core.words.StepSentence;
import keentally.desk.help.Topic;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.study.document.Study;

/** Why the number of a tile is so: of the method as it would be with the tile's values. */
final class TileWhy {
    private final DeskModel desk;
    private final TrialModel model;

    TileWhy(DeskModel desk, TrialModel model) {
        this.desk = desk;
        this.model = model;
    }

    /**
     * Empty where the tile has no number, or what was tried is gone by now.
     *
     * @param told the number that the sheet is told by, as it stands on the tile
     */
    Optional<Topic> of(TrialModel.Tile tile, DoubleFunction<String> told) {
        TrialModel.Number which = model.number().get();
        double value = tile.number(which);
        Study study = desk.study().get();
        if (Double.isNaN(value)
                || study.sample(tile.sample()).isEmpty()
                || model.step().isEmpty()) {
            return Optional.empty();
        }
        Topic.Whose whose = Topic.Whose.of(study, tile.sample(), desk.methodId());
        Method method = whose.method().with(model.stepId(), tile.values());
        return Optional.of(new Topic.OfNumber(
                Texts.of("why.of", model.name(which), tile.label()),
                told.apply(value),
                List.of(
                        Texts.of("why.tile." + which.name().toLowerCase(Locale.ROOT)),
                        StepSentence.of(method.step(model.stepId()).orElseThrow())),
                whose.tried(method),
                "",
                again(which, tile.own().at(), told)));
    }

    /** A score wants another training, and what differs is from now: neither is asked for again. */
    private Optional<Topic.Again> again(TrialModel.Number which, int own, DoubleFunction<String> told) {
        String stepId = model.stepId();
        return switch (which) {
            case SCORE, DIFFERS -> Optional.empty();
            case OWN ->
                again(
                        told,
                        (run, trials, sample, cancel) ->
                                there(trials.numbers(run, sample, cancel).get(own)));
            case EXPLAINED ->
                again(
                        told,
                        (run, trials, sample, cancel) ->
                                there(Outcomes.of(run, stepId, Optional.empty()).explained()));
            case SHARE ->
                again(
                        told,
                        (run, trials, sample, cancel) ->
                                there(Outcomes.of(run, stepId, Optional.of(trials.ending(run, cancel)))
                                        .share()));
            case COUNT ->
                again(
                        told,
                        (run, trials, sample, cancel) -> Outcomes.of(
                                        run, stepId, Optional.of(trials.ending(run, cancel)))
                                .count());
        };
    }

    private static Optional<Topic.Again> again(DoubleFunction<String> told, Topic.Reading reading) {
        return Optional.of(new Topic.Again(reading, told));
    }

    private static OptionalDouble there(double value) {
        return Double.isNaN(value) ? OptionalDouble.empty() : OptionalDouble.of(value);
    }
}
