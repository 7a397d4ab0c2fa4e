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
import keentally.core.agree.ObjectFates;
import keentally.core.run.Lanes.Urgency;
import keentally.core.view.Look;
import keentally.core.view.Viewport;
import keentally.core.words.Figures;
import keentally.desk.help.Topic;
import keentally.desk.help.Why;
import keentally.desk.look.Texts;
import keentally.desk.look.Tip;
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

    /** As they stand there: before the alternatives of a sample its picture alone. */
    private final List<TileView> laid = new ArrayList<>();

    private int columns = 1;
    private double tileWidth;
    private double tileHeight;
    private final TileWhy whys;
    private Optional<Viewport> view = Optional.empty();
    private double dragX;
    private double dragY;

    /** @param onTake the chosen tile is wanted */
    TrialGrid(DeskModel desk, StageModel stage, TrialModel model, Runnable onTake) {
        this.desk = desk;
        this.stage = stage;
        this.model = model;
        this.onTake = onTake;
        this.painter = new TilePainter(new Newest(desk, Platform::runLater, Urgency.ASKED));
        this.whys = new TileWhy(desk, model);
        Why.from(
                this,
                () -> model.chosen()
                        .get()
                        .flatMap(i -> Optional.ofNullable(views.get(i).of))
                        .flatMap(this::why));
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
        private final int index;
        private TrialModel.Tile of;
        private final ImageView picture = new ImageView();
        private int[] pixels;
        private final Label name = new Label();
        private final Label main = new Label();
        private final Label side = new Label();
        private final Label more = new Label();

        /** @param index of the tile in the model; below 0 for a picture alone, which cannot be taken */
        TileView(int index) {
            this.index = index;
            setId(index < 0 ? "tile-plain" : "tile-" + index);
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
            Why.from(this, () -> Optional.ofNullable(of).flatMap(TrialGrid.this::why));
            setOnMousePressed(e -> {
                TrialGrid.this.requestFocus();
                if (index >= 0) {
                    model.chosen().set(Optional.of(index));
                }
                dragX = e.getX();
                dragY = e.getY();
                e.consume();
            });
            setOnMouseDragged(this::pan);
            setOnMouseClicked(e -> {
                if (e.getClickCount() == 2 && index >= 0) {
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

        void empty() {
            of = null;
            put(null, Optional.empty());
        }

        /** Shows what was painted; nothing where there is nothing yet. @param through the window it was painted for */
        void put(Viewport through, Optional<int[]> painted) {
            if (painted.isPresent() && painted.get() == pixels) {
                return;
            }
            pixels = painted.orElse(null);
            picture.setImage(painted.map(p -> new WritableImage(new PixelBuffer<>(
                            through.width(), through.height(), IntBuffer.wrap(p), PixelFormat.getIntArgbPreInstance())))
                    .orElse(null));
        }

        void show(TrialModel.Tile tile) {
            of = tile;
            name.setText(tile.label());
            main.setText(main(tile));
            List<String> rest = rest(tile);
            side.setText(tile.fault().isEmpty() ? rest.getFirst() : "");
            String beside = String.join(" \u00b7 ", rest.subList(1, rest.size()));
            more.setText(
                    tile.fault().isEmpty()
                            ? learnt(tile)
                                    .or(() -> tile.changed().map(TrialGrid::fates))
                                    .orElse(beside)
                            : tile.fault());
            Tip.on(more, tile.fault());
            pseudoClassStateChanged(CURRENT, tile.current());
        }
    }

    private Optional<Topic> why(TrialModel.Tile tile) {
        TrialModel.Number which = model.number().get();
        return whys.of(tile, value -> figure(which, value));
    }

    /** What came of working its values out, where there was anything to do. */
    private static Optional<String> learnt(TrialModel.Tile tile) {
        return Optional.of(tile.variant().told()).filter(t -> !t.isEmpty());
    }

    /** What became of the objects; what did not happen is not told. */
    private static String fates(ChangedObjects changed) {
        ObjectFates f = changed.fates();
        List<String> told = new ArrayList<>();
        told(told, "fate.parted", f.parted().size());
        told(told, "fate.joined", f.joined().size());
        told(told, "fate.gone", f.gone().size());
        told(told, "fate.new", f.fresh().size());
        return told.isEmpty() ? Texts.of("trial.same-objects") : String.join(" \u00b7 ", told);
    }

    private static void told(List<String> told, String key, int n) {
        if (n > 0) {
            told.add(Texts.of(key, Figures.number(n)));
        }
    }

    private String main(TrialModel.Tile tile) {
        double value = tile.number(model.number().get());
        return tile.outcome().isEmpty() ? "" : figure(model.number().get(), value);
    }

    private String figure(TrialModel.Number which, double value) {
        return switch (which) {
            case SCORE -> Texts.of("trial.figure.score", Figures.percent(value));
            case SHARE -> Texts.of("trial.figure.percent", Figures.percent(value));
            case EXPLAINED -> Texts.of("trial.figure.explained", Figures.percent(value));
            case COUNT ->
                Double.isNaN(value) ? Figures.number(value) : Texts.of("trial.figure.count", Figures.number(value));
            case OWN -> Texts.of("trial.figure.own", model.name(which), Figures.number(value));
            case DIFFERS -> Texts.of("trial.figure.differs", Figures.percent(value));
        };
    }

    /** The numbers that are not the one the sheet is told by. */
    private List<String> rest(TrialModel.Tile tile) {
        if (tile.outcome().isEmpty()) {
            return List.of(tile.at().isEmpty() && tile.ready().isPresent() ? "" : Texts.of("trial.waiting"));
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
        if (tiles.isEmpty()) {
            return;
        }
        if (views.size() != tiles.size()) {
            views.clear();
            for (int i = 0; i < tiles.size(); i++) {
                views.add(new TileView(i));
            }
            laid.clear();
        }
        for (int i = 0; i < tiles.size(); i++) {
            views.get(i).show(tiles.get(i));
        }
        place(tiles);
        mark();
        if (view.isEmpty()) {
            layOut();
        } else {
            paint();
        }
    }

    /** Before the first tile of each sample stands its picture alone. */
    private void place(List<TrialModel.Tile> tiles) {
        List<TileView> next = new ArrayList<>();
        int plain = 0;
        List<TileView> known = laid.stream().filter(v -> v.index < 0).toList();
        for (int i = 0; i < tiles.size(); i++) {
            if (i == 0 || !tiles.get(i).sample().equals(tiles.get(i - 1).sample())) {
                TileView bare = plain < known.size() ? known.get(plain) : new TileView(-1);
                bare.show(tiles.get(i).plain());
                next.add(bare);
                plain++;
            }
            next.add(views.get(i));
        }
        if (!next.equals(laid)) {
            laid.clear();
            laid.addAll(next);
            pane.getChildren().setAll(laid);
            layOut();
        }
    }

    private void mark() {
        for (int i = 0; i < views.size(); i++) {
            views.get(i).pseudoClassStateChanged(CHOSEN, model.chosen().get().equals(Optional.of(i)));
        }
    }

    private boolean isEmpty() {
        return model.tiles().get().isEmpty();
    }

    /** As few columns as let all tiles be seen at once, where that can be. */
    private void layOut() {
        double width = getViewportBounds().getWidth();
        double height = getViewportBounds().getHeight();
        int n = laid.size();
        if (width < LEAST_WIDTH || height < CAPTION || n == 0 || isEmpty()) {
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
            laid.get(i).setMinSize(tileWidth, tileHeight);
            laid.get(i).setMaxSize(tileWidth, tileHeight);
            laid.get(i).setPrefSize(tileWidth, tileHeight);
            laid.get(i).relocate(x, y);
        }
        pane.setMinHeight(GAP + rows * (tileHeight + GAP));
        view = view.map(v -> v.resized((int) tileWidth - 2, (int) (tileHeight - CAPTION - 4)));
        if (view.isEmpty()) {
            begin();
        }
        paint();
    }

    /** Forgets where it looked, what it showed and what it painted; the empty tiles are there for the next time. */
    void reset() {
        painter.drop();
        painter = new TilePainter(new Newest(desk, Platform::runLater, Urgency.ASKED));
        view = Optional.empty();
        laid.forEach(TileView::empty);
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
                go(by);
            }
        }
        e.consume();
    }

    /** To the tile that stands so many places further; a picture alone is passed over. */
    private void go(int by) {
        int at = model.chosen().get().map(i -> laid.indexOf(views.get(i))).orElse(0);
        int to = at + by;
        if (to >= 0 && to < laid.size() && laid.get(to).index < 0) {
            to += Math.abs(by) > 1 ? 1 : by;
        }
        if (to >= 0 && to < laid.size()) {
            model.chosen().set(Optional.of(laid.get(to).index));
        }
    }

    private void paint() {
        if (view.isEmpty() || isEmpty()) {
            return;
        }
        TilePainter.TileLook look = new TilePainter.TileLook(
                view.get(),
                new Look(stage.overlay().get(), stage.strength().get()),
                new PhaseSeen(stage.phaseLook().get(), desk.phaseColours()),
                before());
        List<TileView> asked = List.copyOf(laid);
        painter.paint(asked.stream().map(v -> v.of).toList(), look, pictures -> {
            for (int i = 0; i < pictures.size(); i++) {
                asked.get(i).put(look.view(), pictures.get(i));
            }
        });
    }

    private Optional<TilePainter.Before> before() {
        return desk.open()
                .get()
                .flatMap(o -> desk.shown()
                        .get()
                        .map(s -> new TilePainter.Before(
                                desk.sampleId().get(),
                                o.pyramid(),
                                s.run().sample().field())));
    }
}
