package keentally.core.step;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** What a step has to tell about what it did, in the order found. The headline is made from it. */
public final class Findings {
    public static final Findings NONE = new Findings(List.of());

    /** Names that are read elsewhere than in headlines. */
    public static final String CUT = "cut";

    public static final String CHOSEN = "chosen-percent";
    public static final String EXPLAINED = "explained-percent";
    public static final String CENTRES = "centres";
    public static final String OBJECTS = "objects";
    public static final String KEPT = "kept";
    public static final String ADDED = "added-px2";
    public static final String REMOVED = "removed-px2";
    /** Where regions begin to grow. */
    public static final String MARKERS = "markers";

    public static final String CORRECTIONS = "corrections";
    public static final String BY_HAND = "by-hand";
    public static final String TAKEN_AWAY = "taken-away";

    private final List<Finding> found;

    private Findings(List<Finding> found) {
        this.found = found;
    }

    /** With one more at the end. */
    public Findings with(Finding finding) {
        List<Finding> more = new ArrayList<>(found);
        more.add(finding);
        return new Findings(List.copyOf(more));
    }

    /** With a number of things. */
    public Findings count(String name, long counted) {
        return with(new Finding.Count(name, counted));
    }

    /** With a share, in per cent. */
    public Findings percent(String name, double percent) {
        return with(new Finding.Percent(name, percent));
    }

    /** With an area in px²; it is shown in the unit of the results. */
    public Findings area(String name, double px2) {
        return with(new Finding.Area(name, px2));
    }

    /** With a length in px; it is shown in the unit of the results. */
    public Findings distance(String name, double px) {
        return with(new Finding.Distance(name, px));
    }

    /** With a grey value at which something was cut. */
    public Findings cut(String name, double at) {
        return with(new Finding.Cut(name, at));
    }

    /** What was done by hand and does not fit any more, where there is any. */
    public Findings unfit(List<Integer> done) {
        return done.isEmpty() ? this : with(new Finding.Unfit(done));
    }

    /** The first that goes by a name, as a number. */
    public OptionalDouble find(String name) {
        return found.stream()
                .filter(f -> f.name().equals(name))
                .mapToDouble(Finding::value)
                .findFirst();
    }

    /** Where the step cut, from low to high; none where it does not cut. */
    public List<Double> cuts() {
        return found.stream()
                .filter(Finding.Cut.class::isInstance)
                .map(Finding::value)
                .toList();
    }

    /** Where something lies that goes by a name; nothing where the step tells none. */
    public List<List<Double>> places(String name) {
        return found.stream()
                .filter(f -> f.name().equals(name))
                .flatMap(f -> f instanceof Finding.Places p ? p.places().stream() : Stream.empty())
                .toList();
    }

    /** Where regions began to grow; nothing where the step grows none. */
    public Optional<Finding.Marks> markers() {
        return found.stream()
                .flatMap(f -> f instanceof Finding.Marks m ? Stream.of(m) : Stream.empty())
                .findFirst();
    }

    /** Which of the things done by hand change nothing any more, from 0. */
    public Set<Integer> unfit() {
        return found.stream()
                .flatMap(f -> f instanceof Finding.Unfit u ? u.done().stream() : Stream.empty())
                .collect(Collectors.toUnmodifiableSet());
    }

    public List<Finding> all() {
        return found;
    }

    @Override
    public String toString() {
        return found.toString();
    }
}
