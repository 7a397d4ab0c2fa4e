package keentally.desk.station;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executor;
import javafx.application.Platform;
import keentally.core.colour.ChannelPlane;
import keentally.core.hand.HandWork;
import keentally.core.hand.Strokes;
import keentally.core.method.MethodStep;
import keentally.core.run.Lanes.Urgency;
import keentally.core.run.Run;
import keentally.core.setting.ChoiceSetting;
import keentally.core.setting.ListSetting;
import keentally.core.setting.Setting;
import keentally.core.setting.Values;
import keentally.core.step.Beginning;
import keentally.core.step.Findings;
import keentally.core.step.LevelsStep;
import keentally.core.step.State;
import keentally.core.step.StepDescription;
import keentally.core.step.StepFault;
import keentally.core.step.ThresholdStep;
import keentally.core.words.Words;
import keentally.desk.look.Texts;
import keentally.desk.model.Address;
import keentally.desk.model.DeskModel;
import keentally.desk.model.Newest;

/** Changes a station's settings through the desk's one door. */
final class Tuning {
    private static final MathContext SIX_DIGITS = new MathContext(6);

    private final DeskModel desk;
    private final String methodId;
    private final String stepId;

    /** Known even when the station is gone, and to any thread. */
    private final StepDescription description;

    Tuning(DeskModel desk, String stepId) {
        this.desk = desk;
        this.methodId = desk.methodId();
        this.stepId = stepId;
        this.description = step().description();
    }

    /** Whether the station is gone from the desk: removed, or another method is in use. */
    boolean isStale() {
        return !desk.methodId().equals(methodId) || desk.method().step(stepId).isEmpty();
    }

    /** The channels to choose from: those of the sample's picture, or {@code words} while there is none. */
    List<String> channels(List<String> words) {
        return desk.open()
                .get()
                .map(o -> ChannelPlane.wordsFor(o.file().picture()))
                .orElse(words);
    }

    /** What the values of the sample's picture can come to; steps before keep its scale of values. */
    double greatest() {
        return desk.open().get().map(o -> o.file().picture().depth().most()).orElse(255);
    }

    /** The station's id in the method. */
    String id() {
        return stepId;
    }

    MethodStep step() {
        return desk.method().step(stepId).orElseThrow();
    }

    /** Whether a setting stands in the panel: it has an effect, and is not what the station is held at. */
    boolean isShown(Setting<?> setting) {
        boolean onlyHeld = setting instanceof ListSetting<?> list
                && !list.required()
                && list.usual().isEmpty()
                && !step().values().isSet(setting);
        return setting.applies(step().values()) && !step().isHeld(setting) && !onlyHeld;
    }

    /** The value as it would stand in a file; null where it has none. */
    <T> Object tree(Setting<T> setting) {
        return step().values().find(setting).map(setting::write).orElse(null);
    }

    /** The value as a person reads it; nothing where it has none. */
    <T> String text(Setting<T> setting) {
        return step().values()
                .find(setting)
                .map(v -> SettingText.text(setting, v))
                .orElse("");
    }

    boolean is(Setting<?> setting, Object word) {
        return word.equals(tree(setting));
    }

    /** The word that is chosen. */
    <E extends Enum<E>> E choice(Setting<?> setting, E[] words) {
        return Arrays.stream(words)
                .filter(w -> is(setting, ChoiceSetting.word(w)))
                .findFirst()
                .orElseThrow();
    }

    /** Sets a value as it would stand in a file. */
    boolean set(Setting<?> setting, Object tree) {
        return keep(step().values().withTree(setting, tree), setting);
    }

    /**
     * Makes a choice. Where it asks for settings that have no default, these begin with something that suits the picture; that takes a
     * moment, and is kept for the station that it was chosen on.
     *
     * @param refused what to do where the choice cannot be made
     */
    <E extends Enum<E>> void choose(ChoiceSetting<E> setting, E word, Runnable refused) {
        Values before = step().values();
        Values values = description.chosen(before, setting, word);
        if (description.isComplete(values)) {
            if (!keep(values, setting)) {
                refused.run();
            }
            return;
        }
        begin(before, values, setting, refused);
    }

    private void begin(Values before, Values now, Setting<?> setting, Runnable refused) {
        Optional<State> entering = desk.entering(stepId);
        if (entering.isEmpty()) {
            desk.say(Texts.of("setting.nothing-to-begin"));
            refused.run();
            return;
        }
        Findings found = desk.reached(stepId).map(Run.Station::findings).orElse(Findings.NONE);
        Address here = desk.here();
        desk.look(this, Urgency.ASKED, cancel -> {
            try {
                Values begun = description
                        .beginning()
                        .of(new Beginning.Inputs(before, now, entering.get(), found, desk.work(cancel)));
                Platform.runLater(() -> {
                    boolean same =
                            desk.isThere(here) && !isStale() && step().values().equals(before);
                    if (!same || !keep(begun, setting)) {
                        refused.run();
                    }
                });
            } catch (StepFault e) {
                Platform.runLater(() -> {
                    desk.say(Texts.of("setting.cannot-begin", Words.title(description), Texts.fault(e)));
                    refused.run();
                });
            }
        });
    }

    boolean clear(Setting<?> setting) {
        return keep(step().values().without(setting), setting);
    }

    private boolean keep(Values values, Setting<?> setting) {
        return desk.change(title(setting), m -> m.with(stepId, values));
    }

    private String title(Setting<?> setting) {
        return Texts.of(
                "action.setting", Words.title(step().description()), Words.label(step().description(), setting));
    }

    /** What was done by hand on the sample on the stage for this station. */
    Optional<HandWork> hand() {
        return isStale()
                ? Optional.empty()
                : Optional.ofNullable(
                        desk.study().get().hand(desk.sampleId().get(), methodId).get(stepId));
    }

    /** The strokes that the station's numbers were fitted to, of every sample. */
    List<Strokes.StrokeSample> strokes() {
        return desk.study().get().handFor(methodId, stepId).values().stream()
                .filter(Strokes.class::isInstance)
                .flatMap(s -> ((Strokes) s).taken().stream())
                .toList();
    }

    /** The strokes on the sample on the stage. */
    Strokes strokesHere() {
        return hand().filter(Strokes.class::isInstance).map(Strokes.class::cast).orElse(Strokes.NONE);
    }

    /** Values and the hand work that led to them, in one action. */
    boolean keep(Values values, String setting, HandWork work) {
        String sample = desk.sampleId().get();
        return !isStale()
                && desk.change(
                        title(setting(setting)),
                        m -> m.with(stepId, values),
                        s -> s.withHand(sample, methodId, stepId, Optional.of(work)));
    }

    /** Values, and no sample's hand work any more. */
    boolean keepAfresh(Values values, String setting) {
        return !isStale()
                && desk.change(
                        title(setting(setting)), m -> m.with(stepId, values), s -> s.withoutHand(methodId, stepId));
    }

    /** Hand work on the sample on the stage. */
    void keepHand(HandWork work, String title) {
        String sample = desk.sampleId().get();
        if (!isStale()) {
            desk.change(title, m -> m, s -> s.withHand(sample, methodId, stepId, Optional.of(work)));
        }
    }

    /** A setting by its id. */
    Setting<?> setting(String id) {
        return description.setting(id).orElseThrow();
    }

    /** The values with one replaced, as it would stand in a file. */
    Values valuesWith(String id, Object tree) {
        return step().values().withTree(setting(id), tree);
    }

    /** Shows what other values would give, without keeping them. */
    void tryOut(Values values) {
        if (!isStale()) {
            desk.tryOut(stepId, values);
        }
    }

    /** @param setting whose name the action goes by */
    boolean keep(Values values, String setting) {
        return !isStale() && keep(values, setting(setting));
    }

    /** @param title what the action goes by */
    void keepAs(Values values, String title) {
        if (!isStale()) {
            desk.change(title, m -> m.with(stepId, values));
        }
    }

    void say(String sentence) {
        desk.say(sentence);
    }

    /** For work away from the interface thread. */
    Newest newest(Executor ui) {
        return new Newest(desk, ui);
    }

    /** Several cuts set by hand; six digits are more than a hand can mean. */
    Values handCuts(double[] cuts) {
        return step().values()
                .withTree(LevelsStep.BY, "manual")
                .withTree(
                        LevelsStep.CUTS,
                        Arrays.stream(cuts)
                                .map(c -> new BigDecimal(c).round(SIX_DIGITS).doubleValue())
                                .boxed()
                                .toList());
    }

    /** A cut set by hand. */
    Values handCut(double cut) {
        return step().values().withTree(ThresholdStep.RULE, "manual").withTree(ThresholdStep.CUT, cut);
    }
}
