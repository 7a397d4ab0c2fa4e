package keentally.desk.station;

import java.util.List;
import java.util.function.IntConsumer;
import java.util.function.IntPredicate;
import java.util.stream.IntStream;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import keentally.desk.look.Glyph;
import keentally.desk.look.Texts;

/** What was done by hand, numbered in its order, the newest on top, each to be taken back by itself; what no longer fits says so. */
final class DoneList extends VBox {
    private final String name;
    private final IntConsumer remove;

    /** @param name of one thing, for the ids of its parts */
    DoneList(String name, IntConsumer remove) {
        this.name = name;
        this.remove = remove;
        getStyleClass().add("part-list");
    }

    void show(List<String> done, IntPredicate unfit) {
        getChildren()
                .setAll(IntStream.range(0, done.size())
                        .map(i -> done.size() - 1 - i)
                        .mapToObj(i -> row(done.get(i), i, unfit.test(i)))
                        .toList());
    }

    private HBox row(String said, int index, boolean unfit) {
        Label text = new Label((index + 1) + "  " + said);
        text.setId(name + "-" + index);
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        Label remark = new Label(unfit ? Texts.of("edit.unfit") : "");
        remark.getStyleClass().add("slide-missing");
        remark.setVisible(unfit);
        remark.setId("unfit-" + index);
        HBox row = new HBox(
                text,
                gap,
                remark,
                Glyph.REMOVE.button(
                        "remove-" + name + "-" + index, Texts.of("edit.remove"), () -> remove.accept(index)));
        row.getStyleClass().add("setting-row");
        return row;
    }
}
