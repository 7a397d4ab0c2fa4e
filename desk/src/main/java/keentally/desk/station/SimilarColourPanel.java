package keentally.desk.station;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.application.Platform;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import keentally.core.colour.ColourRows;
import keentally.core.colour.ColourSamples;
import keentally.core.colour.Rgb;
import keentally.core.geometry.Point;
import keentally.core.hand.Seeds;
import keentally.core.hand.Stroke;
import keentally.core.quantity.Amounts;
import keentally.core.setting.Item;
import keentally.core.setting.ListSetting;
import keentally.core.setting.Setting;
import keentally.core.setting.Values;
import keentally.core.step.SimilarColourStep;
import keentally.core.step.State;
import keentally.core.step.StepDescription;
import keentally.desk.look.Glyph;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.desk.model.Newest;
import keentally.desk.stage.StageTool;
import keentally.desk.stage.StrokeTool;

/** The similar colour station: click things, each click a colour with a reach of its own. */
final class SimilarColourPanel extends VBox implements StationPanel.Body {
    private static final double AROUND = 1.5;
    private static final double FINER = 1.15;

    private final DeskModel desk;
    private final Tuning tuning;
    private final StepDescription description;
    private final Newest newest;
    private final StrokeTool tool;

    SimilarColourPanel(DeskModel desk, String stepId) {
        this.desk = desk;
        this.tuning = new Tuning(desk, stepId);
        this.description = tuning.step().description();
        this.newest = new Newest(desk, Platform::runLater);
        this.tool = new StrokeTool(this::shown, s -> {}, this::clicked, () -> {});
        getStyleClass().add("fair-panel");
        getChildren().add(Prose.of(Texts.of("clicks.hint"), "hint"));
        for (Setting<?> setting : tuning.step().description().settings()) {
            if (!setting.id().equals(SimilarColourStep.COLOURS.id())) {
                getChildren().add(new SettingRow(tuning, setting));
            }
        }
        VBox rows = new VBox();
        rows.getStyleClass().add("part-list");
        List<Item.Match> colours = colours();
        for (int i = 0; i < colours.size(); i++) {
            rows.getChildren().add(row(colours, i));
        }
        getChildren().add(rows);
    }

    private ListSetting<Item.Match> setting() {
        return SimilarColourStep.COLOURS;
    }

    private List<Item.Match> colours() {
        return tuning.step().values().get(setting());
    }

    private HBox row(List<Item.Match> colours, int index) {
        Item.Match match = colours.get(index);
        Region swatch = new Region();
        swatch.getStyleClass().add("swatch");
        swatch.setStyle("-fx-background-color: " + match.colour());
        Label name = new Label(Texts.of(match.not() ? "clicks.not" : "clicks.like", match.colour()));
        name.setMinWidth(Region.USE_PREF_SIZE);
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        double reach = match.reach().orElseGet(this::usualReach);
        TextField field = new TextField(Amounts.shown(reach));
        field.setId("reach-" + index);
        field.setAccessibleText(Texts.of("name.reach"));
        field.setPrefWidth(62);
        field.setAlignment(Pos.CENTER_RIGHT);
        field.setOnAction(e -> typed(colours, index, field));
        HBox row = new HBox(
                swatch,
                name,
                gap,
                Stepper.button("\u2212", () -> reach(colours, index, reach / FINER)),
                field,
                Stepper.button("+", () -> reach(colours, index, reach * FINER)),
                Glyph.REMOVE.button("remove-colour-" + index, Texts.of("clicks.remove"), () -> {
                    List<Item.Match> fewer = new ArrayList<>(colours);
                    fewer.remove(index);
                    keep(fewer);
                }));
        row.getStyleClass().add("setting-row");
        return row;
    }

    private double usualReach() {
        return Amounts.number(tuning.text(SimilarColourStep.DISTANCE));
    }

    private void typed(List<Item.Match> colours, int index, TextField field) {
        try {
            reach(colours, index, Amounts.number(field.getText()));
        } catch (NumberFormatException e) {
            desk.say(Texts.of("clicks.number", field.getText()));
        }
    }

    private void reach(List<Item.Match> colours, int index, double reach) {
        if (!(reach >= 0)) {
            desk.say(Texts.of("clicks.number", Amounts.shown(reach)));
            return;
        }
        List<Item.Match> changed = new ArrayList<>(colours);
        Item.Match old = changed.get(index);
        changed.set(index, new Item.Match(old.colour(), Optional.of(Math.rint(reach * 10) / 10), old.not()));
        keep(changed);
    }

    /** Places whose colour is not chosen any more go with the colours that chose them. */
    private void keep(List<Item.Match> colours) {
        Values values = tuning.step().values().with(setting(), colours);
        Seeds before = seeds();
        Optional<State> entering = desk.entering(tuning.step().id());
        if (before.places().isEmpty() || entering.isEmpty()) {
            tuning.keep(values, SimilarColourStep.COLOURS.id());
            return;
        }
        State state = entering.get();
        newest.ask(work -> {
            List<Point> left = ColourRows.of(state.current(), state.original())
                    .map(rows -> before.places().stream()
                            .filter(p -> isAlike(values, rows, p))
                            .toList())
                    .orElse(before.places());
            return () -> tuning.keep(values, SimilarColourStep.COLOURS.id(), new Seeds(left));
        });
    }

    private boolean isAlike(Values values, ColourRows rows, Point at) {
        return description.make().apply(values) instanceof SimilarColourStep step
                && step.isAlike(rows.value((int) Math.floor(at.x()), (int) Math.floor(at.y())));
    }

    private Seeds seeds() {
        return tuning.hand()
                .filter(Seeds.class::isInstance)
                .map(Seeds.class::cast)
                .orElse(Seeds.NONE);
    }

    private List<Stroke> shown() {
        return seeds().places().stream()
                .map(p -> new Stroke(List.of(p), false, false))
                .toList();
    }

    private void clicked(Stroke stroke) {
        Optional<State> entering = desk.entering(tuning.step().id());
        if (entering.isEmpty() || tuning.isStale()) {
            return;
        }
        Point at = stroke.path().getLast();
        Seeds before = seeds();
        Optional<Point> known = before.places().stream()
                .filter(p -> Math.hypot(p.x() - at.x(), p.y() - at.y()) <= tool.reach())
                .findFirst();
        if (stroke.unwanted() && known.isPresent()) {
            tuning.keep(tuning.step().values(), SimilarColourStep.CONNECTED.id(), before.without(known.get()));
            return;
        }
        State state = entering.get();
        Values now = tuning.step().values();
        boolean placesCount = tuning.is(SimilarColourStep.CONNECTED, true) && !stroke.unwanted();
        newest.ask(work -> {
            Optional<ColourRows> rows = ColourRows.of(state.current(), state.original());
            boolean inside = state.field().contains((int) Math.floor(at.x()), (int) Math.floor(at.y()));
            if (rows.isEmpty() || !inside) {
                return () -> desk.say(Texts.of(rows.isEmpty() ? "strokes.grey" : "strokes.outside"));
            }
            Rgb colour = ColourSamples.mean(rows.get(), at, AROUND);
            boolean placeAlone = placesCount && isAlike(now, rows.get(), at);
            return () -> add(now, placeAlone ? Optional.empty() : Optional.of(colour), at, stroke.unwanted());
        });
    }

    /** @param colour none where the place is of a colour that is chosen already */
    private void add(Values before, Optional<Rgb> colour, Point at, boolean unwanted) {
        List<Item.Match> more = new ArrayList<>(before.get(setting()));
        colour.ifPresent(c -> more.add(new Item.Match(c, Optional.empty(), unwanted)));
        tuning.keep(before.with(setting(), more), SimilarColourStep.COLOURS.id(), unwanted ? seeds() : seeds().and(at));
    }

    @Override
    public Optional<StageTool> tool() {
        return Optional.of(tool);
    }

    @Override
    public void refresh() {
        // its rows hold settings only, and a changed setting makes a new panel
    }
}
