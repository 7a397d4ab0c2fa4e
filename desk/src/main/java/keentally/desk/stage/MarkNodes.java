package keentally.desk.stage;

import java.util.List;
import javafx.scene.Node;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;
import javafx.scene.paint.Color;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Polyline;
import javafx.scene.shape.Shape;
import javafx.scene.shape.StrokeLineCap;
import javafx.scene.shape.StrokeLineJoin;
import keentally.core.colour.Rgb;
import keentally.core.geometry.Point;
import keentally.core.view.Viewport;

/** Lines and handles over the picture: dark below and light above, to be seen on any ground. */
public final class MarkNodes {
    private static final double HANDLE = 9;

    private final Pane over;
    private final Viewport view;

    /** Takes the place of what was marked before. @param over where the nodes lie */
    public MarkNodes(Pane over, Viewport view) {
        this.over = over;
        this.view = view;
        over.getChildren().clear();
    }

    /** @param style a class of the style sheet beside the usual ones */
    public void line(List<Point> points, String style) {
        add(new Polyline(flat(points)), "mark-under", style);
        add(new Polyline(flat(points)), "mark-over", style);
    }

    /** A closed line. @param style a class of the style sheet beside the usual ones */
    public void outline(List<Point> corners, String style) {
        add(new Polygon(flat(corners)), "mark-under", style);
        add(new Polygon(flat(corners)), "mark-over", style);
    }

    private void add(Shape shape, String layer, String style) {
        shape.getStyleClass().setAll(layer, style);
        add(shape);
    }

    /** A stroke as wide as a brush, with a dark rim. @param width in pixels of the picture */
    void brush(List<Point> path, double width) {
        brush(path, width * view.zoom() + 2, "mark-brush-rim");
        brush(path, width * view.zoom(), "mark-brush");
    }

    /** A stroke in a colour, with a dark rim. @param width in pixels of the picture */
    void paint(List<Point> path, double width, Rgb colour) {
        brush(path, width * view.zoom() + 2, "mark-brush-rim");
        brush(path, width * view.zoom(), "mark-paint")
                .setStroke(Color.rgb(colour.red(), colour.green(), colour.blue()));
    }

    /** A stroke that stays. @param inside whether it is whole; else dashed */
    void scribble(List<Point> path, double width, boolean inside) {
        brush(path, width * view.zoom() + 2, "mark-brush-rim");
        brush(path, width * view.zoom(), inside ? "mark-inside" : "mark-outside");
    }

    private Polyline brush(List<Point> path, double width, String style) {
        Polyline line = new Polyline(flat(path.size() > 1 ? path : List.of(path.getFirst(), path.getFirst())));
        line.getStyleClass().setAll(style);
        line.setStrokeWidth(width);
        line.setStrokeLineCap(StrokeLineCap.ROUND);
        line.setStrokeLineJoin(StrokeLineJoin.ROUND);
        add(line);
        return line;
    }

    private void add(Node node) {
        node.setManaged(false);
        node.setMouseTransparent(true);
        over.getChildren().add(node);
    }

    /** A point to be taken hold of. */
    public void handle(Point at, String style) {
        Region handle = new Region();
        handle.getStyleClass().setAll("handle", style);
        handle.resizeRelocate(view.windowX(at.x()) - HANDLE / 2, view.windowY(at.y()) - HANDLE / 2, HANDLE, HANDLE);
        add(handle);
    }

    private double[] flat(List<Point> points) {
        double[] flat = new double[2 * points.size()];
        for (int i = 0; i < points.size(); i++) {
            flat[2 * i] = view.windowX(points.get(i).x());
            flat[2 * i + 1] = view.windowY(points.get(i).y());
        }
        return flat;
    }
}
