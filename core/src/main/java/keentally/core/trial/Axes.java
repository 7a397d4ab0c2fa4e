package keentally.core.trial;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;
import keentally.core.method.MethodStep;
import keentally.core.quantity.Amounts;
import keentally.core.setting.AreaSetting;
import keentally.core.setting.ChannelSetting;
import keentally.core.setting.ChoiceSetting;
import keentally.core.setting.FlagSetting;
import keentally.core.setting.LengthSetting;
import keentally.core.setting.LimitSetting;
import keentally.core.setting.ListSetting;
import keentally.core.setting.NameSetting;
import keentally.core.setting.NumberSetting;
import keentally.core.setting.RangeSetting;
import keentally.core.setting.ReferenceSetting;
import keentally.core.setting.Setting;
import keentally.core.setting.Values;
import keentally.core.stats.Histogram;
import keentally.core.stats.Percentiles;
import keentally.core.step.RefineEdgesStep;
import keentally.core.threshold.rule.Rule;
import keentally.core.words.Words;

/**
 * The axes that a step can be tried along, made from its description.
 *
 * <p>Typed values are parted by semicolons; "2 to 12" is every whole number between, "0.5 to 4 in 8" eight even steps, both ends
 * included. Words stand for themselves; "all" for every one.
 */
public final class Axes {
    /** Most alternatives on one axis. */
    public static final int MOST = 64;

    /** Moves all ranges of a colour range together. */
    public static final String WIDTH = "width";

    /** Holds what was found elsewhere against what each sample comes to by itself. */
    public static final String HELD = "held";

    /** Stands for every word. */
    public static final String ALL = "all";

    private static final double[] FACTORS = {0.25, 0.35, 0.5, 0.7, 1, 1.4, 2, 2.8, 4};
    private static final double[] WIDTHS = {0.4, 0.55, 0.7, 0.85, 1, 1.2, 1.4, 1.7, 2};

    private Axes() {}

    /**
     * Those of the settings that have an effect now, the one that matters most first.
     *
     * @param entering the values that the step starts from, where it has one channel; a cut is tried over them
     */
    public static List<Axis> of(MethodStep step, Optional<Histogram> entering) {
        List<Axis> axes = new ArrayList<>();
        List<Axis> turning = new ArrayList<>();
        List<RangeSetting> ranges = new ArrayList<>();
        for (Setting<?> setting : step.description().settings()) {
            if (!setting.applies(step.values())) {
                continue;
            }
            if (setting instanceof RangeSetting range) {
                ranges.add(range);
            }
            Optional<Axis> axis = of(step, setting, entering);
            if (setting instanceof LimitSetting) {
                axis.ifPresent(axes::addFirst); // how deep, how large: what people turn first
            } else if (setting instanceof ChoiceSetting<?> choice && turnsKinds(step, choice)) {
                axis.ifPresent(turning::add);
            } else {
                axis.ifPresent(axes::add);
            }
        }
        if (!ranges.isEmpty()) {
            axes.addFirst(width(ranges));
        }
        step.held().ifPresent(h -> axes.addFirst(held(step, h.free())));
        axes.addAll(turning);
        return axes;
    }

    /** Whether its words take or give other kinds of things, so that they are no alternatives of each other. */
    private static <E extends Enum<E>> boolean turnsKinds(MethodStep step, ChoiceSetting<E> choice) {
        return choice.constants().stream()
                        .map(word -> step.values().with(choice, word))
                        .map(v -> List.of(
                                step.description().needs(v), step.description().gives(v)))
                        .distinct()
                        .count()
                > 1;
    }

    /**
     * Two axes that are best tried at once, since one means little without the other; none for most steps.
     *
     * @param axes those of the step
     */
    public static Optional<Pair> pair(MethodStep step, List<Axis> axes) {
        if (!step.description().id().equals(RefineEdgesStep.ID)) {
            return Optional.empty();
        }
        return Optional.of(new Pair(
                thrice(axes, RefineEdgesStep.POSITION_SIGMA.id()), thrice(axes, RefineEdgesStep.COLOUR_SIGMA.id())));
    }

    /** Two axes, each with few usual values. */
    public record Pair(Axis first, Axis second) {}

    /** Half, as it is, and twice. */
    private static Axis thrice(List<Axis> axes, String id) {
        Axis axis = axes.stream().filter(a -> a.id().equals(id)).findFirst().orElseThrow();
        List<String> usual = parts(axis.usual());
        return new Axis(
                axis.id(),
                axis.label(),
                usual.size() == FACTORS.length
                        ? String.join("; ", usual.get(2), usual.get(4), usual.get(6))
                        : axis.usual(),
                axis.reading());
    }

    /** What was found elsewhere, and what is found on each sample by itself. */
    private static Axis held(MethodStep step, Values free) {
        return new Axis(
                HELD,
                Words.held(""),
                ALL,
                (text, now) -> List.of(
                        new Variant(Words.held(".at"), step.values(), OptionalDouble.empty()),
                        new Variant(Words.held(".anew"), free, OptionalDouble.empty())));
    }

    private static Optional<Axis> of(MethodStep step, Setting<?> setting, Optional<Histogram> entering) {
        String label = Words.label(step.description(), setting);
        return switch (setting) {
            case ChoiceSetting<?> choice -> Optional.of(choice(step, choice, label));
            case FlagSetting flag ->
                Optional.of(new Axis(
                        flag.id(),
                        label,
                        "yes; no",
                        (text, now) -> words(text, List.of("yes", "no")).stream()
                                .map(w -> new Variant(w, now.with(flag, w.equals("yes")), OptionalDouble.empty()))
                                .toList()));
            case NumberSetting number -> Optional.of(number(step, number, label, entering));
            case LengthSetting length ->
                Optional.of(amounts(length, label, String.valueOf(step.values().get(length))));
            case AreaSetting area -> step.values().get(area).map(now -> amounts(area, label, now.toString()));
            case RangeSetting range -> Optional.of(range(step, range, label));
            case ChannelSetting channel ->
                Optional.of(new Axis(
                        channel.id(),
                        label,
                        ALL,
                        (text, now) -> words(text, channel.words()).stream()
                                .map(w -> new Variant(w, now.with(channel, w), OptionalDouble.empty()))
                                .toList()));
            case LimitSetting limit -> step.values().find(limit).map(now -> amounts(limit, label, now.toString()));
            case ReferenceSetting reference -> Optional.empty();
            case NameSetting name -> Optional.empty();
            case ListSetting<?> list -> Optional.empty();
        };
    }

    private static List<String> words(String text, List<String> all) {
        String typed = text.strip();
        List<String> wanted = typed.equals(ALL) || typed.isEmpty() ? all : parts(typed);
        if (wanted.size() > MOST) {
            throw tooMany();
        }
        return wanted;
    }

    private static List<String> parts(String text) {
        return Arrays.stream(text.split(";"))
                .map(String::strip)
                .filter(s -> !s.isEmpty())
                .toList();
    }

    private static IllegalArgumentException tooMany() {
        return new IllegalArgumentException("at most " + MOST + " values fit on a trial sheet");
    }

    /** All words, but for those that need numbers to be set first. */
    private static <E extends Enum<E>> Axis choice(MethodStep step, ChoiceSetting<E> setting, String label) {
        List<String> fit = setting.constants().stream()
                .filter(c -> !(c instanceof Rule rule) || rule.isAutomatic())
                .filter(c -> step.description().isComplete(step.description().chosen(step.values(), setting, c)))
                .map(ChoiceSetting::word)
                .toList();
        return new Axis(
                setting.id(),
                label,
                ALL,
                (text, now) -> words(text, fit).stream()
                        .map(w -> {
                            E word = setting.read(w);
                            return new Variant(
                                    Words.label(step.description(), setting, word),
                                    step.description().chosen(now, setting, word),
                                    OptionalDouble.empty());
                        })
                        .toList());
    }

    private static Axis number(MethodStep step, NumberSetting setting, String label, Optional<Histogram> entering) {
        return new Axis(
                setting.id(),
                label,
                usual(setting, step.values().find(setting), entering),
                (text, now) -> numbers(text).stream()
                        .map(n -> new Variant(Amounts.text(n), now.withTree(setting, n), OptionalDouble.of(n)))
                        .toList());
    }

    private static String usual(NumberSetting setting, Optional<Double> now, Optional<Histogram> entering) {
        if (setting.whole()) {
            int middle = now.orElse(setting.least()).intValue();
            int from = (int) Math.max(setting.least(), Math.min(middle - 4, setting.most() - 8));
            int to = (int) Math.min(setting.most(), from + 8);
            return from + " to " + to;
        }
        if (setting.id().equals("cut") && entering.isPresent() && entering.get().total() > 0) {
            Histogram h = entering.get();
            double step = Percentiles.range(h) * 0.04;
            double middle = now.orElse(Percentiles.of(h, 0.5));
            return list(IntStream.rangeClosed(-4, 4).mapToDouble(i -> round(middle + i * step)));
        }
        double value = now.orElse(1.0);
        boolean bounded = setting.least() > -1e300;
        if (value == 0) {
            return bounded ? list(Arrays.stream(new double[] {0, 0.25, 0.5, 1, 2, 4})) : "-1 to 1 in 9";
        }
        return list(Arrays.stream(FACTORS)
                .map(f -> round(value * f))
                .filter(v -> v >= setting.least() && v <= setting.most()));
    }

    private static String list(DoubleStream values) {
        return values.distinct().mapToObj(Amounts::text).collect(Collectors.joining("; "));
    }

    /** To three figures that count. */
    private static double round(double value) {
        return value == 0 ? 0 : new BigDecimal(value).round(new MathContext(3)).doubleValue();
    }

    private static List<Double> numbers(String text) {
        List<Double> numbers = new ArrayList<>();
        for (String part : parts(text)) {
            String[] span = part.toLowerCase(Locale.ROOT).split("\\s+(?:to|bis|in)\\s+");
            if (span.length == 1) {
                numbers.add(number(part));
                continue;
            }
            double from = number(span[0]);
            double to = number(span[1]);
            boolean whole = span.length == 2 && from == Math.rint(from) && to == Math.rint(to);
            double count = span.length == 3 ? number(span[2]) : whole ? Math.abs(to - from) + 1 : 9;
            if (!(count >= 2) || count > MOST) {
                throw tooMany();
            }
            for (int i = 0; i < (int) count; i++) {
                numbers.add(from + (to - from) * i / ((int) count - 1));
            }
        }
        if (numbers.size() > MOST) {
            throw tooMany();
        }
        return numbers;
    }

    private static double number(String text) {
        try {
            return Amounts.number(text);
        } catch (NumberFormatException e) {
            throw new IllegalArgumentException(
                    "expected numbers such as \"2; 3; 5\" or \"2 to 12\" but found \"" + text.strip() + "\"", e);
        }
    }

    /** Lengths and areas keep their unit. */
    private static Axis amounts(Setting<?> setting, String label, String now) {
        int gap = now.indexOf(' ');
        double amount = Double.parseDouble(now.substring(0, gap));
        String unit = now.substring(gap + 1);
        double base = amount == 0 ? 1 : amount;
        String usual = Arrays.stream(FACTORS)
                .mapToObj(f -> Amounts.text(round(base * f)))
                .collect(Collectors.joining("; "));
        return new Axis(
                setting.id(),
                label + ", " + unit,
                usual,
                (text, values) -> numbers(text).stream()
                        .map(n -> new Variant(
                                Amounts.text(n) + " " + unit,
                                values.withTree(setting, Amounts.text(n) + " " + unit),
                                OptionalDouble.of(n)))
                        .toList());
    }

    private static Axis range(MethodStep step, RangeSetting setting, String label) {
        return new Axis(
                "width-" + setting.id(),
                label + ": times as wide",
                list(Arrays.stream(WIDTHS)),
                (text, now) -> numbers(text).stream()
                        .map(f -> new Variant(
                                "\u00d7 " + Amounts.text(f),
                                now.with(setting, widened(setting, now.get(setting), f)),
                                OptionalDouble.of(f)))
                        .toList());
    }

    private static Axis width(List<RangeSetting> ranges) {
        return new Axis(
                WIDTH,
                "All ranges: times as wide",
                list(Arrays.stream(WIDTHS)),
                (text, now) -> numbers(text).stream()
                        .map(f -> {
                            Values values = now;
                            for (RangeSetting range : ranges) {
                                values = values.with(range, widened(range, now.get(range), f));
                            }
                            return new Variant("\u00d7 " + Amounts.text(f), values, OptionalDouble.of(f));
                        })
                        .toList());
    }

    /** About its middle, within what there is. */
    private static RangeSetting.Range widened(RangeSetting setting, RangeSetting.Range now, double factor) {
        RangeSetting.Range all = setting.usual();
        double extent = all.to() - all.from();
        if (now.equals(all)) {
            return now;
        }
        double width = now.from() <= now.to() ? now.to() - now.from() : now.to() + extent - now.from();
        double middle = now.from() + width / 2;
        double half = Math.min(extent, width * Math.max(0, factor)) / 2;
        if (setting.wraps()) {
            return half * 2 >= extent
                    ? all
                    : new RangeSetting.Range(fine((middle - half + extent) % extent), fine((middle + half) % extent));
        }
        return new RangeSetting.Range(
                fine(Math.max(all.from(), middle - half)), fine(Math.min(all.to(), middle + half)));
    }

    private static double fine(double value) {
        return Math.rint(value * 1000) / 1000;
    }
}
