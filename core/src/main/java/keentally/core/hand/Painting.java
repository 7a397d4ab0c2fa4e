package keentally.core.hand;

import java.util.ArrayList;
import java.util.List;

/** What was painted on the mask of a sample, in the order it was done; empty where nothing had to be. */
public record Painting(List<Dab> dabs) implements HandWork {
    public static final Painting NONE = new Painting(List.of());

    public Painting {
        dabs = List.copyOf(dabs);
    }

    @Override
    public List<Dab> parts() {
        return dabs;
    }

    /** With one more at the end. */
    public Painting and(Dab next) {
        List<Dab> more = new ArrayList<>(dabs);
        more.add(next);
        return new Painting(more);
    }

    /** Without the one at an index, counted from 0. */
    public Painting without(int index) {
        List<Dab> fewer = new ArrayList<>(dabs);
        fewer.remove(index);
        return new Painting(fewer);
    }
}
