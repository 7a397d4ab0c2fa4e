package keentally.desk.objects;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.ToDoubleFunction;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import keentally.core.method.Method;
import keentally.core.method.MethodStep;
import keentally.core.region.ObjectSet;
import keentally.core.run.PhaseReading;
import keentally.core.run.Readings;
import keentally.core.step.Findings;
import keentally.core.step.GateStep;
import keentally.core.words.Figures;
import keentally.core.words.Words;
import keentally.desk.help.Why;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.study.run.SampleRun;

/** How many objects were kept of how many, what dropped the others, what hands touched, and what the kept ones cover of which whole. */
final class KeptLine extends VBox {
    private static final String FIELD = "";

    private final DeskModel desk;
    private final Label count = new Label();
    private final Label cover = new Label();
    private final ComboBox<String> whole = new ComboBox<>();
    private final Label dropped = Prose.of("", "hint");

    KeptLine(DeskModel desk) {
        this.desk = desk;
        count.setId("object-count");
        count.getStyleClass().add("headline");
        count.setMinWidth(USE_PREF_SIZE);
        ObjectsWhy why = new ObjectsWhy(desk);
        Why.ask(count, why::count);
        Why.ask(cover, () -> why.cover(cover.getText(), of(whole.getValue())));
        cover.setId("kept-cover");
        cover.getStyleClass().add("figure-line");
        cover.setMinWidth(USE_PREF_SIZE);
        whole.setId("kept-whole");
        whole.setConverter(new javafx.util.StringConverter<>() {
            @Override
            public String toString(String phase) {
                return phase == null || phase.isEmpty() ? Texts.of("kept.field") : Texts.of("kept.phase", phase);
            }

            @Override
            public String fromString(String text) {
                return text;
            }
        });
        whole.setOnAction(e -> covered());
        whole.managedProperty().bind(whole.visibleProperty());
        dropped.setId("kept-dropped");
        dropped.managedProperty().bind(dropped.textProperty().isNotEmpty());
        HBox line = new HBox(6, cover, whole);
        line.getStyleClass().add("setting-row");
        getChildren().addAll(count, line, dropped);
    }

    private Optional<Readings> readings() {
        return desk.shown().get().flatMap(SampleRun::readings);
    }

    void refresh() {
        Optional<ObjectSet> objects = readings().flatMap(r -> r.state().objects());
        count.setText(objects.map(this::counted).orElse(""));
        dropped.setText(objects.map(this::dropped).orElse(""));
        fill();
        covered();
    }

    /** A reader must see how many of them were touched by hand. */
    private String counted(ObjectSet objects) {
        double byHand = desk.shown().get().orElseThrow().run().stations().stream()
                .mapToDouble(s -> s.findings().find(Findings.BY_HAND).orElse(0)
                        + s.findings().find(Findings.TAKEN_AWAY).orElse(0))
                .sum();
        int all = objects.regions().count();
        String kept = all == objects.count()
                ? Texts.of("objects.count", Figures.number(all))
                : Texts.of("objects.kept", Figures.number(objects.count()), Figures.number(all));
        return byHand == 0 ? kept : kept + Texts.of("objects.by-hand", Figures.number(byHand));
    }

    /** "197 by Gate (area), 12 by Edge objects", in the order of the stations. */
    private String dropped(ObjectSet objects) {
        Method method = desk.shown().get().orElseThrow().run().method();
        Map<String, Integer> by = new LinkedHashMap<>();
        for (MethodStep step : method.steps()) {
            int count = objects.dropped(step.id());
            if (count > 0) {
                by.merge(title(step), count, Integer::sum);
            }
        }
        List<String> parts = new ArrayList<>();
        by.forEach((title, count) -> parts.add(Texts.of("objects.dropped.by", Figures.number(count), title)));
        return parts.isEmpty() ? "" : Texts.of("objects.dropped", String.join(", ", parts));
    }

    /** A gate goes by its measure too, since there may be several. */
    private static String title(MethodStep step) {
        String title = Words.title(step.description());
        return step.description().id().equals(GateStep.ID)
                ? Texts.of("objects.gate", title, MeasureGate.titleOf(step))
                : title;
    }

    private void fill() {
        String before = whole.getValue();
        List<String> wholes = new ArrayList<>(List.of(FIELD));
        readings()
                .filter(r -> r.state().phases().isPresent())
                .ifPresent(r -> r.fractions().forEach(f -> wholes.add(f.name())));
        if (!wholes.equals(whole.getItems())) {
            whole.getItems().setAll(wholes);
        }
        whole.setValue(before != null && wholes.contains(before) ? before : FIELD);
        whole.setVisible(wholes.size() > 1);
    }

    private void covered() {
        Optional<Readings> readings = readings().filter(r -> r.objects().isPresent());
        cover.setText(readings.map(this::covered).orElse(""));
    }

    private String covered(Readings readings) {
        return Texts.of(
                whole.isVisible() ? "kept.covers" : "kept.covers.field",
                Figures.area(readings.keptPixels(), desk.pixelSize()),
                Figures.percent(of(whole.getValue()).applyAsDouble(readings)));
    }

    /** In per cent of a phase, or of the field. */
    private static ToDoubleFunction<Readings> of(String chosen) {
        String phase = chosen == null ? FIELD : chosen;
        return readings -> {
            long of = readings.fractions().stream()
                    .filter(f ->
                            f.name().equals(phase) && readings.state().phases().isPresent())
                    .mapToLong(PhaseReading::pixels)
                    .findFirst()
                    .orElse(readings.state().field().pixels());
            return of == 0 ? 0 : 100.0 * readings.keptPixels() / of;
        };
    }
}
