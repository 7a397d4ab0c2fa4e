package keentally.desk.objects;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.DoubleFunction;
import java.util.function.ToDoubleFunction;
import java.util.stream.IntStream;
import keentally.core.measure.Column;
import keentally.core.measure.Measure;
import keentally.core.quantity.PixelSize;
import keentally.core.run.Readings;
import keentally.core.words.Figures;
import keentally.core.words.Words;
import keentally.desk.help.Topic;
import keentally.desk.help.Why;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;

/** Why a number of all objects together is so. */
final class ObjectsWhy {
    private final DeskModel desk;

    ObjectsWhy(DeskModel desk) {
        this.desk = desk;
    }

    /** How many are kept at the end of the method. */
    Optional<Topic> count() {
        return desk.method().steps().isEmpty()
                ? Optional.empty()
                : Why.ofStation(desk, desk.method().steps().getLast().id());
    }

    /** What they cover. @param of the readings; not-a-number where it makes no sense */
    Optional<Topic> cover(String told, ToDoubleFunction<Readings> of) {
        List<String> definition = List.of(Texts.of("why.kept.area"), Texts.of("why.kept.share"));
        return topic(
                Texts.of("why.kept"), told, definition, again(of, v -> Texts.of("shares.percent", Figures.percent(v))));
    }

    /**
     * A measure over all objects.
     *
     * @param key of the number's text
     * @param of the values of all objects; where some are chosen, other settings would choose others
     */
    Optional<Topic> sum(Column column, String key, String told, Optional<ToDoubleFunction<double[]>> of) {
        String title = Words.title(column, desk.unit());
        List<String> definition = new ArrayList<>(List.of(Texts.of(key + ".help")));
        if (column instanceof Measure measure) {
            definition.add(Words.definition(measure));
        }
        PixelSize size = desk.pixelSize();
        ToDoubleFunction<Readings> again = readings -> readings.objects()
                .map(table -> {
                    int at = table.columns().indexOf(column);
                    return IntStream.range(0, table.rows())
                            .mapToDouble(i -> column.told(table.at(i, at), size))
                            .toArray();
                })
                .map(values -> of.orElseThrow().applyAsDouble(values))
                .orElse(Double.NaN);
        return topic(
                Texts.of("why.of", Texts.of(key), title),
                told,
                definition,
                of.flatMap(f -> again(again, Figures::number)));
    }

    /** D10, D50, D90 and the rest under the bars. */
    Optional<Topic> spread(Measure measure, String told, boolean byArea) {
        List<String> definition = List.of(
                Texts.of("why.spread"),
                Texts.of(byArea ? "why.spread.area" : "why.spread.count"),
                Words.definition(measure));
        return topic(
                Texts.of("why.spread.name", Words.title(measure, desk.unit())), told, definition, Optional.empty());
    }

    private static Optional<Topic.Again> again(ToDoubleFunction<Readings> of, DoubleFunction<String> words) {
        Topic.Reading reading = (run, trials, sample, cancel) -> {
            double value = of.applyAsDouble(trials.readings(run, cancel));
            return Double.isNaN(value) ? OptionalDouble.empty() : OptionalDouble.of(value);
        };
        return Optional.of(new Topic.Again(reading, words));
    }

    private Optional<Topic> topic(String name, String told, List<String> definition, Optional<Topic.Again> again) {
        return told.isEmpty()
                ? Optional.empty()
                : Optional.of(new Topic.OfNumber(name, told, definition, Topic.Whose.shown(desk), "", again));
    }
}
