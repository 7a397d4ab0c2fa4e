package keentally.desk.objects;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.Cursor;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.image.ImageView;
import javafx.scene.image.WritableImage;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.util.StringConverter;
import keentally.core.measure.Measure;
import keentally.core.view.Look;
import keentally.core.view.MeasureInks;
import keentally.core.words.Figures;
import keentally.core.words.Words;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.desk.stage.StageModel;
import keentally.study.run.SampleRun;

/** On the stage while objects are filled: what by, and the colours of its values, whose ends are dragged. */
public final class FillLegend extends VBox {
    private static final double WIDE = 220;
    private static final double TALL = 14;
    private static final double GRIP = 8;

    private final FillModel fill;
    private final StageModel stage;
    private final DeskModel desk;
    private final ComboBox<By> by = new ComboBox<>();
    private final Pane ramp = new Pane();
    private final ImageView colours = new ImageView(colours());
    private final Region[] grips = {new Region(), new Region()};
    private final Label[] ends = {new Label(), new Label()};
    private final Label same = Prose.of("", "hint");
    private int held = -1;

    /** What objects are filled by. */
    private record By(String key, Optional<Measure> measure) {}

    private static final By APART = new By("fill.apart", Optional.empty());
    private static final By MEAN = new By("fill.mean", Optional.empty());

    public FillLegend(DeskModel desk, StageModel stage, FillModel fill) {
        this.desk = desk;
        this.fill = fill;
        this.stage = stage;
        setId("fill-legend");
        getStyleClass().add("fill-legend");
        setMaxSize(USE_PREF_SIZE, USE_PREF_SIZE);
        choices();
        colours.setFitWidth(WIDE);
        colours.setFitHeight(TALL);
        colours.setMouseTransparent(true);
        ramp.setId("fill-ramp");
        ramp.setMinSize(WIDE, TALL);
        ramp.setPrefSize(WIDE, TALL + 20);
        ramp.setCursor(Cursor.H_RESIZE);
        ramp.getChildren().add(colours);
        for (int end = 0; end < 2; end++) {
            grips[end].getStyleClass().add("fill-grip");
            grips[end].setMouseTransparent(true);
            ends[end].getStyleClass().addAll("figure", "fill-end");
            ends[end].setId(end == 0 ? "fill-from" : "fill-to");
            ends[end].setMouseTransparent(true);
            grips[end].setManaged(false);
            ends[end].setManaged(false);
            ramp.getChildren().addAll(grips[end], ends[end]);
        }
        ramp.setOnMousePressed(this::pressed);
        ramp.setOnMouseDragged(this::dragged);
        ramp.setOnMouseReleased(e -> held = -1);
        same.setId("fill-same");
        getChildren().addAll(by, ramp, same);
        stage.overlay().addListener(o -> refresh());
        stage.fill().addListener(o -> refresh());
        stage.meanFill().addListener(o -> refresh());
        desk.shown().addListener(o -> refresh());
        fill.extent().addListener(o -> refresh());
        refresh();
    }

    private void choices() {
        List<By> all = new ArrayList<>(List.of(APART, MEAN));
        Measure.grouped().forEach(m -> all.add(new By("", Optional.of(m))));
        by.setId("fill-by");
        by.getItems().setAll(all);
        by.setVisibleRowCount(14);
        by.setConverter(new StringConverter<>() {
            @Override
            public String toString(By what) {
                return what == null
                        ? ""
                        : what.measure().map(m -> Words.title(m, desk.unit())).orElseGet(() -> Texts.of(what.key()));
            }

            @Override
            public By fromString(String text) {
                throw new UnsupportedOperationException("measures are chosen, not typed");
            }
        });
        by.setValue(APART);
        by.setOnAction(e -> {
            By chosen = by.getValue();
            stage.meanFill().set(chosen == MEAN);
            fill.measure().set(chosen.measure());
        });
    }

    private static WritableImage colours() {
        WritableImage image = new WritableImage((int) WIDE, (int) TALL);
        for (int x = 0; x < WIDE; x++) {
            for (int y = 0; y < TALL; y++) {
                image.getPixelWriter().setArgb(x, y, MeasureInks.at(x / (WIDE - 1)));
            }
        }
        return image;
    }

    private Optional<FillModel.Extent> now() {
        return stage.fill().get().map(f -> new FillModel.Extent(f.from(), f.to()));
    }

    /** The ramp spans all values; its colours lie between the two grips. */
    private double place(double value, FillModel.Extent all) {
        return WIDE * Math.clamp((value - all.least()) / (all.most() - all.least()), 0, 1);
    }

    private void pressed(MouseEvent e) {
        Optional<FillModel.Extent> all = fill.extent().get().filter(x -> !x.isOne());
        if (all.isEmpty() || now().isEmpty()) {
            return;
        }
        double from = place(now().get().least(), all.get());
        double to = place(now().get().most(), all.get());
        held = Math.abs(e.getX() - from) < Math.abs(e.getX() - to) ? 0 : 1;
        dragged(e);
    }

    private void dragged(MouseEvent e) {
        Optional<FillModel.Extent> all = fill.extent().get();
        if (held < 0 || all.isEmpty()) {
            return;
        }
        double span = all.get().most() - all.get().least();
        double value = all.get().least() + span * Math.clamp(e.getX() / WIDE, 0, 1);
        FillModel.Extent before = now().orElseThrow();
        double least = span / 200;
        if (held == 0) {
            fill.range(Math.min(value, before.most() - least), before.most());
        } else {
            fill.range(before.least(), Math.max(value, before.least() + least));
        }
    }

    private void refresh() {
        boolean seen = stage.overlay().get() == Look.Overlay.FILL
                && desk.shown().get().flatMap(SampleRun::objects).isPresent();
        setVisible(seen);
        By wanted = fill.measure()
                .get()
                .map(m -> new By("", Optional.of(m)))
                .orElse(stage.meanFill().get() ? MEAN : APART);
        if (!wanted.equals(by.getValue())) {
            by.setValue(wanted);
        }
        Optional<FillModel.Extent> all = fill.extent().get();
        boolean ramped = all.isPresent() && !all.get().isOne();
        ramp.setVisible(ramped);
        ramp.setManaged(ramped);
        same.setText(
                all.isPresent() && all.get().isOne()
                        ? Texts.of("fill.same", Figures.number(all.get().least()))
                        : fill.measure().get().isPresent() && all.isEmpty() ? Texts.of("fill.none") : "");
        same.setVisible(!same.getText().isEmpty());
        same.setManaged(same.isVisible());
        if (!ramped || now().isEmpty()) {
            return;
        }
        double[] at = {place(now().get().least(), all.get()), place(now().get().most(), all.get())};
        double[] values = {now().get().least(), now().get().most()};
        colours.setLayoutX(at[0]);
        colours.setFitWidth(Math.max(1, at[1] - at[0]));
        for (int end = 0; end < 2; end++) {
            grips[end].resizeRelocate(at[end] - GRIP / 2, -2, GRIP, TALL + 4);
            ends[end].setText(Figures.number(values[end]));
            ends[end].setAlignment(end == 0 ? Pos.CENTER_LEFT : Pos.CENTER_RIGHT);
            ends[end].resizeRelocate(end == 0 ? 0 : WIDE / 2, TALL + 3, WIDE / 2, 16);
        }
    }
}
