package keentally.core.hand;

import java.util.ArrayList;
import java.util.List;

/** What was corrected by hand among the objects of a sample, in the order it was done; empty where all was found right. */
public record Corrections(List<Correction> list) implements HandWork {
    public static final Corrections NONE = new Corrections(List.of());

    public Corrections {
        list = List.copyOf(list);
    }

    @Override
    public List<Correction> parts() {
        return list;
    }

    /** With one more at the end. */
    public Corrections and(Correction next) {
        List<Correction> more = new ArrayList<>(list);
        more.add(next);
        return new Corrections(more);
    }

    /** Without the one at an index, counted from 0. */
    public Corrections without(int index) {
        List<Correction> fewer = new ArrayList<>(list);
        fewer.remove(index);
        return new Corrections(fewer);
    }
}
