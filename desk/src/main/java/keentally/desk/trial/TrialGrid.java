package keentally.desk.trial;

import java.nio.IntBuffer;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import javafx.application.Platform;
import javafx.css.PseudoClass;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.Tooltip;
import javafx.scene.image.ImageView;
import javafx.scene.image.PixelBuffer;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.input.ScrollEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import keentally.core.view.Look;
import keentally.core.view.Viewport;
import keentally.core.words.Figures;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.desk.model.Newest;
import keentally.desk.stage.PhaseSeen;
import keentally.desk.stage.StageModel;

/** The tiles of a trial sheet: the same crop of the picture under each alternative, zooming and panning together. */
final class TrialGrid extends ScrollPane {
    private static final PseudoClass CHOSEN = PseudoClass.getPseudoClass("chosen");
    private static final PseudoClass CURRENT = PseudoClass.getPseudoClass("current");
    private static final double GAP = 8;
    private static final double CAPTION = 54;
    private static final double LEAST_WIDTH = 132;
    private static final double WHEEL_STEP = 1.2;
    private static final int MOST_COLUMNS = 6;

    private final DeskModel desk;
    private final StageModel stage;
    private final TrialModel model;
    private final Runnable onTake;
    private TilePainter painter;
    private final Pane pane = new Pane();
    private final List<TileView> views = new ArrayList<>();
    private int columns = 1;
    private double tileWidth;
    private double tileHeight;
    private Optional<Viewport> view = Optional.empty();
    private double dragX;
    private double dragY;

    /** @param onTake the chosen tile is wanted */
    TrialGrid(DeskModel desk, StageModel stage, TrialModel model, Runnable onTake) {
        this.desk = desk;
        this.stage = stage;
        this.model = model;
        this.onTake = onTake;
        this.painter = new TilePainter(new Newest(desk, Platform::runLater));
        setId("trial-grid");
        getStyleClass().add("trial-grid");
        setContent(pane);
        setFitToWidth(true);
        setHbarPolicy(ScrollBarPolicy.NEVER);
        setFocusTraversable(true);
        model.tiles().addListener(o -> show());
        model.chosen().addListener(o -> mark());
        model.number().addListener(o -> show());
        viewportBoundsProperty().addListener((o, was, is) -> {
            boolean same = was.getWidth() == is.getWidth() && was.getHeight() == is.getHeight();
            if (!same) {
                layOut();
            }
        });
        stage.overlay().addListener(o -> paint());
        stage.phaseLook().addListener(o -> paint());
        addEventFilter(ScrollEvent.SCROLL, this::zoom);
        addEventFilter(KeyEvent.KEY_PRESSED, this::key);
    }

    /** One tile: its picture, what was tried, and its numbers. */
    private final class TileView extends VBox {
        private final ImageView picture = new ImageView();
        private final Label name = new Label();
        private final Label main = new Label();
        private final Label side = new Label();
        private final Label more = new Label();

        TileView(int index) {
            setId("tile-" + index);
            getStyleClass().add("tile");
            StackPane frame = new StackPane(picture);
            frame.getStyleClass().add("thumb");
            VBox.setVgrow(frame, Priority.ALWAYS);
            name.getStyleClass().add("tile-name");
            main.getStyleClass().addAll("tile-number", "figure");
            main.setMinWidth(Region.USE_PREF_SIZE);
            more.getStyleClass().addAll("hint", "figure");
            side.getStyleClass().addAll("hint", "figure");
            Region gap = new Region();
            HBox.setHgrow(gap, Priority.ALWAYS);
            HBox numbers = new HBox(main, gap, side);
            numbers.getStyleClass().add("tile-head");
            getChildren().addAll(frame, name, numbers, more);
            setOnMousePressed(e -> {
                TrialGrid.this.requestFocus();
                model.chosen().set(Optional.of(index));
                dragX = e.getX();
                dragY = e.getY();
                e.consume();
            });
            setOnMouseDragged(this::pan);
            setOnMouseClicked(e -> {
                if (e.getClickCount() == 2) {
                    onTake.run();
                }
            });
        }

        private void pan(MouseEvent e) {
            double dx = e.getX() - dragX;
            double dy = e.getY() - dragY;
            dragX = e.getX();
            dragY = e.getY();
            look(v -> v.moved(dx, dy));
            e.consume();
        }

        void show(TrialModel.Tile tile) {
            name.setText(tile.label());
            main.setText(main(tile));
            List<String> rest = rest(tile);
            side.setText(tile.fault().isEmpty() ? rest.getFirst() : "");
            more.setText(tile.fault().isEmpty() ? String.join(" \u00b7 ", rest.subList(1, rest.size())) : tile.fault());
            more.setTooltip(tile.fault().isEmpty() ? null : new Tooltip(tile.fault()));
            pseudoClassStateChanged(CURRENT, tile.current());
        }
    }

    private String main(TrialModel.Tile tile) {
        double value = tile.number(model.number().get());
        return tile.outcome().isEmpty() ? "" : figure(model.number().get(), value);
    }

    private static String figure(TrialModel.Number which, double value) {
        return switch (which) {
            case SHARE -> Texts.of("trial.figure.percent", Figures.percent(value));
            case EXPLAINED -> Texts.of("trial.figure.explained", Figures.percent(value));
            case COUNT ->
                Double.isNaN(value) ? Figures.number(value) : Texts.of("trial.figure.count", Figures.number(value));
            case DIFFERS -> Texts.of("trial.figure.differs", Figures.percent(value));
        };
    }

    /** The numbers that are not the one the sheet is told by. */
    private List<String> rest(TrialModel.Tile tile) {
        if (tile.outcome().isEmpty()) {
            return List.of(Texts.of("trial.waiting"));
        }
        List<String> parts = new ArrayList<>();
        if (model.wish().get().samples().size() > 1) {
            parts.add(
                    desk.study().get().sample(tile.sample()).map(s -> s.name()).orElse(""));
        }
        for (TrialModel.Number which : TrialModel.Number.values()) {
            double value = tile.number(which);
            if (which != model.number().get() && !Double.isNaN(value)) {
                parts.add(
                        which == TrialModel.Number.DIFFERS && tile.current()
                                ? Texts.of("trial.current")
                                : figure(which, value));
            }
        }
        return parts.isEmpty() ? List.of("") : parts;
    }

    private void show() {
        List<TrialModel.Tile> tiles = model.tiles().get();
        if (views.size() != tiles.size()) {
            views.clear();
            for (int i = 0; i < tiles.size(); i++) {
                views.add(new TileView(i));
            }
            pane.getChildren().setAll(views);
            layOut();
        }
        for (int i = 0; i < tiles.size(); i++) {
            views.get(i).show(tiles.get(i));
        }
        mark();
        paint();
    }

    private void mark() {
        for (int i = 0; i < views.size(); i++) {
            views.get(i).pseudoClassStateChanged(CHOSEN, model.chosen().get().equals(Optional.of(i)));
        }
    }

    /** As few columns as let all tiles be seen at once, where that can be. */
    private void layOut() {
        double width = getViewportBounds().getWidth();
        double height = getViewportBounds().getHeight();
        int n = views.size();
        if (width < LEAST_WIDTH || height < CAPTION || n == 0) {
            return;
        }
        columns = 1;
        double best = 0;
        for (int c = 1; c <= MOST_COLUMNS && c <= Math.max(1, n); c++) {
            double w = (width - GAP * (c + 1)) / c;
            int rows = (n + c - 1) / c;
            double h = Math.max(110, (height - GAP * (rows + 1)) / rows) - CAPTION;
            double seen = Math.min(w, h * 1.35) - (rows * 150 > height ? 60 : 0);
            if (w >= LEAST_WIDTH && seen > best) {
                best = seen;
                columns = c;
            }
        }
        int rows = (n + columns - 1) / columns;
        tileWidth = Math.floor((width - GAP * (columns + 1)) / columns);
        tileHeight = Math.floor(Math.max(150, (height - GAP * (rows + 1)) / rows));
        for (int i = 0; i < n; i++) {
            double x = GAP + i % columns * (tileWidth + GAP);
            double y = GAP + i / columns * (tileHeight + GAP);
            views.get(i).setMinSize(tileWidth, tileHeight);
            views.get(i).setMaxSize(tileWidth, tileHeight);
            views.get(i).setPrefSize(tileWidth, tileHeight);
            views.get(i).relocate(x, y);
        }
        pane.setMinHeight(GAP + rows * (tileHeight + GAP));
        view = view.map(v -> v.resized((int) tileWidth - 2, (int) (tileHeight - CAPTION - 4)));
        if (view.isEmpty()) {
            begin();
        }
        paint();
    }

    /** Forgets where it looked, and what it painted. */
    void reset() {
        painter = new TilePainter(new Newest(desk, Platform::runLater));
        view = Optional.empty();
        views.clear();
        pane.getChildren().clear();
    }

    /** The middle of what the stage shows, near enough to see what changes. */
    private void begin() {
        int width = (int) tileWidth - 2;
        int height = (int) (tileHeight - CAPTION - 4);
        desk.open().get().ifPresent(o -> {
            double pictureWidth = o.pyramid().width();
            double pictureHeight = o.pyramid().height();
            Viewport seen = stage.view()
                    .get()
                    .orElseGet(() -> Viewport.fit((int) pictureWidth, (int) pictureHeight, width, height));
            double fill = Math.max(width / pictureWidth, height / pictureHeight);
            double zoom = Math.max(fill, Math.min(seen.zoom(), fill * 2.2));
            double x = stage.fitted().get() ? pictureWidth / 2 : seen.pictureX(seen.width() / 2.0);
            double y = stage.fitted().get() ? pictureHeight / 2 : seen.pictureY(seen.height() / 2.0);
            view = Optional.of(
                    Viewport.centred(x, y, zoom, width, height).held((int) pictureWidth, (int) pictureHeight));
        });
    }

    private void look(UnaryOperator<Viewport> how) {
        desk.open()
                .get()
                .ifPresent(o -> view = view.map(how)
                        .map(v -> v.held(o.pyramid().width(), o.pyramid().height())));
        paint();
    }

    private void zoom(ScrollEvent e) {
        if (e.getDeltaY() != 0 && !e.isShiftDown()) {
            double factor = e.getDeltaY() > 0 ? WHEEL_STEP : 1 / WHEEL_STEP;
            look(v -> v.zoomedAt(v.width() / 2.0, v.height() / 2.0, factor));
            e.consume();
        }
    }

    private void key(KeyEvent e) {
        int by = switch (e.getCode()) {
            case LEFT -> -1;
            case RIGHT -> 1;
            case UP -> -columns;
            case DOWN -> columns;
            default -> 0;
        };
        switch (e.getCode()) {
            case ENTER -> onTake.run();
            case PLUS, ADD, EQUALS -> look(v -> v.zoomedAt(v.width() / 2.0, v.height() / 2.0, WHEEL_STEP));
            case MINUS, SUBTRACT -> look(v -> v.zoomedAt(v.width() / 2.0, v.height() / 2.0, 1 / WHEEL_STEP));
            default -> {
                if (by == 0) {
                    return;
                }
                int to = model.chosen().get().orElse(0) + by;
                if (to >= 0 && to < views.size()) {
                    model.chosen().set(Optional.of(to));
                }
            }
        }
        e.consume();
    }

    private void paint() {
        if (view.isEmpty() || views.isEmpty()) {
            return;
        }
        TilePainter.TileLook look = new TilePainter.TileLook(
                view.get(),
                new Look(stage.overlay().get(), stage.strength().get()),
                new PhaseSeen(stage.phaseLook().get(), desk.phaseColours()));
        painter.paint(model.tiles().get(), look, pictures -> {
            for (int i = 0; i < Math.min(pictures.size(), views.size()); i++) {
                int index = i;
                pictures.get(i).ifPresent(pixels -> put(views.get(index), look.view(), pixels));
            }
        });
    }

    private static void put(TileView tile, Viewport view, int[] pixels) {
        tile.picture.setImage(new WritableImage(new PixelBuffer<>(
                view.width(), view.height(), IntBuffer.wrap(pixels), PixelFormat.getIntArgbPreInstance())));
    }
}
