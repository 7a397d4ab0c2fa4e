package keentally.desk.objects;

import java.nio.IntBuffer;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.IntConsumer;
import javafx.application.Platform;
import javafx.geometry.Orientation;
import javafx.scene.control.ScrollBar;
import javafx.scene.image.ImageView;
import javafx.scene.image.PixelBuffer;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import keentally.core.picture.Field;
import keentally.core.region.ObjectSet;
import keentally.core.region.Regions;
import keentally.core.view.Layers;
import keentally.core.view.Look;
import keentally.core.view.ObjectColours;
import keentally.core.view.Pyramid;
import keentally.core.view.StageComposer;
import keentally.core.view.Viewport;
import keentally.core.work.Work;
import keentally.desk.model.DeskModel;
import keentally.desk.model.Newest;

/** Pages of cut-outs; only those in sight are painted, however many there are. */
final class LineUpGrid extends Pane {
    private static final int SIDE = 70;
    private static final int GAP = 6;
    private static final double MARGIN = 1.5;
    private static final double MOST_ZOOM = 12;
    private static final double BAR = 12;

    /**
     * What is lined up.
     *
     * @param regions in their order, kept or not
     * @param values of the measure that orders them
     * @param sameScale whether all are enlarged alike
     */
    record Cuts(Pyramid ground, Field field, ObjectSet objects, int[] regions, double[] values, boolean sameScale) {}

    private final Newest painting;
    private final Runnable onMove;
    private final IntConsumer onChoose;
    private final ScrollBar bar = new ScrollBar();
    private final List<StackPane> cells = new ArrayList<>();
    private Optional<Cuts> cuts = Optional.empty();
    private ObjectColours colours;
    private Set<Integer> marked = Set.of();
    private int current = -1;
    private int top;

    /**
     * @param onMove told when another one is the current one
     * @param onChoose told the place of one that was chosen
     */
    LineUpGrid(DeskModel desk, Runnable onMove, IntConsumer onChoose) {
        this.painting = new Newest(desk, Platform::runLater);
        this.onMove = onMove;
        this.onChoose = onChoose;
        setId("line-up");
        getStyleClass().add("line-up");
        setMinHeight(SIDE + 2 * GAP);
        setFocusTraversable(true);
        bar.setOrientation(Orientation.VERTICAL);
        bar.valueProperty().addListener((o, was, is) -> scroll(is.intValue()));
        getChildren().add(bar);
        setOnScroll(e -> {
            scroll(top + (e.getDeltaY() > 0 ? -1 : 1));
            e.consume();
        });
        setOnMousePressed(e -> requestFocus());
        addEventHandler(KeyEvent.KEY_PRESSED, this::key);
        widthProperty().addListener(o -> lay());
        heightProperty().addListener(o -> lay());
    }

    /** The place of the current one; −1 for none. */
    int current() {
        return current;
    }

    void show(Optional<Cuts> next) {
        boolean sameObjects = next.isPresent()
                && cuts.isPresent()
                && next.get().objects() == cuts.get().objects();
        cuts = next;
        if (!sameObjects) {
            colours = null;
        }
        int most = count() - 1;
        current = Math.min(current, most);
        top = Math.clamp(top, 0, lastTop());
        lay();
    }

    private int count() {
        return cuts.map(c -> c.regions.length).orElse(0);
    }

    private int columns() {
        return Math.max(1, (int) ((getWidth() - BAR - GAP) / (SIDE + GAP)));
    }

    private int rows() {
        return Math.max(1, (int) ((getHeight() - GAP) / (SIDE + GAP)));
    }

    private int lastTop() {
        return Math.max(0, (count() + columns() - 1) / columns() - rows());
    }

    private void scroll(int row) {
        int to = Math.clamp(row, 0, lastTop());
        if (to != top) {
            top = to;
            bar.setValue(top);
            paint();
        }
    }

    /** Makes one the current one and brings it into view. */
    void goTo(int place) {
        if (place < 0 || place >= count()) {
            return;
        }
        current = place;
        int row = place / columns();
        scroll(row < top ? row : row >= top + rows() ? row - rows() + 1 : top);
        style();
        onMove.run();
    }

    /** Shows which of them are selected. */
    void mark(Set<Integer> regions) {
        marked = regions;
        style();
    }

    private void key(KeyEvent e) {
        int step = switch (e.getCode()) {
            case LEFT -> -1;
            case RIGHT -> 1;
            case UP -> -columns();
            case DOWN -> columns();
            case PAGE_UP -> -columns() * rows();
            case PAGE_DOWN -> columns() * rows();
            case HOME -> -count();
            case END -> count();
            default -> 0;
        };
        if (step != 0 && count() > 0) {
            choose(Math.clamp(current + step, 0, count() - 1));
            e.consume();
        }
    }

    private void choose(int place) {
        goTo(place);
        onChoose.accept(place);
    }

    /** As many cells as there is room for. */
    private void lay() {
        int wanted = count() == 0 ? 0 : columns() * rows();
        while (cells.size() < wanted) {
            StackPane cell = new StackPane(new ImageView());
            int index = cells.size();
            cell.setId("cut-" + index);
            cell.getStyleClass().setAll("cut");
            cell.setOnMouseClicked(e -> {
                int place = top * columns() + index;
                if (place < count()) {
                    choose(place);
                }
            });
            cells.add(cell);
            getChildren().add(cell);
        }
        while (cells.size() > wanted) {
            getChildren().remove(cells.removeLast());
        }
        for (int i = 0; i < cells.size(); i++) {
            int x = GAP + i % columns() * (SIDE + GAP);
            int y = GAP + i / columns() * (SIDE + GAP);
            cells.get(i).resizeRelocate(x, y, SIDE, SIDE);
        }
        bar.setVisible(lastTop() > 0);
        bar.setMax(lastTop());
        bar.setVisibleAmount(Math.max(1, (lastTop() + 1.0) * rows() / (lastTop() + rows())));
        bar.setUnitIncrement(1);
        bar.setBlockIncrement(rows());
        bar.setValue(top);
        bar.resizeRelocate(getWidth() - BAR, 0, BAR, getHeight());
        paint();
    }

    private void style() {
        for (int i = 0; i < cells.size(); i++) {
            int place = top * columns() + i;
            boolean there = cuts.isPresent() && place < count();
            Region cell = cells.get(i);
            cell.setVisible(there);
            List<String> styles = new ArrayList<>(List.of("cut"));
            if (there && marked.contains(cuts.get().regions[place])) {
                styles.add("cut-chosen");
            }
            if (there && !cuts.get().objects.isKept(cuts.get().regions[place])) {
                styles.add("cut-dropped");
            }
            cell.getStyleClass().setAll(styles);
        }
    }

    private void paint() {
        style();
        if (cuts.isEmpty() || cells.isEmpty()) {
            return;
        }
        Cuts of = cuts.get();
        int from = top * columns();
        int to = Math.min(of.regions.length, from + cells.size());
        ObjectColours known = colours;
        painting.ask(work -> {
            ObjectColours inks = known == null ? ObjectColours.of(of.objects) : known;
            double zoom = of.sameScale ? commonZoom(of) : 0;
            List<int[]> pictures = new ArrayList<>();
            for (int i = from; i < to; i++) {
                pictures.add(cut(of, of.regions[i], inks, zoom, work));
            }
            return () -> put(of, inks, from, pictures);
        });
    }

    private void put(Cuts of, ObjectColours inks, int from, List<int[]> pictures) {
        if (cuts.isEmpty() || cuts.get() != of || from != top * columns()) {
            return;
        }
        colours = inks;
        for (int i = 0; i < Math.min(pictures.size(), cells.size()); i++) {
            ((ImageView) cells.get(i).getChildren().getFirst())
                    .setImage(new WritableImage(new PixelBuffer<>(
                            SIDE - 6, SIDE - 6, IntBuffer.wrap(pictures.get(i)), PixelFormat.getIntArgbPreInstance())));
        }
        style();
    }

    /** So that the widest of the kept ones fits. */
    private static double commonZoom(Cuts of) {
        double widest = 1;
        for (int region : of.regions) {
            Regions.Box box = of.objects.regions().box(region);
            widest = Math.max(widest, Math.max(box.width(), box.height()));
        }
        return Math.min(MOST_ZOOM, SIDE / (widest * MARGIN));
    }

    private static int[] cut(Cuts of, int region, ObjectColours inks, double zoom, Work work) {
        Regions.Box box = of.objects.regions().box(region);
        int side = SIDE - 6;
        double own = Math.min(MOST_ZOOM, side / (Math.max(box.width(), box.height()) * MARGIN));
        Viewport view = Viewport.centred(
                (box.left() + box.right()) / 2.0, (box.top() + box.bottom()) / 2.0, zoom > 0 ? zoom : own, side, side);
        Layers layers = Layers.of(of.ground, of.field, new Look(Look.Overlay.OUTLINES, 0))
                .with(of.objects, inks);
        return StageComposer.compose(layers, view, work);
    }
}
