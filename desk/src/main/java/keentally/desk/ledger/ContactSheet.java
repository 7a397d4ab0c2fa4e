package keentally.desk.ledger;

import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.application.Platform;
import javafx.geometry.Orientation;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.control.ScrollBar;
import javafx.scene.image.Image;
import javafx.scene.layout.Region;
import javafx.scene.paint.Color;
import javafx.scene.text.Font;
import keentally.desk.look.PlotImages;
import keentally.study.series.LedgerEntry;

/** All samples with their outlines on one sheet, as large as a person wants them; only what is seen is drawn. */
final class ContactSheet extends Region {
    private static final double LEAST = 60;
    private static final double MOST = 420;
    private static final double GAP = 10;
    private static final double LINE = 18;

    private final Thumbnails thumbnails;
    private final Canvas canvas = new Canvas();
    private final ScrollBar bar = new ScrollBar();
    private List<LedgerEntry> entries = List.of();
    private Function<LedgerEntry, String> number = e -> "";
    private int tile = 170;
    private boolean waiting;

    /** @param open what to do with the sample that is clicked */
    ContactSheet(Thumbnails thumbnails, Consumer<LedgerEntry> open) {
        this.thumbnails = thumbnails;
        setId("contact-sheet");
        getStyleClass().add("contact-sheet");
        bar.setOrientation(Orientation.VERTICAL);
        getChildren().addAll(canvas, bar);
        bar.valueProperty().addListener(o -> draw());
        setOnScroll(e -> {
            if (e.isControlDown()) {
                zoom(e.getDeltaY() > 0 ? 1.15 : 1 / 1.15);
            } else {
                bar.setValue(Math.clamp(bar.getValue() - e.getDeltaY(), 0, bar.getMax()));
            }
            e.consume();
        });
        setOnMouseClicked(e -> {
            if (e.getClickCount() == 2) {
                at(e.getX(), e.getY()).ifPresent(open);
            }
        });
    }

    /** @param number what is told below each sample's name */
    void show(List<LedgerEntry> inOrder, Function<LedgerEntry, String> told) {
        entries = inOrder;
        number = told;
        requestLayout();
        draw();
    }

    /** Larger or smaller tiles. */
    void zoom(double factor) {
        tile = (int) Math.round(Math.clamp(tile * factor, LEAST, MOST));
        requestLayout();
        draw();
    }

    private double high() {
        return tile * 0.75 + 2 * LINE;
    }

    private int columns() {
        return Math.max(1, (int) ((getWidth() - bar.prefWidth(-1) - GAP) / (tile + GAP)));
    }

    private Optional<LedgerEntry> at(double x, double y) {
        int column = (int) ((x - GAP) / (tile + GAP));
        int row = (int) ((y + bar.getValue() - GAP) / (high() + GAP));
        int index = row * columns() + column;
        return x < GAP || column >= columns() || index >= entries.size() || index < 0
                ? Optional.empty()
                : Optional.of(entries.get(index));
    }

    @Override
    protected void layoutChildren() {
        double wide = bar.prefWidth(-1);
        canvas.setWidth(Math.max(0, getWidth() - wide));
        canvas.setHeight(getHeight());
        bar.resizeRelocate(getWidth() - wide, 0, wide, getHeight());
        int rows = (entries.size() + columns() - 1) / columns();
        double all = GAP + rows * (high() + GAP);
        bar.setMax(Math.max(0, all - getHeight()));
        bar.setVisibleAmount(all == 0 ? 0 : bar.getMax() * Math.min(1, getHeight() / all));
        bar.setUnitIncrement(high() / 2);
        bar.setBlockIncrement(getHeight());
        bar.setValue(Math.clamp(bar.getValue(), 0, bar.getMax()));
        draw();
    }

    private void draw() {
        GraphicsContext pen = canvas.getGraphicsContext2D();
        pen.clearRect(0, 0, canvas.getWidth(), canvas.getHeight());
        pen.setFont(Font.font("Inter", 11));
        int columns = columns();
        int first = Math.max(0, (int) ((bar.getValue() - GAP) / (high() + GAP))) * columns;
        for (int i = first; i < entries.size(); i++) {
            double x = GAP + i % columns * (tile + GAP);
            double y = GAP + (double) (i / columns) * (high() + GAP) - bar.getValue();
            if (y > canvas.getHeight()) {
                break;
            }
            tile(pen, entries.get(i), x, y);
        }
    }

    private void tile(GraphicsContext pen, LedgerEntry entry, double x, double y) {
        pen.setFill(Color.web("#6F7173"));
        pen.fillRect(x, y, tile, tile * 0.75);
        if (entry.row().isPresent()) {
            boolean[] now = {true};
            thumbnails.of(entry, tile, image -> {
                if (now[0]) {
                    fitted(pen, image, x, y);
                } else {
                    later();
                }
            });
            now[0] = false;
        }
        pen.setFill(entry.counts() ? ink() : trouble());
        pen.fillText(entry.thing().name(), x, y + tile * 0.75 + LINE - 5, tile);
        pen.setFill(ink());
        pen.fillText(number.apply(entry), x, y + tile * 0.75 + 2 * LINE - 6, tile);
    }

    private Color ink() {
        return Color.web(PlotImages.isDark(getScene()) ? "#E8E6E1" : "#1E2730");
    }

    /** Of what does not count. */
    private Color trouble() {
        return Color.web(PlotImages.isDark(getScene()) ? "#E0A93A" : "#8A5A00");
    }

    private void fitted(GraphicsContext pen, Image image, double x, double y) {
        double zoom = Math.min(1, Math.min(tile / image.getWidth(), tile * 0.75 / image.getHeight()));
        double w = image.getWidth() * zoom;
        double h = image.getHeight() * zoom;
        pen.drawImage(image, Math.rint(x + (tile - w) / 2), Math.rint(y + (tile * 0.75 - h) / 2), w, h);
    }

    /** Many thumbnails come at once; the sheet is drawn again when they are there. */
    private void later() {
        if (!waiting) {
            waiting = true;
            Platform.runLater(() -> {
                waiting = false;
                draw();
            });
        }
    }
}
