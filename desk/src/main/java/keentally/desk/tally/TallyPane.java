package keentally.desk.tally;

import java.nio.IntBuffer;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.Slider;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.image.ImageView;
import javafx.scene.image.PixelBuffer;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import keentally.core.hand.Marks;
import keentally.core.hand.TallyClass;
import keentally.core.quantity.Amounts;
import keentally.core.quantity.Length;
import keentally.core.quantity.MissingScaleException;
import keentally.core.view.TallyPainter;
import keentally.core.words.Figures;
import keentally.desk.help.Why;
import keentally.desk.look.AmountField;
import keentally.desk.look.Ask;
import keentally.desk.look.Glyph;
import keentally.desk.look.Pieces;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.look.Tip;
import keentally.desk.look.Typed;
import keentally.study.plot.DifferencePlot;

/** What stands at the right while things are counted by hand: counter, classes, sweep, how marks look, agreement, files. */
public final class TallyPane extends ScrollPane {
    private static final int ICON = 6;
    private static final double NAME = 84;

    private final TallyModel model;
    private final ComboBox<String> counter = new ComboBox<>();
    private final GridPane classes = new GridPane();
    private final Label total = Prose.of("", "figure-line");
    private final Label hint = Prose.of(Texts.of("tally.hint"), "hint");
    private final Label rule = Prose.of(Texts.of("tally.sweep.rule"), "hint");
    private final TextField fresh = new TextField();
    private final Label complaint = Prose.complaint();
    private final TextField side = AmountField.withUnit("");
    private final Label swept = Prose.of("", "hint");
    private final HBox sweeping = new HBox(6);
    private boolean filling;
    private Rows rows;

    /**
     * @param exporting asks where marks are to be written, and writes them
     * @param importing asks which file, and reads it
     * @param picturing asks where the picture with its marks is to be written, and writes it
     * @param plotting asks for a file's name and writes a plot into it
     */
    public TallyPane(
            TallyModel model,
            AgreementModel agreement,
            Runnable exporting,
            Runnable importing,
            Runnable picturing,
            Consumer<DifferencePlot> plotting) {
        this.model = model;
        setId("tally-pane");
        getStyleClass().add("panel-scroll");
        setFitToWidth(true);
        setHbarPolicy(ScrollBarPolicy.NEVER);
        VBox all = new VBox();
        all.getStyleClass().addAll("station-panel", "tally-panel");
        setContent(all);
        counter.setId("tally-counter");
        counter.setEditable(true);
        counter.setMaxWidth(Double.MAX_VALUE);
        counter.setOnAction(e -> takeCounter());
        HBox.setHgrow(counter, Priority.ALWAYS);
        counter.setAccessibleText(Texts.of("tally.counter"));
        Tip.on(counter, Texts.of("tally.counter.help"));
        HBox who = new HBox(8, Pieces.name("tally.counter"), counter, new CounterMenu(model));
        who.getStyleClass().add("row");
        fresh.setId("tally-new-class");
        fresh.setAccessibleText(Texts.of("name.tally-new-class"));
        fresh.setPromptText(Texts.of("tally.new-class"));
        fresh.setOnAction(e -> add());
        classes.getStyleClass().add("tally-classes");
        total.setId("tally-total");
        why(total, "why.tally.total", Texts.of("agreement.all"));
        Tip.on(total, Texts.of("tally.hint"));
        Label title = new Label(Texts.of("tally.title"));
        title.getStyleClass().add("station-title");
        all.getChildren()
                .addAll(
                        title,
                        Prose.of(Texts.of("tally.question"), "question"),
                        who,
                        classes,
                        complaint,
                        fresh,
                        total,
                        hint,
                        Pieces.head("tally.sweep"),
                        sweep(),
                        new AgreementSection(model, agreement, plotting),
                        Pieces.head("tally.look"),
                        look(),
                        Pieces.head("tally.files"),
                        new FlowPane(
                                8,
                                8,
                                Pieces.button("tally-export", "tally.export", exporting),
                                Pieces.button("tally-import", "tally.import", importing),
                                Pieces.button("tally-picture", "tally.picture", picturing)));
        model.desk().study().addListener(o -> fill());
        model.desk().sampleId().addListener(o -> fill());
        model.desk().shown().addListener(o -> fillTotal());
        model.counter().addListener(o -> fill());
        model.kind().addListener(o -> fill());
        model.cell().addListener(o -> fillSweep());
        model.sweep().addListener(o -> fillSweep());
        fill();
    }

    private void takeCounter() {
        String name = counter.getValue() == null ? "" : counter.getValue().strip();
        if (!filling && !name.isEmpty()) {
            model.counter().set(name);
        }
    }

    private void add() {
        complaint.setVisible(false);
        try {
            TallyClass added = model.actions().add(fresh.getText());
            fresh.clear();
            model.kind().set(Optional.of(added.id()));
        } catch (IllegalArgumentException e) {
            complain(e);
        }
    }

    private void complain(IllegalArgumentException e) {
        complaint.setText(Texts.complaint(e.getMessage()));
        complaint.setVisible(true);
    }

    /** What the counter and the rows of classes are made from. */
    private record Rows(
            List<String> counters, List<TallyClass> kinds, Optional<String> kind, Map<String, Integer> counts) {}

    private void fill() {
        List<String> names = new ArrayList<>(model.others());
        names.addFirst(model.counter().get());
        Marks marks = model.marks();
        Rows now = new Rows(names, model.classes(), model.kind().get(), marks.counts());
        if (!now.equals(rows)) { // most of what changes in a study changes nothing here
            rows = now;
            fill(now, marks.list().size());
        }
        fillTotal();
        show(hint, marks.list().isEmpty());
        fillSweep();
    }

    private void fill(Rows now, int sum) {
        filling = true;
        counter.getItems().setAll(now.counters());
        counter.setValue(now.counters().getFirst());
        filling = false;
        classes.getChildren().clear();
        for (int i = 0; i < now.kinds().size(); i++) {
            TallyClass kind = now.kinds().get(i);
            row(i, kind, now.counts().getOrDefault(kind.id(), 0), sum);
        }
    }

    /** Marks stay where they were set when the field is made smaller. */
    private void fillTotal() {
        int sum = model.marks().list().size();
        int outside = model.outside();
        String all = Texts.of("tally.total", Figures.number(sum));
        total.setText(outside == 0 ? all : all + Texts.of("tally.total.outside", Figures.number(outside)));
        show(total, model.classes().size() > 1 || outside > 0);
    }

    /** What is not seen takes no room. */
    private static void show(Region part, boolean seen) {
        part.setVisible(seen);
        part.setManaged(seen);
    }

    private void row(int i, TallyClass kind, int count, int sum) {
        ToggleButton key = new ToggleButton(String.valueOf(i + 1), icon(kind));
        key.setId("tally-class-" + (i + 1));
        key.getStyleClass().setAll("hand");
        key.setSelected(model.kind().get().equals(Optional.of(kind.id())));
        Tip.on(key, Texts.of("tally.choose", String.valueOf(i + 1)));
        key.setOnAction(e -> {
            key.setSelected(true);
            model.kind().set(Optional.of(kind.id()));
        });
        TextField name = new TextField(kind.name());
        name.setId("tally-name-" + (i + 1));
        name.setAccessibleText(Texts.of("name.class"));
        name.getStyleClass().add("quiet-field");
        name.setPrefColumnCount(9);
        Typed.in(name, () -> rename(kind, name));
        name.setMinWidth(NAME);
        name.setMaxWidth(Double.MAX_VALUE);
        GridPane.setHgrow(name, Priority.ALWAYS);
        Label n = Pieces.figure("tally-count-" + (i + 1), Figures.number(count));
        Label share = Pieces.figure(
                "tally-share-" + (i + 1),
                sum == 0 ? "" : Texts.of("shares.percent", Figures.percent(100.0 * count / sum)));
        why(n, "why.tally.count", kind.name());
        why(share, "why.tally.share", kind.name());
        Button change = new TallyLook("tally-look-" + (i + 1), kind, model.actions());
        Button remove =
                Glyph.REMOVE.button("tally-remove-" + (i + 1), Texts.of("tally.remove-class"), () -> remove(kind));
        classes.addRow(i, key, name, n, share, change, remove);
    }

    /** @param of whose marks they are */
    private void why(Label figure, String definition, String of) {
        Why.ask(figure, () -> Optional.of(new TallyWhy(model).marks(figure.getText(), definition, of)));
    }

    static ImageView icon(TallyClass kind) {
        int side = 2 * ICON + 3;
        int[] pixels = TallyPainter.icon(kind.glyph(), kind.colour().packed(), ICON);
        return new ImageView(new WritableImage(
                new PixelBuffer<>(side, side, IntBuffer.wrap(pixels), PixelFormat.getIntArgbPreInstance())));
    }

    private void rename(TallyClass kind, TextField field) {
        if (field.getText().strip().equals(kind.name())) {
            return;
        }
        complaint.setVisible(false);
        try {
            model.actions().rename(kind, field.getText());
        } catch (IllegalArgumentException e) {
            field.setText(kind.name());
            complain(e);
        }
    }

    /** Nobody loses marks by a slip of the hand: a class that has some is asked about. */
    private void remove(TallyClass kind) {
        int marks = model.actions().marksOf(kind);
        boolean sure = marks == 0
                || Ask.that(
                        getScene(),
                        Texts.of("tally.remove.title"),
                        Prose.of(Texts.of("tally.remove.sure", kind.name(), Figures.number(marks)), "help-text"),
                        Texts.of("tally.remove.yes"));
        if (sure) {
            model.actions().removeClass(kind);
        }
    }

    private VBox sweep() {
        side.setId("tally-cell");
        side.setAccessibleText(Texts.of("name.tally-cell"));
        side.setPrefWidth(84);
        side.setOnAction(e -> beginSweep());
        sweeping.getStyleClass().add("row");
        swept.setId("tally-swept");
        return new VBox(6, sweeping, swept, rule);
    }

    private void fillSweep() {
        boolean on = model.sweep().get().isPresent();
        if (side.getText().isEmpty()) {
            side.setText("200 px");
        }
        Button begin = Pieces.button("tally-sweep", on ? "tally.sweep.end" : "tally.sweep.begin", () -> {
            if (model.sweep().get().isPresent()) {
                model.endSweep();
            } else {
                beginSweep();
            }
        });
        Button back = Glyph.EARLIER.button("tally-cell-before", Texts.of("tally.sweep.before"), () -> model.step(-1));
        Button next = Glyph.LATER.button("tally-cell-next", Texts.of("tally.sweep.next"), () -> model.step(1));
        back.setDisable(!on);
        next.setDisable(!on);
        sweeping.getChildren().setAll(Pieces.name("tally.sweep.side"), side, begin, back, next);
        swept.setText(model.sweep()
                .get()
                .map(s -> Texts.of(
                        "tally.sweep.at",
                        String.valueOf(model.cell().get() + 1),
                        String.valueOf(s.cells().size()),
                        String.valueOf(model.visited().size())))
                .orElse(""));
        show(swept, on);
        show(rule, on);
    }

    private void beginSweep() {
        String typed = side.getText().strip();
        try {
            double px = Length.of(Amounts.typed(typed)).px(model.desk().scale());
            if (px > 0) {
                model.beginSweep(px);
                return;
            }
        } catch (MissingScaleException noScale) {
            model.desk().say(Texts.complaint(noScale.getMessage()));
            return;
        } catch (IllegalArgumentException notALength) {
            // said below
        }
        model.desk().say(Texts.of("tally.sweep.wrong", typed));
    }

    private VBox look() {
        CheckBox seen = new CheckBox(Texts.of("tally.seen"));
        seen.setId("tally-seen");
        seen.selectedProperty().bindBidirectional(model.seen());
        CheckBox found = new CheckBox(Texts.of("tally.found"));
        found.setId("tally-found");
        found.selectedProperty().bindBidirectional(model.found());
        Slider size = new Slider(3, 14, model.radius().get());
        size.setId("tally-size");
        size.setAccessibleText(Texts.of("name.tally-size"));
        size.valueProperty().addListener((o, was, is) -> model.radius().set((int) Math.rint(is.doubleValue())));
        Slider strength = new Slider(0.15, 1, model.strength().get());
        strength.setId("tally-strength");
        strength.setAccessibleText(Texts.of("name.tally-strength"));
        strength.valueProperty().bindBidirectional(model.strength());
        return new VBox(8, seen, found, slid("tally.size", size), slid("tally.strength", strength));
    }

    private static HBox slid(String key, Slider slider) {
        HBox.setHgrow(slider, Priority.ALWAYS);
        HBox row = new HBox(8, Pieces.name(key), slider);
        row.getStyleClass().add("row");
        return row;
    }
}
