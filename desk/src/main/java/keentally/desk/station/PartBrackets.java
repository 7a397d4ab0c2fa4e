package keentally.desk.station;

import java.util.ArrayList;
import java.util.List;
import javafx.geometry.Bounds;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Polyline;
import keentally.core.method.Method;
import keentally.core.method.MethodStep;

/** Laid over the line: brackets at the foot of the cards of stations that work on a part by itself: from the one that opens it to the one that closes it. */
final class PartBrackets extends Pane {
    private static final double STEP = 4;
    private static final double TICK = 3;
    private static final double INSET = 6;

    private final List<Bracket> brackets = new ArrayList<>();

    /** @param depth 1 for one that lies in no other */
    private record Bracket(StationCard first, StationCard last, int depth, boolean closed, Polyline line) {
        /** Just below the cards; one that lies in another above that. */
        void lay() {
            Bounds from = first.getBoundsInParent();
            Bounds to = last.getBoundsInParent();
            double y = Math.max(from.getMaxY(), to.getMaxY()) + 1 - (depth - 1) * STEP;
            List<Double> points = new ArrayList<>(
                    List.of(from.getMinX() + INSET, y - TICK, from.getMinX() + INSET, y, to.getMaxX() - INSET, y));
            if (closed) {
                points.addAll(List.of(to.getMaxX() - INSET, y - TICK));
            }
            line.getPoints().setAll(points);
        }
    }

    /** The brackets of a method. @param cards in the order of the line, the picture's first; they may not be laid out yet */
    void show(Method method, List<StationCard> cards) {
        brackets.clear();
        List<MethodStep> steps = method.steps();
        for (int i = 0; i < steps.size() && i + 1 < cards.size(); i++) {
            MethodStep step = steps.get(i);
            if (method.opensPart(step)) {
                int last = i;
                while (last + 2 < cards.size()
                        && method.parts(steps.get(last + 1).id()).contains(step)) {
                    last++;
                }
                Polyline line = new Polyline();
                line.getStyleClass().add("part-bracket");
                line.setId("bracket-" + (i + 1));
                boolean closed = last > i && method.closesPart(steps.get(last));
                int depth = method.parts(step.id()).size();
                brackets.add(new Bracket(cards.get(i + 1), cards.get(last + 1), depth, closed, line));
            }
        }
        getChildren().setAll(brackets.stream().map(Bracket::line).toList());
        requestLayout();
    }

    /** Comes behind the line's own layout, when the cards stand where they belong. */
    @Override
    protected void layoutChildren() {
        brackets.forEach(Bracket::lay);
    }
}
