package keentally.desk.station;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import javafx.application.Platform;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import keentally.core.colour.ColourCounts;
import keentally.core.colour.ColourRows;
import keentally.core.colour.ColourSamples;
import keentally.core.colour.ColourSpace;
import keentally.core.colour.RangeFit;
import keentally.core.colour.Rgb;
import keentally.core.hand.Stroke;
import keentally.core.hand.Strokes;
import keentally.core.setting.RangeSetting.Range;
import keentally.core.setting.Setting;
import keentally.core.setting.Values;
import keentally.core.step.ColourRangeStep;
import keentally.core.step.State;
import keentally.core.words.Words;
import keentally.desk.look.Pieces;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.desk.model.Newest;
import keentally.desk.stage.StageTool;
import keentally.desk.stage.StrokeTool;

/** The colour range station: strokes on the picture fit the ranges, bands show them, and both can be mended by hand. */
final class ColourRangePanel extends VBox implements StationPanel.Body {
    private static final double BRUSH = 1.6;
    private static final double WIDE = 92;
    private static final double TALL = 232;

    private final DeskModel desk;
    private final Tuning tuning;
    private final Newest newestFit;
    private final Newest newestCounts;
    private final List<ColourBand> bands = new ArrayList<>();
    private final StrokeTool tool;
    private final ColourSpace space;
    private Object asked;

    ColourRangePanel(DeskModel desk, String stepId) {
        this.desk = desk;
        this.tuning = new Tuning(desk, stepId);
        this.newestFit = new Newest(desk, Platform::runLater);
        this.newestCounts = new Newest(desk, Platform::runLater);
        this.space = tuning.choice(ColourRangeStep.SPACE, ColourSpace.values());
        for (int c = 0; c < 3; c++) {
            int component = c;
            bands.add(new ColourBand(
                    space,
                    c,
                    Words.label(tuning.step().description(), tuning.setting(space.component(c))),
                    r -> tuning.tryOut(with(component, r)),
                    r -> tuning.keep(with(component, r), space.component(component))));
        }
        this.tool = new StrokeTool(this::shown, s -> fit(s, false), s -> fit(s, true), () -> {
            newestFit.drop();
            tuning.tryOut(tuning.step().values());
        });
        getStyleClass().add("fair-panel");
        List<Setting<?>> settings = tuning.step().description().settings();
        SettingRow choice = new SettingRow(tuning, settings.getFirst());
        HBox.setHgrow(choice, Priority.ALWAYS);
        HBox top = new HBox(choice, Pieces.button("clear-strokes", "strokes.clear", this::clear));
        top.getStyleClass().add("setting-row-low");
        getChildren().addAll(Prose.of(Texts.of("strokes.hint"), "hint"), top);
        HBox row = new HBox(10);
        row.setId("colour-bands");
        bands.forEach(band -> {
            HBox.setHgrow(band, Priority.ALWAYS);
            band.setPrefSize(WIDE, TALL);
            band.setMinHeight(TALL);
            row.getChildren().add(band);
        });
        getChildren().add(row);
        for (Setting<?> setting : settings.subList(1, settings.size())) {
            if (setting.applies(tuning.step().values())) {
                getChildren().add(new SettingRow(tuning, setting));
            }
        }
        refresh();
    }

    private List<String> components() {
        return Stream.of(0, 1, 2).map(space::component).toList();
    }

    private List<Stroke> shown() {
        return tuning.strokesHere().strokes();
    }

    private void clear() {
        Values values = tuning.step().values();
        for (String component : components()) {
            values = values.without(tuning.setting(component));
        }
        tuning.keepAfresh(values, components().getFirst());
    }

    @Override
    public Optional<StageTool> tool() {
        return Optional.of(tool);
    }

    private void fit(Stroke stroke, boolean done) {
        Optional<State> state = desk.entering(tuning.step().id());
        if (state.isEmpty() || tuning.isStale()) {
            return;
        }
        Values before = tuning.step().values();
        List<Strokes.StrokeSample> earlier = tuning.strokes();
        Strokes here = tuning.strokesHere();
        newestFit.ask(work -> {
            Optional<ColourRows> rows =
                    ColourRows.of(state.get().current(), state.get().original());
            List<double[]> colours =
                    rows.map(r -> under(stroke, r, state.get())).orElse(List.of());
            Strokes.StrokeSample taken = Strokes.StrokeSample.of(stroke, 0, colours);
            Optional<Values> fitted = colours.isEmpty() ? Optional.empty() : fitted(before, earlier, taken);
            return () -> {
                if (fitted.isEmpty()) {
                    desk.say(Texts.of(rows.isEmpty() ? "strokes.grey" : "strokes.outside"));
                } else if (!done) {
                    tuning.tryOut(fitted.get());
                } else {
                    tuning.keep(fitted.get(), components().getFirst(), here.and(taken));
                }
            };
        });
    }

    private static List<double[]> under(Stroke stroke, ColourRows rows, State state) {
        return ColourSamples.stroke(rows, state.field(), stroke.path(), BRUSH);
    }

    /** Empty where nothing is wanted yet. */
    private Optional<Values> fitted(Values before, List<Strokes.StrokeSample> earlier, Strokes.StrokeSample newest) {
        List<double[]> wanted = new ArrayList<>();
        List<double[]> unwanted = new ArrayList<>();
        for (Strokes.StrokeSample each :
                Stream.concat(earlier.stream(), Stream.of(newest)).toList()) {
            for (Rgb c : each.colours()) {
                (each.stroke().unwanted() ? unwanted : wanted).add(new double[] {c.red(), c.green(), c.blue()});
            }
        }
        if (wanted.isEmpty()) {
            return Optional.empty();
        }
        RangeFit fit = RangeFit.of(space, wanted, unwanted);
        Values values = before;
        for (int c = 0; c < 3; c++) {
            values = values.withTree(
                    tuning.setting(space.component(c)), List.of(rounded(c, fit.from()[c]), rounded(c, fit.to()[c])));
        }
        return Optional.of(values);
    }

    /** To what a person can tell apart: tenths of a degree or level, thousandths of a share. */
    private double rounded(int component, double value) {
        double steps = space == ColourSpace.HSV && component > 0 ? 1000 : 10;
        return Math.rint(value * steps) / steps;
    }

    private Values with(int component, Range range) {
        return tuning.step()
                .values()
                .withTree(
                        tuning.setting(space.component(component)),
                        List.of(rounded(component, range.from()), rounded(component, range.to())));
    }

    @Override
    public void refresh() {
        if (tuning.isStale()) {
            return;
        }
        for (int c = 0; c < 3; c++) {
            bands.get(c).show((Range) tuning.step()
                    .values()
                    .find(tuning.setting(space.component(c)))
                    .orElseThrow());
        }
        desk.entering(tuning.step().id()).ifPresent(this::count);
    }

    private void count(State state) {
        List<double[]> stroked = tuning.strokes().stream()
                .filter(s -> !s.stroke().unwanted())
                .flatMap(s -> s.colours().stream())
                .map(c -> new double[] {c.red(), c.green(), c.blue()})
                .toList();
        List<Object> now = List.of(state.current(), stroked.size());
        if (now.equals(asked)) {
            return;
        }
        asked = now;
        newestCounts.ask(work -> {
            int[][] over = ColourCounts.of(stroked, space).counts();
            int[][] field = ColourRows.of(state.current(), state.original())
                    .map(rows -> ColourCounts.of(rows, state.field(), space).counts())
                    .orElse(new int[3][ColourCounts.STEPS]);
            return () -> {
                for (int c = 0; c < 3; c++) {
                    bands.get(c).show(field[c], over[c]);
                }
            };
        });
    }
}
