package keentally.core.hand;

import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;
import java.util.function.UnaryOperator;

/**
 * Examples of classes that were painted on one sample: what comes later lies over what came before. A model is learnt from them and stands in the
 * method; no run reads them.
 */
public record ClassStrokes(List<ClassStroke> list) implements HandWork {
    public static final ClassStrokes NONE = new ClassStrokes(List.of());

    public ClassStrokes {
        list = List.copyOf(list);
    }

    @Override
    public List<ClassStroke> parts() {
        return list;
    }

    /** With one more at the end. */
    public ClassStrokes and(ClassStroke next) {
        List<ClassStroke> more = new ArrayList<>(list);
        more.add(next);
        return new ClassStrokes(more);
    }

    /** The names of the classes that anything was painted as. */
    public TreeSet<String> names() {
        TreeSet<String> names = new TreeSet<>();
        for (ClassStroke stroke : list) {
            switch (stroke) {
                case ClassStroke.Brush brush -> names.add(brush.as());
                case ClassStroke.Painted painted -> names.addAll(painted.classes());
            }
        }
        names.remove("");
        return names;
    }

    /** How many strokes, or painted pictures, there are of a class. */
    public int count(String name) {
        return (int) list.stream()
                .filter(s -> switch (s) {
                    case ClassStroke.Brush brush -> brush.as().equals(name);
                    case ClassStroke.Painted painted -> painted.classes().contains(name);
                })
                .count();
    }

    /** With every class called otherwise; strokes of a class that is called nothing are gone. */
    public ClassStrokes renamed(UnaryOperator<String> name) {
        List<ClassStroke> changed = new ArrayList<>();
        for (ClassStroke stroke : list) {
            switch (stroke) {
                case ClassStroke.Brush brush when brush.as().isEmpty() -> changed.add(brush);
                case ClassStroke.Brush brush -> {
                    String as = name.apply(brush.as());
                    if (!as.isEmpty()) {
                        changed.add(new ClassStroke.Brush(brush.path(), brush.width(), as));
                    }
                }
                case ClassStroke.Painted painted ->
                    changed.add(new ClassStroke.Painted(
                            painted.runs(), painted.classes().stream().map(name).toList(), painted.origin()));
            }
        }
        return new ClassStrokes(changed);
    }
}
