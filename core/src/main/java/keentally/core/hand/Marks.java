package keentally.core.hand;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import keentally.core.geometry.Point;

/** What one counter counted by hand on one sample, in the order in which it was clicked. */
public record Marks(List<Mark> list) implements HandWork {
    public static final Marks NONE = new Marks(List.of());

    public Marks {
        list = List.copyOf(list);
    }

    @Override
    public List<Mark> parts() {
        return list;
    }

    /** With one more at the end. */
    public Marks and(Mark mark) {
        List<Mark> more = new ArrayList<>(list);
        more.add(mark);
        return new Marks(more);
    }

    /** With another one in the place of one. */
    public Marks with(int index, Mark mark) {
        List<Mark> changed = new ArrayList<>(list);
        changed.set(index, mark);
        return new Marks(changed);
    }

    /** With one taken out. */
    public Marks without(int index) {
        List<Mark> fewer = new ArrayList<>(list);
        fewer.remove(index);
        return new Marks(fewer);
    }

    /** Those of one class alone. */
    public Marks ofKind(String kind) {
        return new Marks(list.stream().filter(m -> m.kind().equals(kind)).toList());
    }

    /** The one that is nearest to a place and at most so many pixels away; −1 for none. */
    public int nearest(Point at, double reach) {
        int best = -1;
        double least = reach;
        for (int i = list.size() - 1; i >= 0; i--) {
            double apart =
                    Math.hypot(list.get(i).at().x() - at.x(), list.get(i).at().y() - at.y());
            if (apart < least || apart == least && best < 0) {
                least = apart;
                best = i;
            }
        }
        return best;
    }

    /** How many of each class. */
    public Map<String, Integer> counts() {
        Map<String, Integer> counts = new TreeMap<>();
        list.forEach(m -> counts.merge(m.kind(), 1, Integer::sum));
        return counts;
    }

    /** The places alone. */
    public List<Point> places() {
        return list.stream().map(Mark::at).toList();
    }
}
