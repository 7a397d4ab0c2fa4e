package keentally.desk.station;

import java.util.List;
import javafx.geometry.Bounds;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Polyline;
import keentally.core.method.Method;
import keentally.core.method.MethodStep;

/** Brackets under the cards of stations that work on a part by itself: from the one that opens it to the one that closes it. */
final class PartBrackets extends Pane {
    private static final double STEP = 5;
    private static final double TICK = 4;
    private static final double INSET = 6;

    /** Draws them anew for where the cards stand now. @param cards in the order of the line, the picture's first */
    void draw(Method method, List<StationCard> cards) {
        getChildren().clear();
        int deepest = 0;
        List<MethodStep> steps = method.steps();
        for (int i = 0; i < steps.size(); i++) {
            MethodStep step = steps.get(i);
            if (!method.opensPart(step)) {
                continue;
            }
            int depth = method.parts(step.id()).size();
            deepest = Math.max(deepest, depth);
            int last = i;
            while (last + 1 < steps.size()
                    && method.parts(steps.get(last + 1).id()).contains(step)) {
                last++;
            }
            boolean closed = method.closesPart(steps.get(last)) && last > i;
            if (last + 1 < cards.size()) {
                bracket(cards.get(i + 1), cards.get(last + 1), depth, closed);
            }
        }
        double height = deepest * STEP + (deepest > 0 ? 2 : 0);
        setMinHeight(height);
        setPrefHeight(height);
    }

    private void bracket(StationCard first, StationCard last, int depth, boolean closed) {
        Bounds from = first.getBoundsInParent();
        Bounds to = last.getBoundsInParent();
        double y = depth * STEP;
        Polyline line =
                new Polyline(from.getMinX() + INSET, y - TICK, from.getMinX() + INSET, y, to.getMaxX() - INSET, y);
        if (closed) {
            line.getPoints().addAll(to.getMaxX() - INSET, y - TICK);
        }
        line.getStyleClass().add("part-bracket");
        getChildren().add(line);
    }
}
