package keentally.desk.station;

import java.time.ZoneId;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import keentally.desk.look.Pieces;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.desk.model.MethodActions;
import keentally.study.document.Approval;

/** That the method in use is locked, by whom and when, and the way to one that can be changed. */
final class LockedRow {
    private LockedRow() {}

    /** Empty where it is not locked. */
    static Optional<HBox> of(DeskModel desk) {
        return desk.study().get().approval(desk.methodId()).map(approval -> row(desk, approval));
    }

    private static HBox row(DeskModel desk, Approval approval) {
        Label said = Prose.of(
                Texts.of(
                        "locked",
                        approval.by(),
                        approval.at()
                                .atZone(ZoneId.systemDefault())
                                .toLocalDate()
                                .toString()),
                "locked");
        said.setId("locked");
        HBox.setHgrow(said, Priority.ALWAYS);
        said.setMaxWidth(Double.MAX_VALUE);
        Button copy = Pieces.button("locked-copy", "locked.copy", new MethodActions(desk)::copy);
        HBox row = new HBox(8, said, copy);
        row.getStyleClass().add("row");
        return row;
    }
}
