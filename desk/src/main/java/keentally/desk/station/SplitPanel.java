package keentally.desk.station;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import keentally.core.method.MethodStep;
import keentally.core.quantity.Length;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.Limit;
import keentally.core.setting.LimitSetting;
import keentally.core.setting.Setting;
import keentally.core.setting.Values;
import keentally.core.step.Findings;
import keentally.core.step.SplitTouchingStep;
import keentally.core.words.Figures;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.desk.stage.StageTool;
import keentally.study.run.SampleRun;

/** The split station: how things part, the depth to drag with the count beside it, and how the count hangs on the depth. */
final class SplitPanel extends VBox implements StationPanel.Body {
    private static final MathContext THREE_DIGITS = new MathContext(3);
    private static final double LEAST_PX = 0.1;
    private static final double MOST_PX = 30;
    private static final double CURVE = 92;

    private final DeskModel desk;
    private final Tuning tuning;
    private final ProportionSlider slider;
    private final Label count = new Label();
    private final NeighbourCurve counts;
    private final MarkersSection markers;

    /** For what is on the stage all is prepared, so that the depth can be dragged. */
    private Optional<SampleRun> readyFor = Optional.empty();

    SplitPanel(DeskModel desk, String stepId) {
        this.desk = desk;
        this.tuning = new Tuning(desk, stepId);
        this.counts = new NeighbourCurve(
                desk, stepId, NeighbourCurve.Quantity.COUNT, Texts.of("split.across"), CURVE, "split");
        getStyleClass().add("fair-panel");
        double least = isPlain() ? tuning.greatest() / 1000 : LEAST_PX;
        double most = isPlain() ? tuning.greatest() / 2 : MOST_PX;
        slider = new ProportionSlider(
                "depth-slider",
                Texts.of("name.split-depth"),
                least,
                most,
                now(),
                depth -> tuning.tryOut(with(depth)),
                this::keep);
        count.setId("split-count");
        count.getStyleClass().addAll("headline", "figure");
        for (Setting<?> setting : tuning.step().description().settings()) {
            if (setting.applies(tuning.step().values())) {
                getChildren().add(new SettingRow(tuning, setting));
            }
            if (setting == SplitTouchingStep.DEPTH && isDeep()) {
                getChildren().add(depth());
            }
        }
        this.markers = new MarkersSection(desk, tuning, stepId, SplitTouchingStep.MARKERS);
        getChildren().add(markers);
        if (isDeep()) {
            getChildren().add(counts);
        }
        refresh();
    }

    private void keep(double depth) {
        if (!tuning.isStale()) {
            tuning.keep(with(depth), SplitTouchingStep.DEPTH.id());
        }
    }

    private VBox depth() {
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        HBox ends = new HBox(Prose.of(Texts.of("split.more"), "hint"), gap, Prose.of(Texts.of("split.fewer"), "hint"));
        HBox counted = new HBox(count);
        counted.setAlignment(Pos.CENTER_RIGHT);
        return new VBox(slider, ends, counted);
    }

    /** Whether the parts hang on a depth. */
    private boolean isDeep() {
        return setting().applies(tuning.step().values());
    }

    private LimitSetting setting() {
        return SplitTouchingStep.DEPTH;
    }

    private boolean isPlain() {
        return tuning.step().values().get(setting()) instanceof Limit.Plain;
    }

    /** The depth in pixels, or in the picture's values; one pixel where its unit cannot be told. */
    private double now() {
        return switch (tuning.step().values().get(setting())) {
            case Limit.OfLength l ->
                l.length().unit() == LengthUnit.PX
                        ? l.length().amount()
                        : desk.scale().map(s -> l.length().px(desk.scale())).orElse(1.0);
            case Limit.Plain p -> p.amount();
            case Limit.OfArea a -> 1;
        };
    }

    /** The settings with another depth, in the unit that it has now. */
    private Values with(double depth) {
        Limit before = tuning.step().values().get(setting());
        double amount = new BigDecimal(depth).round(THREE_DIGITS).doubleValue();
        Limit limit = switch (before) {
            case Limit.OfLength l
            when l.length().unit() != LengthUnit.PX && desk.scale().isPresent() -> {
                double real = depth * desk.scale().get().perPixel(l.length().unit());
                double rounded = new BigDecimal(real).round(THREE_DIGITS).doubleValue();
                yield new Limit.OfLength(new Length(rounded, l.length().unit()));
            }
            case Limit.OfLength l -> new Limit.OfLength(new Length(amount, LengthUnit.PX));
            case Limit.Plain p -> new Limit.Plain(amount);
            case Limit.OfArea a -> a;
        };
        return tuning.step().values().with(setting(), limit);
    }

    @Override
    public void refresh() {
        if (tuning.isStale()) {
            return;
        }
        markers.refresh();
        MethodStep step = tuning.step();
        count.setText(desk.reached(step.id())
                .map(r -> Texts.of(
                        "split.count",
                        Figures.number(r.findings().find(Findings.OBJECTS).orElse(0)),
                        r.step().values().get(setting())))
                .orElse(""));
        if (isDeep()) {
            makeReady();
            counts.showMultiples(now(), this::with);
        }
    }

    private void makeReady() {
        Optional<SampleRun> shown = desk.shown().get();
        if (desk.preview().get().isEmpty() && shown.isPresent() && shown.get() != readyFor.orElse(null)) {
            readyFor = shown;
            desk.makeReady(tuning.step().id());
        }
    }

    @Override
    public Optional<StageTool> tool() {
        return markers.tool();
    }
}
