package keentally.study.store;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import keentally.core.geometry.Point;
import keentally.core.hand.Correction;

/** One correction as a tree: its word with its points, x, y, x, y and so on. */
final class CorrectionText {
    private CorrectionText() {}

    static Map<String, Object> write(Correction correction) {
        Map<String, Object> tree = new LinkedHashMap<>();
        switch (correction) {
            case Correction.Join join -> tree.put("join", HandText.points(join.on()));
            case Correction.Cut cut -> tree.put("cut", HandText.points(cut.line()));
            case Correction.Drop drop -> tree.put("drop", HandText.points(drop.on()));
            case Correction.Restore restore -> tree.put("restore", HandText.points(restore.on()));
            case Correction.KeepOnly only -> tree.put("keep-only", HandText.points(only.on()));
            case Correction.Draw draw -> tree.put("draw", HandText.points(draw.outline()));
            case Correction.Sort sort -> {
                tree.put("sort", HandText.points(sort.on()));
                tree.put("as", sort.as());
            }
            case Correction.Erase erase -> {
                tree.put("erase", HandText.points(erase.path()));
                tree.put("width", erase.width());
            }
        }
        return tree;
    }

    /** @throws RuntimeException where the tree is not what {@link #write} writes */
    static Correction read(Map<?, ?> tree) {
        String word = (String) tree.keySet().iterator().next();
        List<Point> points = HandText.points((Object) tree.get(word));
        return switch (word) {
            case "join" -> new Correction.Join(points);
            case "cut" -> new Correction.Cut(points);
            case "drop" -> new Correction.Drop(points);
            case "restore" -> new Correction.Restore(points);
            case "keep-only" -> new Correction.KeepOnly(points);
            case "draw" -> new Correction.Draw(points);
            case "sort" -> new Correction.Sort(points, (String) tree.get("as"));
            case "erase" -> new Correction.Erase(points, ((Number) tree.get("width")).doubleValue());
            default -> throw new IllegalArgumentException("no correction is called " + word);
        };
    }
}
