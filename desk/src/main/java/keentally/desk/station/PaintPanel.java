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

/** A mask painted by hand, or cut by strokes: what the mouse does, and all that was done, to be taken back. */
final class PaintPanel extends VBox implements StationPanel.Body {
    /** What outlives the panel, which is made anew when another station was selected. */
    static final class Memory {
        private final ObjectProperty<PaintTool.Mode> mode = new SimpleObjectProperty<>(PaintTool.Mode.BRUSH);
        private final BrushWidth.Memory width = new BrushWidth.Memory();
    }

    /**
     * What strokes are for.
     *
     * @param name that texts and parts go by
     * @param modes what the mouse can do
     * @param stay whether strokes stay in sight
     */
    private record Kind(String name, List<PaintTool.Mode> modes, boolean stay) {
        static final Kind PAINT = new Kind("paint", List.of(PaintTool.Mode.values()), false);
        static final Kind SCRIBBLE =
                new Kind("scribble", List.of(PaintTool.Mode.BRUSH, PaintTool.Mode.LINE, PaintTool.Mode.OUTLINE), true);
    }

    private final DeskModel desk;
    private final Kind kind;
    private final Tuning tuning;
    private final Memory known;
    private final PaintTool tool;
    private final Label hint = Prose.of("", "hint");
    private final BrushWidth width;
    private final Button begin;
    private final Label sum = Prose.of("", "figure-line");
    private final DoneList list;
    private final VBox work = new VBox();

    private PaintPanel(DeskModel desk, String stepId, Memory known, Kind kind) {
        this.desk = desk;
        this.kind = kind;
        this.tuning = new Tuning(desk, stepId);
        this.known = known;
        this.tool = new PaintTool(
                known.mode::get,
                known.width::px,
                () -> kind.stay() ? dabs() : List.of(),
                this::keep,
                () -> desk.say(Texts.of("paint.drag")));
        this.width = new BrushWidth(desk, known.width, kind.name() + "-width");
        this.begin = Pieces.button(
                kind.name() + "-begin", "edit.begin", () -> tuning.keepHand(Painting.NONE, said("did.begin")));
        this.list =
                new DoneList("dab", i -> painting().ifPresent(p -> tuning.keepHand(p.without(i), said("did.remove"))));
        getStyleClass().add("fair-panel");
        work.getStyleClass().add("fair-panel");
        sum.setId(kind.name() + "-sum");
        sum.managedProperty().bind(sum.visibleProperty());
        ObjectProperty<PaintTool.Mode> mode = new SimpleObjectProperty<>(known.mode.get());
        mode.addListener((o, was, is) -> {
            known.mode.set(is);
            told();
        });
        work.getChildren()
                .addAll(
                        Pieces.choices(kind.name() + "-mode", kind.modes().toArray(PaintTool.Mode[]::new), mode),
                        hint,
                        width,
                        Pieces.head(kind.name() + ".list"),
                        sum,
                        list);
        getChildren().addAll(begin, work);
        if (!tuning.step().description().settings().isEmpty()) {
            getChildren().add(new FairPanel(desk, stepId));
        }
        told();
        refresh();
    }

    static PaintPanel painting(DeskModel desk, String stepId, Memory known) {
        return new PaintPanel(desk, stepId, known, Kind.PAINT);
    }

    static PaintPanel scribbling(DeskModel desk, String stepId, Memory known) {
        return new PaintPanel(desk, stepId, known, Kind.SCRIBBLE);
    }

    private void told() {
        PaintTool.Mode mode = known.mode.get();
        hint.setText(said("hint." + ChoiceSetting.word(mode)));
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

    private String said(String what) {
        return Texts.of(kind.name() + "." + what);
    }

    private List<Dab> dabs() {
        return painting().map(Painting::dabs).orElse(List.of());
    }

    private String said(Dab dab) {
        String way = dab.adds() ? "add" : "take";
        return switch (dab) {
            case Dab.Brush brush -> Texts.of(kind.name() + ".did.brush." + way, length(brush.width()));
            case Dab.Outline outline -> said("did.outline." + way);
            case Dab.Fill fill -> said("did.fill." + way);
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
        sum.setVisible(findings.find(Findings.ADDED).isPresent());
        sum.setText(Texts.of(
                "paint.sum",
                area(findings.find(Findings.ADDED).orElse(0)),
                area(findings.find(Findings.REMOVED).orElse(0))));
        list.show(dabs().stream().map(this::said).toList(), findings.unfit()::contains);
    }
}
