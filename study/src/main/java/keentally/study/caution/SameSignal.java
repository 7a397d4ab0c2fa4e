package keentally.study.caution;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import keentally.core.measure.Dimension;
import keentally.core.measure.Measure;
import keentally.core.method.MethodStep;
import keentally.core.picture.Channel;
import keentally.core.picture.Picture;
import keentally.core.run.Run;
import keentally.core.setting.RangeSetting;
import keentally.core.step.ChannelStep;
import keentally.core.step.ClassifyStep;
import keentally.core.step.ClusterStep;
import keentally.core.step.ColourRangeStep;
import keentally.core.step.LevelsStep;
import keentally.core.step.LocalThresholdStep;
import keentally.core.step.SimilarColourStep;
import keentally.core.step.State;
import keentally.core.step.ThresholdStep;
import keentally.core.step.UnmixDyesStep;
import keentally.core.step.WithinStep;
import keentally.core.words.Words;

/**
 * Whether what is measured is made of what was parted by: of the same channel of the picture, or, as grey, lightness, hue and dyes are, of
 * the same three colours.
 */
final class SameSignal {
    private static final Set<String> COLOURS = Set.of(Channel.RED, Channel.GREEN, Channel.BLUE);
    private static final Set<String> PARTS = Set.of(
            ThresholdStep.ID,
            LocalThresholdStep.ID,
            LevelsStep.ID,
            ColourRangeStep.ID,
            SimilarColourStep.ID,
            ClusterStep.ID,
            ClassifyStep.ID);

    private final Run run;
    private final Picture picture;
    private final Set<String> all;

    private SameSignal(Run run) {
        this.run = run;
        this.picture = run.sample().picture();
        this.all = picture.channels().stream().map(Channel::name).collect(Collectors.toUnmodifiableSet());
    }

    static List<Caution> of(Run run) {
        return new SameSignal(run).cautions();
    }

    /** What a picture is made of at a station: by a word for people, and channels of the original. */
    private record Source(String word, Set<String> channels) {}

    private List<Caution> cautions() {
        List<Caution> found = new ArrayList<>();
        Source now = new Source(all.size() == 1 ? Channel.GREY : picture.channelNames(), all);
        List<Cut> cuts = new ArrayList<>();
        List<MethodStep> open = run.method().openParts();
        for (Run.Station station : run.stations()) {
            String id = station.step().description().id();
            if (id.equals(ChannelStep.ID)) {
                now = channel(station, now);
            } else if (id.equals(UnmixDyesStep.ID)) {
                now = new Source("dyes", all);
            } else if (open.contains(station.step()) && isMask(station)) {
                cuts.clear(); // what they chose is the whole, and not what is measured
            } else if (PARTS.contains(id)) {
                cuts.add(new Cut(station, id.equals(ColourRangeStep.ID) ? ranged(station) : now));
            }
        }
        Source end = now;
        cuts.forEach(cut -> caution(cut, end).ifPresent(found::add));
        return found;
    }

    private static boolean isMask(Run.Station station) {
        return station.step().values().get(WithinStep.PART) == WithinStep.Part.MASK;
    }

    private record Cut(Run.Station station, Source by) {}

    private Source channel(Run.Station station, Source now) {
        String word = station.step().values().get(ChannelStep.OF);
        boolean original = ChannelStep.ofOriginal(station.step().values());
        Set<String> made = madeOf(word);
        return new Source(word, original || now.channels().containsAll(made) ? made : now.channels());
    }

    /** Only the components that something is left out of. */
    private Source ranged(Run.Station station) {
        var values = station.step().values();
        Set<String> narrowed = station.step().description().settings().stream()
                .filter(s -> s instanceof RangeSetting range
                        && range.applies(values)
                        && !values.get(range).equals(range.usual()))
                .map(s -> s.id())
                .collect(Collectors.toSet());
        return new Source("colour", COLOURS.containsAll(narrowed) && !narrowed.isEmpty() ? narrowed : all);
    }

    private Set<String> madeOf(String word) {
        return all.contains(word) ? Set.of(word) : all;
    }

    private Optional<Caution> caution(Cut cut, Source end) {
        List<Measure> measured = run.method().measured().stream()
                .filter(m -> meet(cut.by().channels(), of(m, end)))
                .toList();
        if (measured.isEmpty()) {
            return Optional.empty();
        }
        int number = run.method().indexOf(cut.station().step().id()) + 1;
        boolean brightness = measured.getFirst().group() == Measure.Group.SIGNAL;
        String signal = run.method().signal();
        String what = brightness
                ? "brightness is measured in " + signal
                : Words.title(measured.getFirst()).toLowerCase(Locale.ROOT) + " is measured";
        boolean same = brightness && cut.by().word().equals(signal);
        return Optional.of(new Caution(
                CautionKind.SAME_SIGNAL,
                "Step " + number + " parts by " + cut.by().word() + ", and " + what
                        + (same ? " too." : ", which is made of the same light."),
                "What was chosen for being bright, dark or of a colour will be found bright, dark or of that colour.",
                "Measure another channel, or report sizes and shares only."));
    }

    private static boolean meet(Set<String> one, Set<String> other) {
        Set<String> both = new HashSet<>(one);
        both.retainAll(other);
        return !both.isEmpty();
    }

    /** The channels that a measure reads. */
    private Set<String> of(Measure measure, Source end) {
        return switch (measure.group()) {
            case SIGNAL ->
                measure.dimension() != Dimension.SIGNAL
                        ? Set.of()
                        : run.method().signal().equals(State.PREPARED)
                                ? end.channels()
                                : madeOf(run.method().signal());
            case COLOUR ->
                !picture.isColour()
                        ? Set.of()
                        : switch (measure) {
                            case MEAN_RED -> Set.of(Channel.RED);
                            case MEAN_GREEN -> Set.of(Channel.GREEN);
                            case MEAN_BLUE -> Set.of(Channel.BLUE);
                            default -> all;
                        };
            default -> Set.of();
        };
    }
}
