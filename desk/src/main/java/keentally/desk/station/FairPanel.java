package keentally.desk.station;

import javafx.scene.layout.VBox;
import keentally.core.setting.Setting;
import keentally.desk.model.DeskModel;

/** A panel made from a step's description alone: a row for each setting that applies. */
final class FairPanel extends VBox implements StationPanel.Body {
    FairPanel(DeskModel desk, String stepId) {
        Tuning tuning = new Tuning(desk, stepId);
        getStyleClass().add("fair-panel");
        for (Setting<?> setting : tuning.step().description().settings()) {
            if (tuning.isShown(setting)) {
                getChildren().add(new SettingRow(tuning, setting));
            }
        }
    }

    @Override
    public void refresh() {
        // its rows hold settings only, and a changed setting makes a new panel
    }
}
