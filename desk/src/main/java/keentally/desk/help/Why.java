package keentally.desk.help;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.BiFunction;
import java.util.function.DoubleFunction;
import java.util.function.Supplier;
import java.util.function.ToDoubleFunction;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.TablePosition;
import javafx.scene.control.TableView;
import keentally.core.measure.Measure;
import keentally.core.method.MethodStep;
import keentally.core.picture.Mask;
import keentally.core.run.Run;
import keentally.core.step.Flow;
import keentally.core.step.State;
import keentally.core.words.Figures;
import keentally.core.words.StepSentence;
import keentally.core.words.Words;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.study.run.SampleRecord;

/** Which number a part of the window shows, so that one can ask of it why it is so. */
public final class Why {
    private static final String KEY = "keentally.why";

    private Why() {}

    /** Says what number a part shows; asked each time. */
    public static void from(Node node, Supplier<Optional<Topic>> topic) {
        node.getProperties().put(KEY, topic);
    }

    /**
     * The cell of a table that has the keyboard.
     *
     * @param columns what is said with columns that can be asked about: their user data
     */
    public static <S, C> void fromCell(TableView<S> table, Class<C> columns, BiFunction<S, C, Optional<Topic>> topic) {
        from(table, () -> {
            TablePosition<?, ?> cell = table.getFocusModel().getFocusedCell();
            boolean there = cell != null
                    && cell.getRow() >= 0
                    && cell.getRow() < table.getItems().size() // there may be fewer by now
                    && cell.getTableColumn() != null
                    && columns.isInstance(cell.getTableColumn().getUserData());
            return there
                    ? topic.apply(
                            table.getItems().get(cell.getRow()),
                            columns.cast(cell.getTableColumn().getUserData()))
                    : Optional.empty();
        });
    }

    /** A number that stands by itself: the keyboard gets there too, to ask and to copy. */
    public static void ask(Label figure, Supplier<Optional<Topic>> topic) {
        from(figure, () -> figure.getText().isEmpty() ? Optional.empty() : topic.get());
        figure.focusTraversableProperty().bind(figure.textProperty().isNotEmpty());
        figure.getStyleClass().add("asked");
    }

    /** The number of the innermost part that shows one; empty where there is none. */
    @SuppressWarnings("unchecked") // nothing else is put there
    public static Optional<Topic> at(Node node) {
        for (Node at = node; at != null; at = at.getParent()) {
            if (at.getProperties().get(KEY) instanceof Supplier<?> supplier) {
                Optional<Topic> topic = ((Supplier<Optional<Topic>>) supplier).get();
                if (topic.isPresent()) {
                    return topic;
                }
            }
        }
        return Optional.empty();
    }

    /** How many objects a station leaves, or what share of the field its mask covers; empty for other kinds, and before it is worked out. */
    public static Optional<Topic> ofStation(DeskModel desk, String stepId) {
        Optional<Run.Station> station = desk.reached(stepId);
        if (station.isEmpty()) {
            return Optional.empty();
        }
        MethodStep step = station.get().step();
        State after = station.get().after();
        int number = desk.method().indexOf(stepId) + 1;
        String pixels = Figures.number(after.field().pixels());
        if (after.flow() == Flow.OBJECTS) {
            return Optional.of(new Topic.OfNumber(
                    Texts.of("why.count", number, Words.title(step.description())),
                    count(after.needObjects().count()),
                    List.of(Texts.of("why.count.definition", pixels), StepSentence.of(step)),
                    Topic.Whose.shown(desk),
                    stepId,
                    Optional.of(new Topic.Again((run, trials, sample, cancel) -> countAt(run, stepId), Why::count))));
        }
        return after.mask()
                .map(mask -> new Topic.OfNumber(
                        Texts.of("why.share", number, Words.title(step.description())),
                        percent(share(mask, after)),
                        List.of(
                                Texts.of("why.share.definition", Figures.number(mask.count()), pixels),
                                StepSentence.of(step)),
                        Topic.Whose.shown(desk),
                        stepId,
                        Optional.of(
                                new Topic.Again((run, trials, sample, cancel) -> shareAt(run, stepId), Why::percent))));
    }

    /** A number of the record of a sample, worked out for another run. @param number not-a-number where there is none */
    public static Topic.Again byRecord(ToDoubleFunction<SampleRecord> number, DoubleFunction<String> words) {
        Topic.Reading reading = (run, trials, sample, cancel) -> {
            double value = number.applyAsDouble(
                    trials.whole(run.method(), sample, cancel).record());
            return Double.isNaN(value) ? OptionalDouble.empty() : OptionalDouble.of(value);
        };
        return new Topic.Again(reading, words);
    }

    private static String count(double objects) {
        return Texts.of("objects.count", Figures.number(objects));
    }

    private static String percent(double value) {
        return Figures.percent(value) + " %";
    }

    private static double share(Mask mask, State state) {
        return 100.0 * mask.count() / state.field().pixels();
    }

    private static OptionalDouble countAt(Run run, String stepId) {
        return run.station(stepId)
                .flatMap(s -> s.after().objects())
                .map(o -> OptionalDouble.of(o.count()))
                .orElse(OptionalDouble.empty());
    }

    private static OptionalDouble shareAt(Run run, String stepId) {
        return run.station(stepId)
                .map(Run.Station::after)
                .flatMap(s -> s.mask().map(m -> OptionalDouble.of(share(m, s))))
                .orElse(OptionalDouble.empty());
    }

    /** A measure of one object. @param told as it stands in the table, with its unit */
    public static Topic ofObject(DeskModel desk, Measure measure, int object, String told) {
        List<String> definition = new ArrayList<>(List.of(Words.definition(measure)));
        definition.add(Texts.of("help.source", Words.source(measure)));
        return new Topic.OfNumber(
                Texts.of("why.object", Words.title(measure), object),
                told,
                definition,
                Topic.Whose.shown(desk),
                "",
                Optional.empty());
    }
}
