package keentally.study.store;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import keentally.core.colour.Rgb;
import keentally.core.geometry.Point;
import keentally.core.hand.Brought;
import keentally.core.hand.ClassStroke;
import keentally.core.hand.ClassStrokes;
import keentally.core.hand.Correction;
import keentally.core.hand.Corrections;
import keentally.core.hand.Dab;
import keentally.core.hand.HandWork;
import keentally.core.hand.LabelRuns;
import keentally.core.hand.Mark;
import keentally.core.hand.Marks;
import keentally.core.hand.Painting;
import keentally.core.hand.Seeds;
import keentally.core.hand.Stroke;
import keentally.core.hand.Strokes;

/** Hand work as a tree of maps and lists; points as x, y, x, y and so on. */
public final class HandText {
    private HandText() {}

    public static Map<String, Object> write(HandWork work) {
        Map<String, Object> tree = new LinkedHashMap<>();
        switch (work) {
            case Brought brought -> {
                tree.put("brought", brought.runs().text());
                tree.put("width", brought.runs().width());
                tree.put("height", brought.runs().height());
                tree.put("classes", brought.classes());
                tree.put("origin", brought.origin());
            }
            case ClassStrokes strokes ->
                tree.put(
                        "classStrokes",
                        strokes.list().stream().map(HandText::classStroke).toList());
            case Corrections corrections ->
                tree.put(
                        "corrections",
                        corrections.list().stream().map(CorrectionText::write).toList());
            case Marks marks -> {
                tree.put("marks", points(marks.places()));
                tree.put("kinds", marks.list().stream().map(Mark::kind).toList());
                tree.put("seconds", marks.list().stream().map(Mark::second).toList());
            }
            case Painting painting ->
                tree.put("painting", painting.dabs().stream().map(HandText::dab).toList());
            case Seeds seeds -> tree.put("seeds", points(seeds.places()));
            case Strokes strokes ->
                tree.put(
                        "strokes",
                        strokes.taken().stream().map(HandText::stroke).toList());
        }
        return tree;
    }

    /** @throws RuntimeException where the tree is not what {@link #write} writes */
    public static HandWork read(Map<?, ?> tree) {
        if (tree.containsKey("brought")) {
            LabelRuns runs = LabelRuns.of(
                    ((Number) tree.get("width")).intValue(), ((Number) tree.get("height")).intValue(), (String)
                            tree.get("brought"));
            List<String> classes = ((List<?>) tree.get("classes"))
                    .stream().map(String.class::cast).toList();
            return new Brought(runs, classes, (String) tree.get("origin"));
        }
        if (tree.containsKey("seeds")) {
            return new Seeds(points(tree.get("seeds")));
        }
        if (tree.containsKey("strokes")) {
            return new Strokes(((List<?>) tree.get("strokes"))
                    .stream().map(s -> taken((Map<?, ?>) s)).toList());
        }
        if (tree.containsKey("classStrokes")) {
            return new ClassStrokes(((List<?>) tree.get("classStrokes"))
                    .stream().map(s -> classStroke((Map<?, ?>) s)).toList());
        }
        if (tree.containsKey("corrections")) {
            return new Corrections(((List<?>) tree.get("corrections"))
                    .stream().map(c -> CorrectionText.read((Map<?, ?>) c)).toList());
        }
        if (tree.containsKey("marks")) {
            return marks(tree);
        }
        if (tree.containsKey("painting")) {
            return new Painting(((List<?>) tree.get("painting"))
                    .stream().map(d -> dab((Map<?, ?>) d)).toList());
        }
        throw new IllegalArgumentException("no hand work is called " + tree.keySet());
    }

    /**
     * What is other than in {@code base}: so many parts at the beginning and at the end stay, and what is between them is replaced.
     * Whole where the two are of different kinds.
     */
    static Map<String, Object> write(HandWork work, HandWork base) {
        if (work.getClass() != base.getClass() || work instanceof Brought) {
            return write(work);
        }
        List<?> now = work.parts();
        List<?> before = base.parts();
        int most = Math.min(now.size(), before.size());
        int first = 0;
        while (first < most && now.get(first).equals(before.get(first))) {
            first++;
        }
        int last = 0;
        while (last < most - first && now.get(now.size() - 1 - last).equals(before.get(before.size() - 1 - last))) {
            last++;
        }
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("first", first);
        tree.put("last", last);
        tree.put("between", write(of(work, now.subList(first, now.size() - last))));
        return tree;
    }

    /** @throws RuntimeException where the tree is not what {@link #write(HandWork, HandWork)} writes */
    static HandWork read(Map<?, ?> tree, HandWork base) {
        if (!tree.containsKey("between")) {
            return read(tree);
        }
        List<?> before = base.parts();
        List<Object> parts = new ArrayList<>(before.subList(0, ((Number) tree.get("first")).intValue()));
        parts.addAll(read((Map<?, ?>) tree.get("between")).parts());
        parts.addAll(before.subList(before.size() - ((Number) tree.get("last")).intValue(), before.size()));
        return of(base, parts);
    }

    /** Hand work of the same kind with other parts. */
    @SuppressWarnings("unchecked") // parts of one kind of hand work come from work of that kind
    private static HandWork of(HandWork like, List<?> parts) {
        return switch (like) {
            case Brought b -> throw new IllegalArgumentException("what was brought in is whole");
            case ClassStrokes c -> new ClassStrokes((List<ClassStroke>) parts);
            case Corrections c -> new Corrections((List<Correction>) parts);
            case Marks m -> new Marks((List<Mark>) parts);
            case Painting p -> new Painting((List<Dab>) parts);
            case Seeds s -> new Seeds((List<Point>) parts);
            case Strokes s -> new Strokes((List<Strokes.StrokeSample>) parts);
        };
    }

    private static Marks marks(Map<?, ?> tree) {
        List<Point> places = points(tree.get("marks"));
        List<?> kinds = (List<?>) tree.get("kinds");
        List<?> seconds = (List<?>) tree.get("seconds");
        if (kinds.size() != places.size() || seconds.size() != places.size()) {
            throw new IllegalArgumentException("marks without a class or a time");
        }
        List<Mark> marks = new ArrayList<>();
        for (int i = 0; i < places.size(); i++) {
            marks.add(new Mark(places.get(i), (String) kinds.get(i), ((Number) seconds.get(i)).longValue()));
        }
        return new Marks(marks);
    }

    private static Map<String, Object> stroke(Strokes.StrokeSample taken) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("path", points(taken.stroke().path()));
        tree.put("of", taken.of());
        tree.put("loop", taken.stroke().loop());
        tree.put("unwanted", taken.stroke().unwanted());
        tree.put("colours", taken.colours().stream().map(Rgb::toString).toList());
        return tree;
    }

    private static Strokes.StrokeSample taken(Map<?, ?> tree) {
        Stroke stroke =
                new Stroke(points(tree.get("path")), (Boolean) tree.get("loop"), (Boolean) tree.get("unwanted"));
        List<Rgb> colours = ((List<?>) tree.get("colours"))
                .stream().map(c -> Rgb.of((String) c)).toList();
        return new Strokes.StrokeSample(stroke, ((Number) tree.get("of")).intValue(), colours);
    }

    private static Map<String, Object> classStroke(ClassStroke stroke) {
        Map<String, Object> tree = new LinkedHashMap<>();
        switch (stroke) {
            case ClassStroke.Brush brush -> {
                tree.put("path", points(brush.path()));
                tree.put("width", brush.width());
                tree.put("as", brush.as());
            }
            case ClassStroke.Painted painted -> {
                tree.put("painted", painted.runs().text());
                tree.put("width", painted.runs().width());
                tree.put("height", painted.runs().height());
                tree.put("classes", painted.classes());
                tree.put("origin", painted.origin());
            }
        }
        return tree;
    }

    private static ClassStroke classStroke(Map<?, ?> tree) {
        if (!tree.containsKey("painted")) {
            return new ClassStroke.Brush(
                    points(tree.get("path")), ((Number) tree.get("width")).doubleValue(), (String) tree.get("as"));
        }
        LabelRuns runs =
                LabelRuns.of(((Number) tree.get("width")).intValue(), ((Number) tree.get("height")).intValue(), (String)
                        tree.get("painted"));
        return new ClassStroke.Painted(
                runs,
                ((List<?>) tree.get("classes")).stream().map(String.class::cast).toList(),
                (String) tree.get("origin"));
    }

    private static Map<String, Object> dab(Dab dab) {
        Map<String, Object> tree = new LinkedHashMap<>();
        switch (dab) {
            case Dab.Brush brush -> {
                tree.put("brush", points(brush.path()));
                tree.put("width", brush.width());
            }
            case Dab.Outline outline -> tree.put("outline", points(outline.path()));
            case Dab.Fill fill -> tree.put("fill", points(List.of(fill.at())));
        }
        tree.put("adds", dab.adds());
        return tree;
    }

    private static Dab dab(Map<?, ?> tree) {
        boolean adds = (Boolean) tree.get("adds");
        if (tree.containsKey("brush")) {
            return new Dab.Brush(points(tree.get("brush")), ((Number) tree.get("width")).doubleValue(), adds);
        }
        return tree.containsKey("outline")
                ? new Dab.Outline(points(tree.get("outline")), adds)
                : new Dab.Fill(points(tree.get("fill")).getFirst(), adds);
    }

    static List<Double> points(List<Point> points) {
        List<Double> flat = new ArrayList<>();
        for (Point p : points) {
            flat.add(p.x());
            flat.add(p.y());
        }
        return flat;
    }

    static List<Point> points(Object tree) {
        List<?> flat = (List<?>) tree;
        List<Point> points = new ArrayList<>();
        for (int i = 0; i + 1 < flat.size(); i += 2) {
            points.add(new Point(((Number) flat.get(i)).doubleValue(), ((Number) flat.get(i + 1)).doubleValue()));
        }
        return points;
    }
}
