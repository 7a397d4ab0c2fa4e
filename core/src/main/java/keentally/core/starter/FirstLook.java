package keentally.core.starter;

import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import keentally.core.find.RoundField;
import keentally.core.geometry.Ellipse;
import keentally.core.step.State;
import keentally.core.work.Work;

/** A first look at a sample: the sample made small, and what was found on that, kept so that every question may use it. */
public final class FirstLook {
    /** Things smaller than this, in pixels of the small picture, are looked at again in larger pixels. */
    private static final double LEAST_ECD = 12;

    /** Of the radius of a round field, that its rim may take inwards. */
    private static final double INWARD = 0.012;

    private final State whole;
    private final Small small;
    private final Map<Way, Tried> tried = new IdentityHashMap<>();
    private Seen seen;
    private Optional<Optional<Ellipse>> rim = Optional.empty();

    private FirstLook(State whole, Small small) {
        this.whole = whole;
        this.small = small;
    }

    /** @param whole the sample before the first step */
    public static FirstLook at(State whole, Work work) {
        return new FirstLook(whole, Small.of(whole, work));
    }

    /**
     * The ways to count, and what they were tried on.
     *
     * @param ways the best first
     * @param on the sample made small, or a part of it where things are too small for that
     */
    record Seen(List<Way> ways, Small on) {}

    /** How many pixels of the sample, along a side, are one here; 1 where nothing was made small. */
    public int factor() {
        return small.factor();
    }

    State whole() {
        return whole;
    }

    Small small() {
        return small;
    }

    /** Worked out by whoever asks first. */
    synchronized Seen counting(Work work) {
        if (seen == null) {
            seen = look(work);
        }
        return seen;
    }

    /** A way on what it was tried on, which all questions that count share. */
    synchronized Tried tried(Way way, Small on) {
        return tried.computeIfAbsent(way, w -> new Tried(w.trail().lay(Trail.NOTHING), on));
    }

    /** Of the round field, on the small picture, just inside of it; empty where there is none. */
    synchronized Optional<Ellipse> rim(Work work) {
        if (rim.isEmpty()) {
            rim = Optional.of(RoundField.find(small.state().original(), work)
                    .flatMap(f -> f.inward(INWARD * f.rim().a())));
        }
        return rim.get();
    }

    /** Whether things are best counted in the round field alone: then it is what the picture is about. */
    boolean isAboutRoundField(Work work) {
        List<Way> ways = counting(work).ways();
        return !ways.isEmpty() && ways.getFirst().inRoundField();
    }

    private Seen look(Work work) {
        List<Way> ways = WaysToCount.of(small.state(), rim(work), work);
        double usual =
                ways.isEmpty() ? 0 : 2 * Math.sqrt(ways.getFirst().firmness().usual() / Math.PI);
        if (small.factor() == 1 || usual >= LEAST_ECD) {
            return new Seen(ways, small);
        }
        int finer = (int) Math.clamp(Math.floor(small.factor() * usual / LEAST_ECD), 1, small.factor() - 1);
        double cx =
                rim(work).map(r -> r.cx() * small.factor()).orElse(whole.field().width() / 2.0);
        double cy =
                rim(work).map(r -> r.cy() * small.factor()).orElse(whole.field().height() / 2.0);
        Small part = Small.middle(whole, finer, cx, cy, work);
        Optional<Ellipse> nearRim = rim(work).map(r -> part.here(r, small));
        return new Seen(WaysToCount.of(part.state(), nearRim, work), part);
    }
}
