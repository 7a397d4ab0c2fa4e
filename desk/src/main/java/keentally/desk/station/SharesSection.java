package keentally.desk.station;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import javafx.application.Platform;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import keentally.core.colour.Rgb;
import keentally.core.quantity.Amounts;
import keentally.core.quantity.Mass;
import keentally.core.quantity.PixelSize;
import keentally.core.run.Lanes.Urgency;
import keentally.core.run.Run;
import keentally.core.setting.Item;
import keentally.core.setting.ListSetting;
import keentally.core.setting.Setting;
import keentally.core.step.State;
import keentally.core.view.PhaseInks;
import keentally.core.words.Figures;
import keentally.desk.look.Pieces;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.look.Tip;
import keentally.desk.look.Typed;
import keentally.desk.model.DeskModel;
import keentally.desk.model.Newest;
import keentally.desk.model.PhaseActions;
import keentally.desk.model.SampleActions;
import keentally.desk.stage.StageModel;
import keentally.study.document.PhaseNote;
import keentally.study.document.Thing.SampleThing;

/** What a station's phases, or its mask and the rest, cover: per cent of a whole that is always named, real area and pixels. */
final class SharesSection extends VBox {
    private final DeskModel desk;
    private final StageModel stage;
    private final SampleActions actions;
    private final Tuning tuning;
    private final Newest newest;
    private final ComboBox<String> whole = new ComboBox<>();
    private final GridPane grid = new GridPane();
    private final Label note = Prose.of("", "hint");
    private final TextField mass = new TextField();
    private final Typed typedMass;
    private final VBox densities = new VBox();
    private final PhaseActions phases;
    private Object asked;
    private Object notes;
    private PixelSize pixelSize;
    private Optional<Mass> weighed = Optional.empty();
    private PixelCounts counted;
    private Set<Integer> hidden = Set.of();
    private final List<Told> told = new ArrayList<>();

    /** What tells the numbers of a row. */
    private record Told(Label share, Label area, Optional<Label> mass) {}

    /** Pixels by name. */
    private record PixelCounts(List<String> names, List<Integer> colours, long[] pixels, long field, boolean phases) {}

    SharesSection(DeskModel desk, StageModel stage, SampleActions actions, String stepId) {
        this.desk = desk;
        this.actions = actions;
        this.stage = stage;
        this.phases = new PhaseActions(desk);
        this.tuning = new Tuning(desk, stepId);
        this.newest = new Newest(desk, Platform::runLater, Urgency.ASKED);
        setId("shares");
        getStyleClass().addAll("section", "shares");
        grid.getStyleClass().add("shares-grid");
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        whole.setId("shares-of");
        whole.setAccessibleText(Texts.of("name.phases-whole"));
        whole.setOnAction(e -> fill());
        HBox head = new HBox(Pieces.head("shares.head"), gap, whole);
        head.getStyleClass().add("row");
        mass.setId("sample-mass");
        mass.setAccessibleText(Texts.of("name.sample-mass"));
        mass.setPromptText(Texts.of("shares.mass.prompt"));
        mass.setPrefColumnCount(8);
        this.typedMass = Typed.in(mass, this::weigh);
        Region space = new Region();
        HBox.setHgrow(space, Priority.ALWAYS);
        HBox scales = new HBox(Pieces.name("shares.mass"), space, mass);
        scales.getStyleClass().add("row");
        getChildren().addAll(head, grid, note, scales, densities);
        refresh();
    }

    void refresh() {
        if (tuning.isStale()) {
            return;
        }
        Optional<State> state = desk.reached(tuning.step().id()).map(Run.Station::after);
        Object key = state.<Object>map(s ->
                        s.mask().<Object>map(m -> m).orElseGet(() -> s.phases().orElse(null)))
                .orElse(null);
        setVisible(key != null);
        Optional<Mass> weight = desk.sample().flatMap(SampleThing::mass);
        boolean otherNotes = !desk.phaseNotes().equals(notes)
                || !weight.equals(weighed)
                || !desk.pixelSize().equals(pixelSize);
        notes = desk.phaseNotes();
        weighed = weight;
        pixelSize = desk.pixelSize();
        if (key == null || key == asked) {
            if (otherNotes) {
                fill();
            }
            return;
        }
        asked = key;
        newest.ask(work -> {
            State s = state.get();
            PixelCounts now = s.mask().isPresent()
                    ? mask(s)
                    : new PixelCounts(
                            s.needPhases().names(),
                            s.needPhases().colours(),
                            s.needPhases().counts(work),
                            s.field().pixels(),
                            true);
            return () -> show(now);
        });
    }

    private static PixelCounts mask(State s) {
        long chosen = s.needMask().count();
        long field = s.field().pixels();
        return new PixelCounts(
                List.of(Texts.of("shares.chosen"), Texts.of("shares.rest")),
                List.of(),
                new long[] {chosen, field - chosen},
                field,
                false);
    }

    private void show(PixelCounts now) {
        if (tuning.isStale()) {
            return;
        }
        boolean otherNames = counted == null || !counted.names().equals(now.names());
        boolean otherRows = otherNames
                || !counted.colours().equals(now.colours())
                || !stage.hiddenPhases().get().equals(hidden);
        counted = now;
        if (otherNames) {
            String before = whole.getValue();
            List<String> wholes = new ArrayList<>();
            wholes.add(Texts.of("shares.of.field"));
            if (now.phases()) {
                now.names().forEach(n -> wholes.add(Texts.of("shares.of", n)));
            }
            whole.getItems().setAll(wholes);
            whole.setValue(wholes.contains(before) ? before : wholes.getFirst());
            whole.setVisible(wholes.size() > 1);
            whole.setManaged(wholes.size() > 1);
        }
        if (otherRows) {
            fill();
        } else {
            tell();
        }
    }

    /** Lays out the rows, and tells their numbers. */
    private void fill() {
        grid.getChildren().clear();
        told.clear();
        if (counted == null) {
            return;
        }
        hidden = stage.hiddenPhases().get();
        int[] inks = PhaseInks.flat(counted.names(), counted.colours(), desk.phaseColours());
        for (int p = 0; p < counted.names().size(); p++) {
            row(p, inks[p]);
        }
        Optional<Mass> weight = desk.sample().flatMap(SampleThing::mass);
        typedMass.show(weight.map(Mass::toString).orElse(""));
        densities(weight.isPresent());
        tell();
    }

    /** The numbers of the rows that are there; a drag asks for them again and again. */
    private void tell() {
        int of = Math.max(0, whole.getSelectionModel().getSelectedIndex());
        long base = of == 0 ? counted.field() : counted.pixels()[of - 1];
        Optional<Mass> weight = desk.sample().flatMap(SampleThing::mass);
        for (int p = 0; p < told.size(); p++) {
            long part = counted.pixels()[p];
            Told row = told.get(p);
            row.share.setText(Texts.of("shares.percent", percent(part, base)));
            row.area.setText(area(part));
            if (weight.isPresent() && row.mass.isPresent()) {
                row.mass.get().setText(mass(weight.get(), p));
            }
        }
        String named = of == 0 ? wholeName() : counted.names().get(of - 1);
        String said = Texts.of("shares.note", named, Figures.number(base), area(base));
        note.setText(weight.isPresent() ? said + " " + Texts.of("shares.mass.note") : said);
    }

    private String wholeName() {
        boolean narrowed = desk.reached(tuning.step().id())
                .map(r -> desk.shown()
                        .get()
                        .map(s -> s.run().sample().field().pixels()
                                != r.after().field().pixels())
                        .orElse(false))
                .orElse(false);
        return Texts.of(narrowed ? "shares.whole.within" : "shares.whole.field");
    }

    private void row(int p, int ink) {
        List<Region> cells = new ArrayList<>();
        if (counted.phases()) {
            CheckBox on = new CheckBox();
            on.setId("phase-on-" + p);
            on.setSelected(!stage.hiddenPhases().get().contains(p));
            Tip.on(on, Texts.of("shares.switch"));
            on.setOnAction(e -> hide(p, !on.isSelected()));
            String name = counted.names().get(p);
            cells.add(on);
            cells.add(new PhaseColour("phase-colour-" + p, Rgb.from(ink), c -> phases.colour(name, c)));
        }
        cells.add(name(p));
        Told row = new Told(
                Pieces.figure("share-" + p, ""),
                Pieces.figure("area-" + p, ""),
                desk.sample().flatMap(SampleThing::mass).map(m -> Pieces.figure("mass-" + p, "")));
        told.add(row);
        cells.add(row.share);
        cells.add(row.area);
        row.mass.ifPresent(cells::add);
        for (int c = 0; c < cells.size(); c++) {
            grid.add(cells.get(c), c, p);
            GridPane.setHgrow(cells.get(c), c == (counted.phases() ? 2 : 0) ? Priority.ALWAYS : Priority.NEVER);
        }
    }

    private static String percent(long part, long base) {
        return base == 0 ? Figures.number(Double.NaN) : Figures.percent(100.0 * part / base);
    }

    private String area(long pixels) {
        return Figures.area(pixels, desk.pixelSize());
    }

    /** Of one phase, by its area and density. */
    private String mass(Mass sample, int p) {
        double[] shares = Arrays.stream(counted.pixels()).asDoubleStream().toArray();
        double[] densities = IntStream.range(0, shares.length)
                .mapToDouble(i -> density(i).orElse(1.0))
                .toArray();
        return Figures.number(sample.of(shares, densities)[p]) + " "
                + sample.unit().id();
    }

    /** The name that notes go by: a phase's, or that of a mask's side. */
    private String noted(int p) {
        return counted.phases() ? counted.names().get(p) : p == 0 ? "chosen" : "rest";
    }

    private Optional<Double> density(int p) {
        return Optional.ofNullable(desk.phaseNotes().get(noted(p))).flatMap(PhaseNote::density);
    }

    /** A row for each phase's density, where the sample was weighed. */
    private void densities(boolean weighed) {
        densities.getChildren().clear();
        if (!weighed) {
            return;
        }
        densities.getChildren().add(Pieces.name("shares.densities"));
        for (int p = 0; p < counted.names().size(); p++) {
            int phase = p;
            TextField field = new TextField(density(p).map(Amounts::text).orElse("1"));
            field.setId("density-" + p);
            field.setPrefColumnCount(6);
            field.getStyleClass().add("number");
            Typed.in(field, () -> dense(phase, field));
            Region gap = new Region();
            HBox.setHgrow(gap, Priority.ALWAYS);
            HBox row = new HBox(new Label(counted.names().get(p)), gap, field);
            row.getStyleClass().add("row");
            densities.getChildren().add(row);
        }
    }

    private void dense(int p, TextField field) {
        String before = density(p).map(Amounts::text).orElse("1");
        String typed = field.getText().strip();
        if (tuning.isStale() || typed.equals(before)) {
            return;
        }
        try {
            double density = typed.isEmpty() ? 1 : Amounts.number(typed);
            phases.density(noted(p), density == 1 ? Optional.empty() : Optional.of(density));
        } catch (NumberFormatException e) {
            desk.say(Texts.of("shares.density.wrong", typed));
        } catch (IllegalArgumentException e) {
            desk.say(Texts.complaint(e.getMessage()));
        }
        fill();
    }

    private void weigh() {
        String typed = mass.getText().strip();
        String id = desk.sampleId().get();
        String known =
                desk.sample().flatMap(SampleThing::mass).map(Mass::toString).orElse("");
        if (tuning.isStale() || id.isEmpty() || typed.equals(known)) {
            return;
        }
        try {
            actions.weigh(id, typed.isEmpty() ? Optional.empty() : Optional.of(Mass.of(Amounts.typed(typed))));
        } catch (IllegalArgumentException e) {
            desk.say(Texts.complaint(e.getMessage()));
        }
        fill();
    }

    /** Named by typing where the station keeps names. */
    private Region name(int p) {
        Optional<Setting<?>> names = tuning.step().description().setting("names");
        if (!counted.phases() || names.isEmpty()) {
            Label label = new Label(counted.names().get(p));
            label.setMaxWidth(Double.MAX_VALUE);
            return label;
        }
        TextField field = new TextField(counted.names().get(p));
        field.setId("phase-name-" + p);
        field.setAccessibleText(Texts.of("name.phase"));
        field.getStyleClass().add("quiet-field");
        field.setPrefColumnCount(8);
        Typed.in(field, () -> rename(p, field.getText().strip()));
        return field;
    }

    @SuppressWarnings("unchecked") // the description's own setting
    private void rename(int p, String name) {
        if (tuning.isStale() || name.isEmpty() || name.equals(counted.names().get(p))) {
            return;
        }
        ListSetting<String> setting = (ListSetting<String>) tuning.setting("names");
        assert setting.item() == Item.NAME;
        List<String> names = new ArrayList<>(IntStream.range(0, counted.names().size())
                .mapToObj(counted.names()::get)
                .toList());
        names.set(p, name);
        tuning.keep(tuning.step().values().with(setting, names), "names");
    }

    private void hide(int p, boolean hidden) {
        Set<Integer> now = new HashSet<>(stage.hiddenPhases().get());
        if (hidden) {
            now.add(p);
        } else {
            now.remove(p);
        }
        stage.hiddenPhases().set(Set.copyOf(now));
    }
}
