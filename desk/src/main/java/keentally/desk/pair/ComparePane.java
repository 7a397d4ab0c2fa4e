package keentally.desk.pair;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Supplier;
import javafx.geometry.HPos;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import keentally.core.agree.BorderDistance;
import keentally.core.agree.MaskOverlap;
import keentally.core.quantity.PixelSize;
import keentally.core.region.ObjectSet;
import keentally.core.trial.Comparison;
import keentally.core.trial.Comparison.Cover;
import keentally.core.words.Figures;
import keentally.desk.help.Topic;
import keentally.desk.help.Why;
import keentally.desk.look.KindSteps;
import keentally.desk.look.Pieces;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.look.Tip;
import keentally.desk.model.DeskModel;
import keentally.desk.pair.ComparisonModel.Fate;
import keentally.desk.pair.PairModel.PairLook;
import keentally.study.document.Thing.SampleThing;

/** Beside two views: how their areas, borders and objects agree, and what their methods do differently. */
public final class ComparePane extends VBox {
    private final ComparisonModel model;
    private final PairModel pair;
    private final GridPane table = new GridPane();
    private final GridPane areas = new GridPane();
    private final Label agreement = Prose.of("", "figure-line");
    private final Label note = Prose.of("", "hint");
    private final KindSteps<Fate> fates;
    private final VBox objects;
    private final VBox covers;
    private final VBox differences = new VBox(4);

    public ComparePane(ComparisonModel model) {
        this.model = model;
        this.pair = model.pair();
        setId("compare");
        getStyleClass().addAll("station-panel", "compare");
        ToggleButton ends = new ToggleButton(Texts.of("compare.ends"));
        ToggleButton station = new ToggleButton(Texts.of("compare.station"));
        where(ends, "compare-ends", true);
        where(station, "compare-station", false);
        HBox at = new HBox(ends, station);
        at.getStyleClass().add("choices");
        agreement.setId("compare-agreement");
        why(agreement, "compare.agreement", Texts.of("compare.areas"), this::views);
        note.setId("compare-note");
        table.setId("compare-table");
        areas.setId("compare-areas");
        differences.setId("compare-differences");
        this.fates = new KindSteps<>("fate", Fate.values(), model.fate(), model::step);
        this.objects = section("compare.objects", fates);
        this.covers = section("compare.areas", areas, agreement, Pieces.button("compare-map", "compare.map", () -> {
            pair.open().set(true);
            pair.look().set(PairLook.FOUR_AREAS);
        }));
        VBox inner = new VBox(
                14,
                at,
                note,
                section("compare.sides", table),
                covers,
                objects,
                section("compare.methods", differences));
        ScrollPane scroll = new ScrollPane(inner);
        scroll.getStyleClass().add("panel-scroll");
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        getChildren()
                .addAll(
                        styled(new Label(Texts.of("compare.title")), "station-title"),
                        Prose.of(Texts.of("compare.question"), "question"),
                        scroll);
        model.outcome().addListener(o -> fill());
        model.fate().addListener(o -> fill());
        model.at().addListener(o -> fill());
        pair.second().addListener(o -> fill());
        fill();
    }

    private static Label styled(Label label, String style) {
        label.getStyleClass().add(style);
        return label;
    }

    private static VBox section(String key, Region... parts) {
        VBox section = new VBox(8, Pieces.head(key));
        section.getChildren().addAll(parts);
        section.getStyleClass().add("section");
        section.managedProperty().bind(section.visibleProperty());
        return section;
    }

    private void where(ToggleButton button, String id, boolean atEnd) {
        button.setId(id);
        Tip.on(button, Texts.of(id.replace('-', '.') + ".help"));
        Runnable tell = () -> button.setSelected(pair.stage().atEnd().get() == atEnd);
        button.setOnAction(e -> {
            pair.stage().atEnd().set(atEnd);
            tell.run();
        });
        pair.stage().atEnd().addListener(o -> tell.run());
        tell.run();
    }

    private void fill() {
        Optional<Comparison> now = model.outcome().get();
        Optional<Side> side = pair.second().get();
        note.setText(now.map(c -> note(c, side)).orElseGet(() -> Texts.of("compare.nothing")));
        note.setManaged(!note.getText().isEmpty());
        sides(now);
        Optional<MaskOverlap> overlap = now.flatMap(Comparison::areas);
        covers.setVisible(overlap.isPresent());
        overlap.ifPresent(this::areas);
        agreement.setText(overlap.map(o -> agreement(o, now.get().borders())).orElse(""));
        objects.setVisible(now.flatMap(Comparison::objects).isPresent());
        fates.fill(model::count, model.at().get());
        differences();
    }

    private String note(Comparison now, Optional<Side> side) {
        String trouble = side.map(Side::trouble).orElse("");
        if (!trouble.isEmpty()) {
            return trouble;
        }
        if (now.first().isEmpty() || now.second().isEmpty()) {
            return Texts.of("compare.no-mask");
        }
        if (now.areas().isEmpty()) {
            return Texts.of("compare.other-size");
        }
        boolean other = side.filter(
                        s -> !s.sampleId().equals(pair.desk().sampleId().get()))
                .isPresent();
        return other ? Texts.of("compare.other-sample") : "";
    }

    /** Count, area and share of each side. */
    private void sides(Optional<Comparison> now) {
        columns(table, 3);
        table.add(new Label(Texts.of("compare.first")), 1, 0);
        table.add(new Label(Texts.of("compare.second")), 2, 0);
        PixelSize one = pair.desk().pixelSize();
        PixelSize other = pair.second()
                .get()
                .map(s -> PixelSize.of(one.unit(), s.state().scale()))
                .orElse(one);
        Optional<Cover> first = now.flatMap(Comparison::first);
        Optional<Cover> second = now.flatMap(Comparison::second);
        both(
                1,
                "compare.count",
                first,
                second,
                c -> c.objects()
                        .map(ObjectSet::count)
                        .map(n -> Figures.number((double) n))
                        .orElse(Figures.number(Double.NaN)));
        row(
                2,
                "compare.area",
                first.map(c -> Figures.area(c.pixels(), one)).orElse(Figures.number(Double.NaN)),
                second.map(c -> Figures.area(c.pixels(), other)).orElse(Figures.number(Double.NaN)));
        both(3, "compare.share", first, second, c -> Figures.percent(c.percent()) + " %");
    }

    /** What went into a number of one view. */
    private Topic.Source first() {
        DeskModel desk = pair.desk();
        return source(desk.sampleId().get(), desk.method().name());
    }

    private Topic.Source source(String sample, String method) {
        String name =
                pair.desk().study().get().sample(sample).map(SampleThing::name).orElse("");
        return Topic.Source.of(sample, name, method);
    }

    private List<Topic.Source> second() {
        return pair.second().get().stream()
                .map(s -> source(s.sampleId(), s.method().name()))
                .toList();
    }

    private List<Topic.Source> views() {
        List<Topic.Source> all = new ArrayList<>(List.of(first()));
        all.addAll(second());
        return all;
    }

    /** @param text of its name, whose definition is called alike */
    private static void why(Label figure, String text, String of, Supplier<List<Topic.Source>> from) {
        Why.ask(
                figure,
                () -> Optional.of(
                        new Topic.OfSeveral(of, figure.getText(), List.of(Texts.of("why." + text)), from.get())));
    }

    private void both(
            int row, String key, Optional<Cover> first, Optional<Cover> second, Function<Cover, String> told) {
        String nothing = Figures.number(Double.NaN);
        row(row, key, first.map(told).orElse(nothing), second.map(told).orElse(nothing));
    }

    private void areas(MaskOverlap overlap) {
        columns(areas, 4);
        long field = overlap.both() + overlap.onlyFirst() + overlap.onlySecond() + overlap.neither();
        area(0, "both", overlap.both(), field);
        area(1, "only-first", overlap.onlyFirst(), field);
        area(2, "only-second", overlap.onlySecond(), field);
        area(3, "neither", overlap.neither(), field);
        area(4, "field", field, field);
    }

    private void area(int row, String key, long pixels, long field) {
        Region swatch = new Region();
        swatch.getStyleClass().addAll("area-swatch", "area-" + key);
        Label name = new Label(Texts.of("compare." + key));
        areas.add(swatch, 0, row);
        areas.add(name, 1, row);
        figure(areas, "compare-" + key, Figures.area(pixels, pair.desk().pixelSize()), 2, row, key);
        figure(areas, "compare-" + key + "-share", Figures.percent(100.0 * pixels / field) + " %", 3, row, key);
    }

    private String agreement(MaskOverlap overlap, Optional<BorderDistance> borders) {
        PixelSize size = pair.desk().pixelSize();
        String shares = Texts.of("compare.overlap", share(overlap.iou()), share(overlap.dice()));
        return borders.filter(b -> !Double.isNaN(b.mean()))
                .map(b -> shares + "\n"
                        + Texts.of(
                                "compare.borders",
                                Figures.length(b.mean(), size),
                                Figures.length(b.p95(), size),
                                Figures.length(b.greatest(), size)))
                .orElse(shares);
    }

    private static String share(double value) {
        return Double.isNaN(value) ? Figures.number(value) : Figures.fixed(value, 3);
    }

    private void differences() {
        List<Label> lines = new ArrayList<>();
        model.differences().forEach(d -> lines.add(Prose.of(DifferenceWords.of(d), "difference")));
        boolean two = pair.second().get().isPresent();
        if (lines.isEmpty() && two) {
            lines.add(Prose.of(Texts.of("compare.same-method"), "hint"));
        }
        differences.getChildren().setAll(lines);
    }

    private static void columns(GridPane grid, int n) {
        grid.getChildren().clear();
        grid.getColumnConstraints().clear();
        grid.setHgap(8);
        grid.setVgap(4);
        for (int i = 0; i < n; i++) {
            ColumnConstraints column = new ColumnConstraints();
            boolean name = i == (n == 4 ? 1 : 0);
            column.setHgrow(name ? Priority.ALWAYS : Priority.NEVER);
            column.setHalignment(name || i == 0 ? HPos.LEFT : HPos.RIGHT);
            grid.getColumnConstraints().add(column);
        }
    }

    private void row(int row, String key, String first, String second) {
        table.add(new Label(Texts.of(key)), 0, row);
        Label one = Pieces.figure("compare-first-" + row, first);
        Label other = Pieces.figure("compare-second-" + row, second);
        why(one, key, Texts.of("why.of", Texts.of(key), Texts.of("compare.first")), () -> List.of(first()));
        why(other, key, Texts.of("why.of", Texts.of(key), Texts.of("compare.second")), this::second);
        table.add(one, 1, row);
        table.add(other, 2, row);
    }

    private void figure(GridPane grid, String id, String text, int column, int row, String key) {
        Label figure = Pieces.figure(id, text);
        why(figure, "compare." + key, Texts.of("compare." + key), this::views);
        grid.add(figure, column, row);
    }
}
