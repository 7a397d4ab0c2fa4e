package keentally.desk.station;

import java.util.List;
import java.util.Optional;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;
import keentally.core.hand.Dab;
import keentally.core.hand.Painting;
import keentally.core.run.Run;
import keentally.core.setting.ChoiceSetting;
import keentally.core.step.Findings;
import keentally.core.words.Figures;
import keentally.desk.look.Pieces;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.desk.stage.PaintTool;
import keentally.desk.stage.StageTool;

/** A mask painted by hand: what the mouse does, and all that was done, to be taken back. */
final class PaintPanel extends VBox implements StationPanel.Body {
    /** What outlives the panel, which is made anew when another station was selected. */
    static final class Memory {
        private final ObjectProperty<PaintTool.Mode> mode = new SimpleObjectProperty<>(PaintTool.Mode.BRUSH);
        private final BrushWidth.Memory width = new BrushWidth.Memory();
    }

    private final DeskModel desk;
    private final Tuning tuning;
    private final Memory known;
    private final PaintTool tool;
    private final Label hint = Prose.of("", "hint");
    private final BrushWidth width;
    private final Button begin;
    private final Label sum = Prose.of("", "figure-line");
    private final DoneList list;
    private final VBox work = new VBox();

    PaintPanel(DeskModel desk, String stepId, Memory known) {
        this.desk = desk;
        this.tuning = new Tuning(desk, stepId);
        this.known = known;
        this.tool = new PaintTool(known.mode::get, known.width::px, this::keep, () -> desk.say(Texts.of("paint.drag")));
        this.width = new BrushWidth(desk, known.width, "paint-width");
        this.begin = Pieces.button(
                "paint-begin", "edit.begin", () -> tuning.keepHand(Painting.NONE, Texts.of("paint.did.begin")));
        this.list = new DoneList(
                "dab", i -> painting().ifPresent(p -> tuning.keepHand(p.without(i), Texts.of("paint.did.remove"))));
        getStyleClass().add("fair-panel");
        work.getStyleClass().add("fair-panel");
        sum.setId("paint-sum");
        ObjectProperty<PaintTool.Mode> mode = new SimpleObjectProperty<>(known.mode.get());
        mode.addListener((o, was, is) -> {
            known.mode.set(is);
            told();
        });
        work.getChildren()
                .addAll(
                        Pieces.choices("paint-mode", PaintTool.Mode.values(), mode),
                        hint,
                        width,
                        Pieces.head("paint.list"),
                        sum,
                        list);
        getChildren().addAll(begin, work);
        told();
        refresh();
    }

    private void told() {
        PaintTool.Mode mode = known.mode.get();
        hint.setText(Texts.of("paint.hint." + ChoiceSetting.word(mode)));
        boolean wide = mode == PaintTool.Mode.BRUSH || mode == PaintTool.Mode.LINE;
        width.setVisible(wide);
        width.setManaged(wide);
    }

    private Optional<Painting> painting() {
        return tuning.hand().filter(Painting.class::isInstance).map(Painting.class::cast);
    }

    private void keep(Dab dab) {
        tuning.keepHand(painting().orElse(Painting.NONE).and(dab), said(dab));
    }

    private String said(Dab dab) {
        String way = dab.adds() ? "add" : "take";
        return switch (dab) {
            case Dab.Brush brush -> Texts.of("paint.did.brush." + way, length(brush.width()));
            case Dab.Outline outline -> Texts.of("paint.did.outline." + way);
            case Dab.Fill fill -> Texts.of("paint.did.fill." + way);
        };
    }

    private String area(double px2) {
        return Figures.area(px2, desk.pixelSize());
    }

    private String length(double px) {
        return Figures.length(px, desk.pixelSize());
    }

    @Override
    public Optional<StageTool> tool() {
        return Optional.of(tool);
    }

    @Override
    public void refresh() {
        if (tuning.isStale()) {
            return;
        }
        Optional<Painting> now = painting();
        begin.setVisible(now.isEmpty());
        begin.setManaged(now.isEmpty());
        work.setVisible(now.isPresent());
        work.setManaged(now.isPresent());
        Findings findings = desk.reached(tuning.id()).map(Run.Station::findings).orElse(Findings.NONE);
        sum.setText(Texts.of(
                "paint.sum",
                area(findings.find(Findings.ADDED).orElse(0)),
                area(findings.find(Findings.REMOVED).orElse(0))));
        List<Dab> dabs = now.map(Painting::dabs).orElse(List.of());
        list.show(dabs.stream().map(this::said).toList(), findings.unfit()::contains);
    }
}
