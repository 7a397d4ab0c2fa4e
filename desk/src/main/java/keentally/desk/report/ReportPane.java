package keentally.desk.report;

import java.util.Optional;
import java.util.function.Consumer;
import javafx.collections.FXCollections;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.ProgressBar;
import javafx.scene.image.ImageView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import keentally.desk.look.Pieces;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.report.ReportModel.Made;
import keentally.study.report.Report;

/** The pages of the report in place of the stage. */
public final class ReportPane extends VBox {
    private static final double LEAST_WIDTH = 300;
    private static final double MOST_WIDTH = 1600;
    private static final double USUAL_WIDTH = 620;
    private static final double GAP = 14;
    private static final double STEP = 1.2;

    /** Pixels of a page to one of the screen, so that small type can be read. */
    private static final double FINE = 2;

    private final ReportModel model;
    private final ListView<Integer> pages = new ListView<>();
    private final Label said = Prose.of("", "figure-line");
    private final ProgressBar bar = new ProgressBar();
    private final Button stop;
    private final Button again;
    private final Button pdf;
    private final Button html;
    private final Label none = Prose.of(Texts.of("report.none"), "hint");
    private double width = USUAL_WIDTH;

    /** The two files that a report can be. */
    public enum Kind {
        PDF,
        HTML
    }

    /** What asks where to, and writes. */
    @FunctionalInterface
    public interface Saving {
        void save(Kind kind, Report report);
    }

    /** @param saving asks where to, and writes */
    public ReportPane(ReportModel model, Saving saving) {
        this.model = model;
        setId("report");
        setMinWidth(0);
        getStyleClass().add("ledger");
        this.stop = Pieces.button("report-stop", "report.stop", model::stop);
        this.again = Pieces.button("report-again", "report.again", model::again);
        this.pdf = Pieces.button("report-pdf", "report.pdf", () -> shown(m -> saving.save(Kind.PDF, m.report())));
        this.html = Pieces.button("report-html", "report.html", () -> shown(m -> saving.save(Kind.HTML, m.report())));
        pages.setId("report-pages");
        pages.setAccessibleText(Texts.of("name.report-pages"));
        pages.getStyleClass().add("report-pages");
        pages.setCellFactory(list -> new Page());
        pages.setPlaceholder(none);
        pages.setFocusTraversable(true);
        VBox.setVgrow(pages, Priority.ALWAYS);
        getChildren().addAll(head(), pages);
        model.made().addListener(o -> show());
        model.progress().addListener(o -> progress());
        show();
        progress();
    }

    private HBox head() {
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        said.setId("report-said");
        said.setMinWidth(Region.USE_PREF_SIZE);
        bar.setPrefWidth(110);
        HBox head = new HBox(
                8,
                Pieces.button("report-smaller", "report.smaller", () -> zoom(1 / STEP)),
                Pieces.button("report-larger", "report.larger", () -> zoom(STEP)),
                bar,
                said,
                stop,
                again,
                gap,
                html,
                pdf);
        head.getStyleClass().add("ledger-bar");
        return head;
    }

    private void shown(Consumer<Made> what) {
        model.made().get().ifPresent(what);
    }

    private void zoom(double factor) {
        width = Math.clamp(width * factor, LEAST_WIDTH, MOST_WIDTH);
        pages.refresh();
        pages.requestLayout();
    }

    private void show() {
        Optional<Made> made = model.made().get();
        int first = pages.getItems().isEmpty()
                ? 0
                : Math.max(0, pages.getSelectionModel().getSelectedIndex());
        pages.setItems(FXCollections.observableArrayList());
        made.ifPresent(m -> {
            for (int i = 0; i < m.pages().count(); i++) {
                pages.getItems().add(i);
            }
            pages.getSelectionModel().select(Math.min(first, m.pages().count() - 1));
        });
        pdf.setDisable(made.isEmpty());
        html.setDisable(made.isEmpty());
        progress();
    }

    private void progress() {
        Optional<ReportModel.Progress> now = model.progress().get();
        boolean stale = model.made()
                .get()
                .filter(m -> m.study().equals(model.desk().study().get()))
                .isEmpty();
        see(bar, now.isPresent());
        see(stop, now.isPresent());
        see(again, now.isEmpty() && stale);
        none.setText(Texts.of(now.isPresent() ? "report.making" : "report.none"));
        if (now.isPresent() && now.get().of() > 0) {
            bar.setProgress((double) now.get().done() / now.get().of());
            said.setText(Texts.of(
                    "report.progress",
                    String.valueOf(now.get().done()),
                    String.valueOf(now.get().of())));
        } else if (now.isPresent()) {
            bar.setProgress(ProgressBar.INDETERMINATE_PROGRESS);
            said.setText(Texts.of("report.laying-out"));
        } else {
            said.setText(model.made()
                    .get()
                    .map(m -> Texts.of("report.pages", String.valueOf(m.pages().count())))
                    .orElse(""));
        }
    }

    private static void see(Region part, boolean seen) {
        part.setVisible(seen);
        part.setManaged(seen);
    }

    /** One page on its sheet. */
    private final class Page extends ListCell<Integer> {
        private final ImageView view = new ImageView();
        private final StackPane sheet = new StackPane(view);
        private final StackPane ground = new StackPane(sheet);

        Page() {
            getStyleClass().setAll("report-cell");
            sheet.getStyleClass().add("report-sheet");
            view.setPreserveRatio(true);
            view.setSmooth(true);
            ground.setAlignment(Pos.CENTER);
            setGraphic(ground);
        }

        @Override
        protected void updateItem(Integer page, boolean empty) {
            super.updateItem(page, empty);
            Optional<Made> made = model.made().get();
            boolean there = !empty
                    && page != null
                    && made.filter(m -> page < m.pages().count()).isPresent();
            ground.setVisible(there);
            view.setImage(null);
            if (!there) {
                return;
            }
            double tall = width * made.get().pages().tall(page);
            sheet.setMinSize(width, tall);
            sheet.setMaxSize(width, tall);
            ground.setPrefHeight(tall + GAP);
            view.setFitWidth(width);
            model.page(made.get(), page, (int) (FINE * width), image -> {
                if (page.equals(getItem()) && model.made().get().equals(made)) {
                    view.setImage(image);
                }
            });
        }
    }
}
