package keentally.desk.station;

import java.io.File;
import java.util.Optional;
import javafx.application.Platform;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;
import keentally.core.hand.Brought;
import keentally.core.step.BringMaskStep;
import keentally.desk.bring.BringDialog;
import keentally.desk.bring.BringModel;
import keentally.desk.look.Pieces;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;

/** What was brought in for the sample on the stage, what it is taken as, and a way to bring in another. */
final class BringPanel extends VBox implements StationPanel.Body {
    private final Tuning tuning;
    private final BringModel model;
    private final Label origin = Prose.of("", "figure-line");

    BringPanel(DeskModel desk, String stepId) {
        this.tuning = new Tuning(desk, stepId);
        this.model = new BringModel(desk, Platform::runLater);
        getStyleClass().add("fair-panel");
        origin.setId("brought-origin");
        getChildren()
                .addAll(
                        origin,
                        Pieces.button("bring-choose", "bring.choose", this::choose),
                        new SettingRow(tuning, BringMaskStep.AS));
        refresh();
    }

    private void choose() {
        FileChooser chooser = new FileChooser();
        chooser.setTitle(Texts.of("choose.bring"));
        File chosen = chooser.showOpenDialog(getScene().getWindow());
        if (chosen != null) {
            model.look(
                    chosen.toPath(),
                    seen -> BringDialog.ask(
                            getScene(),
                            model,
                            seen,
                            made -> tuning.keep(
                                    tuning.valuesWith(BringMaskStep.AS.id(), BringModel.word(made.how())),
                                    BringMaskStep.AS.id(),
                                    made.brought().orElseThrow())));
        }
    }

    @Override
    public void refresh() {
        Optional<Brought> now = tuning.hand().filter(Brought.class::isInstance).map(Brought.class::cast);
        origin.setText(now.map(Brought::origin).orElse(Texts.of("bring.none")));
    }
}
