package keentally.core.words;

import java.text.MessageFormat;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.ResourceBundle;
import java.util.regex.MatchResult;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import keentally.core.measure.Column;
import keentally.core.measure.Measure;
import keentally.core.measure.OwnColumn;
import keentally.core.quantity.LengthUnit;
import keentally.core.reader.Language;
import keentally.core.reader.Reader;
import keentally.core.setting.ChoiceSetting;
import keentally.core.setting.Setting;
import keentally.core.step.StepDescription;
import keentally.core.step.Steps;

/** The texts that stand in {@code words.properties}. A missing one is a defect, and throws. */
public final class Words {
    private static final String BUNDLE = "keentally.core.words.words";

    /** Keys of names, not of what is said about them. */
    private static final Pattern NAME = Pattern.compile(
            "measure\\.[^.]+\\.title|step\\.[^.]+\\.(?!question|help|headline|sentence|fitted|source|formula)[^.]+(\\.(?!help)[^.]+)?");

    private Words() {}

    /** {@code Step 3 (fill-holes)}, an id in quotes, or a unit after a number, as files and command lines have them. */
    private static final Pattern IN_FILES = Pattern.compile("Step (?<number>\\d+) \\((?<step>[a-z0-9-]+)\\)"
            + "|'(?<id>[A-Za-z][A-Za-z0-9-]*)'"
            + "|(?<=\\d )(?<unit>px|nm|um|mm|cm)(?<square>2?)(?!\\w)");

    /** A sentence of ours, written in English with the ids and points of files, as the reader is told it. */
    public static String spoken(String sentence) {
        return named(Sentences.told(sentence));
    }

    /**
     * A sentence that names steps, settings and units by their ids, which belong to files, in the words that the screen has for them. Ids
     * that no step or setting has stay as they are, in the quotes of prose.
     */
    static String named(String sentence) {
        Matcher named = IN_FILES.matcher(sentence);
        StringBuilder out = new StringBuilder();
        Optional<StepDescription> of = Optional.empty();
        while (named.find()) {
            of = Optional.ofNullable(named.group("step")).map(Steps::find).orElse(of);
            named.appendReplacement(out, Matcher.quoteReplacement(spoken(named, of)));
        }
        return named.appendTail(out).toString();
    }

    private static String spoken(MatchResult named, Optional<StepDescription> of) {
        if (named.group("step") != null) {
            return said("station", named.group("number"), of.map(Words::title).orElse(named.group("step")));
        }
        if (named.group("id") != null) {
            return said("quoted", spokenId(named.group("id"), of));
        }
        String unit = LengthUnit.find(named.group("unit")).orElseThrow().symbol();
        return named.group("square").isEmpty() ? unit : unit + "²";
    }

    private static String spokenId(String id, Optional<StepDescription> of) {
        Optional<String> step = Steps.find(id).map(Words::title);
        return step.or(() -> of.flatMap(s -> labelOf(s, id)))
                .or(() -> Steps.all().stream()
                        .flatMap(s -> labelOf(s, id).stream())
                        .findFirst())
                .orElse(id);
    }

    private static Optional<String> labelOf(StepDescription step, String settingId) {
        return step.setting(settingId).map(s -> label(step, s));
    }

    /** What people call a step. */
    public static String title(StepDescription step) {
        return text("step." + step.id() + ".title");
    }

    /** What the station asks, in plain words. */
    public static String question(StepDescription step) {
        return text("step." + step.id() + ".question");
    }

    /** What the step does and when it is right, in a sentence or two. */
    public static String help(StepDescription step) {
        return text("step." + step.id() + ".help");
    }

    /** Patterns of the headline, the first whose numbers are all there being the one; separated by {@code |}. */
    static String headline(StepDescription step) {
        return text("step." + step.id() + ".headline");
    }

    /** Patterns of what the step does, as a sentence of a report. */
    static String sentence(StepDescription step) {
        return text("step." + step.id() + ".sentence");
    }

    /** What people call a setting of a step. */
    public static String label(StepDescription step, Setting<?> setting) {
        return text("step." + step.id() + "." + setting.id());
    }

    /** The word a person reads for a choice; measures are called by their title. */
    public static String label(StepDescription step, Setting<?> setting, Enum<?> constant) {
        return constant instanceof Measure measure
                ? title(measure)
                : text("step." + step.id() + "." + setting.id() + "." + ChoiceSetting.word(constant));
    }

    /** What a setting does, where that is not plain from its name. */
    public static Optional<String> help(StepDescription step, Setting<?> setting) {
        return find("step." + step.id() + "." + setting.id() + ".help");
    }

    /** When a choice is right, where that needs saying. */
    public static Optional<String> help(StepDescription step, Setting<?> setting, Enum<?> constant) {
        return find("step." + step.id() + "." + setting.id() + "." + ChoiceSetting.word(constant) + ".help");
    }

    /** What tells a held step's values from those that a sample comes to by itself: of the axis, and of either end of it. */
    public static String held(String which) {
        return text("trial.held" + which);
    }

    /** Pattern of what a step that fits itself is fitted by. */
    static String fitted(StepDescription step) {
        return text("step." + step.id() + ".fitted");
    }

    /** What people call a measure. */
    public static String title(Measure measure) {
        return text("measure." + measure.id() + ".title");
    }

    /** Of a measure, or the name that a person gave a column. */
    public static String title(Column column) {
        return switch (column) {
            case Measure measure -> title(measure);
            case OwnColumn own -> own.name();
        };
    }

    /** With the unit that its numbers are shown in, where it has one: {@code Area, µm²}. */
    public static String title(Column column, LengthUnit unit) {
        String symbol = column.unitSymbol(unit);
        return symbol.isEmpty() ? title(column) : title(column) + ", " + symbol;
    }

    /** What a column's numbers are. */
    public static String definition(Column column) {
        return switch (column) {
            case Measure measure -> definition(measure);
            case OwnColumn own -> own.name() + " = " + own.formula();
        };
    }

    /** How a measure is worked out, in a sentence. */
    public static String definition(Measure measure) {
        return text("measure." + measure.id() + ".definition");
    }

    /** Where a measure's definition comes from. */
    public static String source(Measure measure) {
        return text("measure." + measure.id() + ".source");
    }

    /** From here to there, both ends said already. */
    public static String range(String from, String to) {
        return said("range", from, to);
    }

    /** Something that stands between or around other words: {@code not-set}, {@code range}. */
    static String said(String key, Object... parts) {
        return new MessageFormat(text("said." + key), Locale.ROOT).format(parts);
    }

    /** A sentence of the help with numbers and words in it. */
    static String about(String key, Object... parts) {
        return new MessageFormat(text("about." + key), Locale.ROOT).format(parts);
    }

    /** What steps, settings, choices and measures are called, by their keys. */
    static Map<String, String> names(Language language) {
        ResourceBundle bundle = Reader.bundle(BUNDLE, language);
        return bundle.keySet().stream()
                .filter(key -> NAME.matcher(key).matches())
                .sorted(Comparator.comparingInt(String::length).thenComparing(Comparator.naturalOrder()))
                .collect(Collectors.toMap(key -> key, bundle::getString, (a, b) -> a, LinkedHashMap::new));
    }

    private static String text(String key) {
        return Reader.bundle(BUNDLE).getString(key);
    }

    private static Optional<String> find(String key) {
        ResourceBundle bundle = Reader.bundle(BUNDLE);
        return bundle.containsKey(key) ? Optional.of(bundle.getString(key)) : Optional.empty();
    }
}
