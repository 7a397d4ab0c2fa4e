package keentally.core.step;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import keentally.core.setting.ChoiceSetting;
import keentally.core.setting.LimitSetting;
import keentally.core.setting.Setting;
import keentally.core.setting.Values;

/**
 * All that others need to know of a kind of step.
 *
 * @param id as in files
 * @param version counted up when the same settings come to give other numbers
 * @param port the kind that must be there, which may hang on its values
 * @param gift the kind that it makes, likewise
 * @param too what it makes beside that
 * @param uses what of the sample its outcome hangs on
 * @param settings in the order of files and panels
 * @param beginning what settings without a default begin with
 * @param make the step from its values; throws IllegalArgumentException where values that are each allowed do not go together
 */
public record StepDescription(
        String id,
        int version,
        Function<Values, Flow> port,
        Function<Values, Flow> gift,
        Set<Flow> too,
        Set<Use> uses,
        List<Setting<?>> settings,
        Beginning beginning,
        Function<Values, Step> make) {
    public StepDescription {
        too = Set.copyOf(too);
        uses = Set.copyOf(uses);
        settings = List.copyOf(settings);
    }

    /** Of a step whose settings all have defaults. */
    public StepDescription(
            String id,
            int version,
            Flow needs,
            Flow gives,
            Set<Use> uses,
            List<Setting<?>> settings,
            Function<Values, Step> make) {
        this(id, version, needs, gives, uses, settings, Beginning.NONE, make);
    }

    /** Of a step that makes one kind, which hangs on its values. */
    public StepDescription(
            String id,
            int version,
            Function<Values, Flow> port,
            Function<Values, Flow> gift,
            Set<Use> uses,
            List<Setting<?>> settings,
            Beginning beginning,
            Function<Values, Step> make) {
        this(id, version, port, gift, Set.of(), uses, settings, beginning, make);
    }

    /** Of a step that makes one kind, whatever its values. */
    public StepDescription(
            String id,
            int version,
            Flow needs,
            Flow gives,
            Set<Use> uses,
            List<Setting<?>> settings,
            Beginning beginning,
            Function<Values, Step> make) {
        this(id, version, values -> needs, values -> gives, Set.of(), uses, settings, beginning, make);
    }

    /** The kind that must be there as it is added. */
    public Flow needs() {
        return needs(Values.NONE);
    }

    /** The kind that must be there with these values. */
    public Flow needs(Values values) {
        return port.apply(values);
    }

    /** The kind that it makes as it is added. */
    public Flow gives() {
        return gives(Values.NONE);
    }

    /** The kind that it makes with these values. */
    public Flow gives(Values values) {
        return gift.apply(values);
    }

    /** The values with a choice made; a limit that had its unit from the choice before has its default again. */
    public <E extends Enum<E>> Values chosen(Values before, ChoiceSetting<E> setting, E word) {
        Values values = before.with(setting, word);
        for (Setting<?> other : settings) {
            boolean hangsOnIt = other instanceof LimitSetting limit
                    && limit.unless().filter(c -> c.on().equals(setting)).isPresent();
            values = hangsOnIt && before.find(setting).filter(w -> w != word).isPresent()
                    ? values.without(other)
                    : values;
        }
        return values;
    }

    /** Whether a step can be made of these values as they are. */
    public boolean isComplete(Values values) {
        try {
            make.apply(values);
        } catch (IllegalArgumentException notTogether) {
            return false;
        }
        return settings.stream()
                .noneMatch(
                        s -> s.required() && s.applies(values) && values.find(s).isEmpty());
    }

    /** The setting of an id, as in a method file. */
    public Optional<Setting<?>> setting(String settingId) {
        return settings.stream().filter(s -> s.id().equals(settingId)).findFirst();
    }

    @Override
    public String toString() {
        return "StepDescription[" + id + "]";
    }
}
