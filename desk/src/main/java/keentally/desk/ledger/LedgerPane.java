package keentally.desk.ledger;

import java.util.List;
import java.util.Locale;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import javafx.application.Platform;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.ProgressBar;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import keentally.core.words.Figures;
import keentally.core.words.Sentences;
import keentally.desk.look.Ask;
import keentally.desk.look.Copies;
import keentally.desk.look.Pieces;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.study.result.LedgerFile;
import keentally.study.series.Ledger;
import keentally.study.series.LedgerColumn;
import keentally.study.series.LedgerEntry;

/** The ledger in place of the stage: what runs the series, and its rows as a table or as a contact sheet. */
public final class LedgerPane extends VBox {
    private final LedgerModel model;
    private final LedgerSide side;
    private final LedgerTable table;
    private final ContactSheet sheet;
    private final ObjectProperty<Shown> shown = new SimpleObjectProperty<>(Shown.TABLE);
    private final Label progress = Prose.of("", "figure-line");
    private final ProgressBar bar = new ProgressBar();
    private final Button stop;

    /** How the rows are looked at. */
    enum Shown {
        TABLE,
        SHEET
    }

    /** What is to be taken away. */
    public enum Taken {
        TABLE,
        WORKBOOK,
        GROUPS
    }

    /**
     * @param watching the folder that pictures come from
     * @param side tells which number is looked at
     * @param bench shows the Bench
     * @param take asks where to, and writes
     */
    public LedgerPane(
            LedgerModel model, FolderWatch watching, LedgerSide side, Runnable bench, BiConsumer<Taken, Ledger> take) {
        this.model = model;
        this.side = side;
        setId("ledger");
        setMinWidth(0);
        getStyleClass().add("ledger");
        Consumer<LedgerEntry> open = e -> {
            model.show(e.id());
            bench.run();
        };
        Thumbnails thumbnails = new Thumbnails(model);
        this.table = new LedgerTable(thumbnails, open, menu -> fill(menu, open), model::study);
        this.sheet = new ContactSheet(thumbnails, open);
        this.stop = Pieces.button("ledger-stop", "ledger.stop", model::stop);
        StackPane middle = new StackPane(table, sheet);
        VBox.setVgrow(middle, Priority.ALWAYS);
        getChildren().addAll(head(take), watched(watching), middle);
        Copies.from(this, () -> Copies.put(Copies.csv(LedgerFile.csv(ordered()))));
        model.ledger().addListener((o, was, is) -> show(is));
        model.progress().addListener(o -> progress());
        side.number().addListener(o -> sheet());
        table.comparatorProperty().addListener(o -> Platform.runLater(this::sheet));
        shown.addListener(o -> choose());
        choose();
        progress();
        show(model.ledger().get());
    }

    private HBox head(BiConsumer<Taken, Ledger> take) {
        Button all = Pieces.button(
                "ledger-run-all",
                "ledger.run-all",
                () -> model.run(model.ledger().get().entries().stream()
                        .map(LedgerEntry::id)
                        .toList()));
        Button chosen = Pieces.button("ledger-run-chosen", "ledger.run-chosen", this::runChosen);
        MenuButton away = new MenuButton(Texts.of("take"));
        away.setId("ledger-take");
        for (Taken taken : Taken.values()) {
            away.getItems()
                    .add(LedgerTable.item(
                            "take-" + taken.name().toLowerCase(Locale.ROOT), () -> take.accept(taken, ordered())));
        }
        bar.setPrefWidth(110);
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        progress.setMinWidth(Region.USE_PREF_SIZE);
        HBox how = Pieces.choices("ledger-shown", Shown.values(), shown);
        how.setAlignment(Pos.CENTER);
        HBox head = new HBox(8, all, chosen, bar, progress, stop, gap, how, away);
        head.getStyleClass().add("ledger-bar");
        return head;
    }

    /** Which folder is watched, and the way to end it. */
    private static HBox watched(FolderWatch watching) {
        Label said = Prose.of("", "hint");
        said.setId("watched");
        HBox.setHgrow(said, Priority.ALWAYS);
        said.setMaxWidth(Double.MAX_VALUE);
        HBox row = new HBox(8, said, Pieces.button("watch-stop", "watch.stop", watching::stop));
        row.getStyleClass().add("ledger-bar");
        row.managedProperty().bind(row.visibleProperty());
        Runnable show = () -> {
            row.setVisible(watching.watched().get().isPresent());
            watching.watched()
                    .get()
                    .ifPresent(w -> said.setText(
                            Texts.of("watch.on", w.folder().toString(), w.like().name(), String.valueOf(w.came()))));
        };
        watching.watched().addListener(o -> show.run());
        show.run();
        return row;
    }

    /** As it stands on the screen. */
    private Ledger ordered() {
        return model.ledger().get().ordered(table.inOrder());
    }

    private void runChosen() {
        List<LedgerEntry> chosen = table.chosen();
        if (chosen.isEmpty()) {
            model.desk().say(Texts.of("ledger.none-chosen"));
        } else {
            model.run(chosen.stream().map(LedgerEntry::id).toList());
        }
    }

    private void fill(ContextMenu menu, Consumer<LedgerEntry> open) {
        List<LedgerEntry> chosen = table.chosen();
        if (chosen.isEmpty()) {
            return;
        }
        menu.getItems().add(LedgerTable.item("to-bench", () -> open.accept(chosen.getFirst())));
        menu.getItems().add(LedgerTable.item("run-chosen", this::runChosen));
        if (chosen.stream().anyMatch(e -> e.thing().leftOut().isEmpty())) {
            menu.getItems().add(LedgerTable.item("leave-out", this::leaveOut));
        }
        if (chosen.stream().anyMatch(e -> e.thing().leftOut().isPresent())) {
            menu.getItems().add(LedgerTable.item("take-in", () -> chosen.forEach(e -> model.takeBackIn(e.id()))));
        }
    }

    /** Leaves out the rows that are chosen, for a reason. */
    public void leaveOut() {
        List<LedgerEntry> chosen = table.chosen();
        if (chosen.isEmpty()) {
            model.desk().say(Texts.of("ledger.none-chosen"));
            return;
        }
        TextField reason = new TextField();
        reason.setId("leave-out-reason");
        reason.setPromptText(Texts.of("ledger.reason.prompt"));
        VBox content = new VBox(
                8, Prose.of(Texts.of("ledger.leave-out.about", String.valueOf(chosen.size())), "hint"), reason);
        Ask.until(
                getScene(),
                Texts.of("ledger.leave-out.title"),
                content,
                Texts.of("ledger.leave-out.yes"),
                () -> chosen.forEach(e -> model.leaveOut(e.id(), reason.getText())));
    }

    private void show(Ledger ledger) {
        table.show(ledger);
        sheet();
    }

    private void sheet() {
        if (shown.get() == Shown.SHEET) {
            Ledger ledger = model.ledger().get();
            sheet.show(
                    table.inOrder(),
                    e -> side.number()
                            .get()
                            .flatMap(ledger::column)
                            .map(c -> told(c, e))
                            .orElse(""));
        }
    }

    private static String told(LedgerColumn column, LedgerEntry entry) {
        double value = column.value().applyAsDouble(entry);
        return Double.isNaN(value) ? "" : Sentences.told(column.title()) + ": " + Figures.number(value);
    }

    private void choose() {
        table.setVisible(shown.get() == Shown.TABLE);
        sheet.setVisible(shown.get() == Shown.SHEET);
        sheet();
    }

    private void progress() {
        var now = model.progress().get();
        for (Region part : List.of(bar, progress, stop)) {
            part.setVisible(now.isPresent());
            part.setManaged(now.isPresent());
        }
        now.ifPresent(p -> {
            bar.setProgress((double) p.done() / p.of());
            String done = Texts.of("ledger.progress", String.valueOf(p.done()), String.valueOf(p.of()));
            progress.setText(p.secondsLeft() < 0 ? done : done + " \u00b7 " + left(p.secondsLeft()));
        });
    }

    private static String left(long seconds) {
        return seconds < 90
                ? Texts.of("ledger.seconds-left", String.valueOf(seconds))
                : Texts.of("ledger.minutes-left", String.valueOf((seconds + 30) / 60));
    }
}
