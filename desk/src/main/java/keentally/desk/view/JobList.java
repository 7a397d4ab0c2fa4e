package keentally.desk.view;

import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.stage.Popup;
import keentally.core.run.Jobs;
import keentally.core.words.Figures;
import keentally.desk.look.Pieces;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;

/** A button that is there while something takes long: it says what, and opens the list of it, each line with how far it is and a stop. */
final class JobList {
    private static final double WIDTH = 380;

    private final DeskModel desk;
    private final Button button = new Button();
    private final ProgressBar bar = new ProgressBar();
    private final Popup popup = new Popup();
    private final VBox box = new VBox(8);

    JobList(DeskModel desk) {
        this.desk = desk;
        button.setId("jobs");
        button.getStyleClass().add("jobs");
        button.setMinWidth(Region.USE_PREF_SIZE);
        button.managedProperty().bind(button.visibleProperty());
        bar.setPrefWidth(54);
        bar.setMouseTransparent(true);
        button.setGraphic(bar);
        button.setOnAction(e -> open());
        popup.setAutoHide(true);
        box.getStyleClass().add("job-list");
        desk.jobs().addListener(o -> refresh());
        refresh();
    }

    Button button() {
        return button;
    }

    private void refresh() {
        List<Jobs.Standing> jobs = desk.jobs().get();
        button.setVisible(!jobs.isEmpty());
        if (jobs.isEmpty()) {
            popup.hide();
            return;
        }
        Jobs.Standing first = jobs.getFirst();
        bar.setProgress(progress(first));
        button.setText(
                jobs.size() == 1
                        ? first.title()
                        : Texts.of("job.and-more", first.title(), Figures.number(jobs.size() - 1.0)));
        if (popup.isShowing()) {
            fill(jobs);
        }
    }

    private static double progress(Jobs.Standing job) {
        return job.of() == 0 ? ProgressBar.INDETERMINATE_PROGRESS : (double) job.done() / job.of();
    }

    private void open() {
        fill(desk.jobs().get());
        popup.getScene().getStylesheets().setAll(button.getScene().getStylesheets());
        popup.getContent().setAll(box);
        var at = button.localToScreen(button.getBoundsInLocal());
        box.applyCss();
        box.layout();
        popup.show(button, at.getMaxX() - WIDTH - 34, at.getMinY() - box.prefHeight(WIDTH + 28) - 14);
    }

    private void fill(List<Jobs.Standing> jobs) {
        box.getChildren().clear();
        for (int i = 0; i < jobs.size(); i++) {
            Jobs.Standing job = jobs.get(i);
            Label title = new Label(job.title());
            title.setMaxWidth(Double.MAX_VALUE);
            HBox.setHgrow(title, Priority.ALWAYS);
            String far = i > 0
                    ? Texts.of("job.waits")
                    : job.of() == 0
                            ? Texts.of("job.runs")
                            : Texts.of("job.at", Figures.number(job.done()), Figures.number(job.of()));
            Label at = new Label(far);
            at.getStyleClass().add("figure");
            at.setMinWidth(Region.USE_PREF_SIZE);
            HBox row = new HBox(10, title, at, Pieces.button("job-stop-" + i, "job.stop", job::stop));
            row.getStyleClass().add("row");
            row.setPrefWidth(WIDTH);
            box.getChildren().add(row);
        }
    }
}
