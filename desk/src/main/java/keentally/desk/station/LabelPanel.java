package keentally.desk.station;

import javafx.scene.layout.VBox;
import keentally.core.method.Method;
import keentally.core.method.MethodStep;
import keentally.core.setting.Setting;
import keentally.core.step.LabelStep;
import keentally.desk.look.Pieces;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;

/** Labelling; where the mask was inverted before, the neighbours that the complement has are offered, with the reason. */
final class LabelPanel extends VBox implements StationPanel.Body {
    LabelPanel(DeskModel desk, String stepId) {
        Tuning tuning = new Tuning(desk, stepId);
        getStyleClass().add("fair-panel");
        for (Setting<?> setting : tuning.step().description().settings()) {
            if (setting.applies(tuning.step().values())) {
                getChildren().add(new SettingRow(tuning, setting));
            }
        }
        if (isInverted(desk.method(), stepId) && tuning.is(LabelStep.NEIGHBOURS, "eight")) {
            getChildren()
                    .addAll(
                            Prose.of(Texts.of("label.inverted"), "hint"),
                            Pieces.button("label-four", "label.four", () -> tuning.set(LabelStep.NEIGHBOURS, "four")));
        }
    }

    private static boolean isInverted(Method method, String stepId) {
        return method.steps().subList(0, method.indexOf(stepId)).stream()
                                .filter(s -> !s.muted())
                                .map(MethodStep::description)
                                .filter(d -> d.id().equals("invert-mask"))
                                .count()
                        % 2
                == 1;
    }

    @Override
    public void refresh() {
        // its rows hold settings only, and a changed setting makes a new panel
    }
}
