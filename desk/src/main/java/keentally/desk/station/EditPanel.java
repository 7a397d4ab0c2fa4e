package keentally.desk.station;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import keentally.core.geometry.Point;
import keentally.core.hand.Correction;
import keentally.core.hand.Corrections;
import keentally.core.quantity.Amounts;
import keentally.core.region.ObjectSet;
import keentally.core.region.Regions;
import keentally.core.run.Run;
import keentally.core.setting.ChoiceSetting;
import keentally.core.step.Findings;
import keentally.core.words.Figures;
import keentally.desk.look.Pieces;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.look.Tip;
import keentally.desk.model.DeskModel;
import keentally.desk.stage.EditTool;
import keentally.desk.stage.StageTool;
import keentally.study.run.SampleRun;

/** Objects corrected by hand: what the mouse does, what is done with the chosen ones, and all that was done, to be taken back. */
final class EditPanel extends VBox implements StationPanel.Body {
    /** What outlives the panel, which is made anew when another station was selected. */
    static final class Memory {
        private final ObjectProperty<EditTool.Mode> mode = new SimpleObjectProperty<>(EditTool.Mode.PICK);
        private final BrushWidth.Memory brush = new BrushWidth.Memory();
    }

    private final DeskModel desk;
    private final Tuning tuning;
    private final Memory known;
    private final EditTool tool;
    private final Label hint = Prose.of("", "hint");
    private final BrushWidth width;
    private final Button join = Pieces.button("edit-join", "edit.join", this::join);
    private final Button drop = Pieces.button("edit-drop", "edit.drop", this::drop);
    private final Button only = Pieces.button("edit-only", "edit.only", this::only);
    private final Button begin;
    private final Label sum = Prose.of("", "figure-line");
    private final DoneList list;
    private final VBox work = new VBox();

    EditPanel(DeskModel desk, String stepId, Memory known) {
        this.desk = desk;
        this.tuning = new Tuning(desk, stepId);
        this.known = known;
        this.tool = new EditTool(known.mode::get, known.brush::px, new ByMouse());
        this.width = new BrushWidth(desk, known.brush, "edit-width");
        this.list = new DoneList(
                "correction",
                i -> corrections().ifPresent(c -> tuning.keepHand(c.without(i), Texts.of("edit.did.remove"))));
        this.begin = Pieces.button(
                "edit-begin", "edit.begin", () -> tuning.keepHand(Corrections.NONE, Texts.of("edit.did.begin")));
        getStyleClass().add("fair-panel");
        work.getStyleClass().add("fair-panel");
        sum.setId("edit-sum");
        ObjectProperty<EditTool.Mode> mode = new SimpleObjectProperty<>(known.mode.get());
        mode.addListener((o, was, is) -> {
            known.mode.set(is);
            told();
        });
        Tip.on(join, Texts.of("edit.join.help"));
        Tip.on(drop, Texts.of("edit.drop.help"));
        Tip.on(only, Texts.of("edit.only.help"));
        FlowPane buttons = new FlowPane(6, 6, join, drop, only);
        work.getChildren()
                .addAll(
                        Pieces.choices("edit-mode", EditTool.Mode.values(), mode),
                        hint,
                        width,
                        buttons,
                        Pieces.head("edit.list"),
                        sum,
                        list);
        getChildren().addAll(begin, work);
        told();
        refresh();
    }

    private void told() {
        hint.setText(Texts.of("edit.hint." + ChoiceSetting.word(known.mode.get())));
        boolean erases = known.mode.get() == EditTool.Mode.ERASE;
        width.setVisible(erases);
        width.setManaged(erases);
    }

    private Optional<Corrections> corrections() {
        return tuning.hand().filter(Corrections.class::isInstance).map(Corrections.class::cast);
    }

    private void keep(Correction correction) {
        Corrections before = corrections().orElse(Corrections.NONE);
        tuning.keepHand(before.and(correction), said(correction));
    }

    /** In the past: "join 2 objects". */
    private static String said(Correction correction) {
        return switch (correction) {
            case Correction.Join join -> Texts.of("edit.did.join", join.on().size());
            case Correction.Cut cut -> Texts.of("edit.did.cut");
            case Correction.Drop drop -> Texts.of("edit.did.drop", drop.on().size());
            case Correction.Restore restore ->
                Texts.of("edit.did.restore", restore.on().size());
            case Correction.KeepOnly keep -> Texts.of("edit.did.only", keep.on().size());
            case Correction.Draw draw -> Texts.of("edit.did.draw");
            case Correction.Sort sort ->
                sort.as().isEmpty()
                        ? Texts.of("edit.did.unsort", sort.on().size())
                        : Texts.of("edit.did.sort", sort.on().size(), sort.as());
            case Correction.Erase erase -> Texts.of("edit.did.erase", Amounts.shown(erase.width()));
        };
    }

    /** A place in each chosen object; they may have been drawn or cut by hand a moment ago. */
    private List<Point> chosen() {
        Set<Integer> selection = desk.selection().get();
        Optional<Regions> regions =
                desk.shown().get().flatMap(SampleRun::objects).map(ObjectSet::regions);
        return regions.stream()
                .flatMap(r -> selection.stream().sorted().map(i -> r.inside(i)))
                .toList();
    }

    private void join() {
        List<Point> on = chosen();
        if (on.size() > 1) {
            keep(new Correction.Join(on));
        } else {
            desk.say(Texts.of("edit.choose.several"));
        }
    }

    private void drop() {
        List<Point> on = chosen();
        if (on.isEmpty()) {
            desk.say(Texts.of("edit.choose"));
        } else {
            keep(new Correction.Drop(on));
        }
    }

    private void only() {
        List<Point> on = chosen();
        if (on.isEmpty()) {
            desk.say(Texts.of("edit.choose"));
        } else {
            keep(new Correction.KeepOnly(on));
        }
    }

    /** What the mouse did on the stage. */
    private final class ByMouse implements EditTool.Hand {
        @Override
        public void turned(Point at) {
            Optional<ObjectSet> here =
                    desk.reached(tuning.id()).flatMap(r -> r.after().objects());
            int region = here.map(o -> o.regions().at((int) Math.floor(at.x()), (int) Math.floor(at.y())))
                    .orElse(-1);
            if (region < 0) {
                desk.say(Texts.of("edit.nothing"));
            } else {
                List<Point> on = List.of(at);
                keep(here.get().isKept(region) ? new Correction.Drop(on) : new Correction.Restore(on));
            }
        }

        @Override
        public void drawn(EditTool.Mode mode, List<Point> path) {
            boolean line = path.size() > 1;
            switch (mode) {
                case PICK -> {}
                case CUT -> keepOr(line, () -> new Correction.Cut(path));
                case DRAW -> keepOr(path.size() > 2, () -> new Correction.Draw(path));
                case ERASE -> keep(new Correction.Erase(path, known.brush.px()));
            }
        }

        private void keepOr(boolean drawn, Supplier<Correction> made) {
            if (drawn) {
                keep(made.get());
            } else {
                desk.say(Texts.of("edit.drag"));
            }
        }

        @Override
        public boolean key(KeyEvent e) {
            if (e.isShortcutDown() || e.isAltDown()) {
                return false;
            }
            switch (e.getCode()) {
                case J -> join();
                case DELETE, BACK_SPACE -> drop();
                case K -> only();
                default -> {
                    return false;
                }
            }
            return true;
        }
    }

    @Override
    public Optional<StageTool> tool() {
        return Optional.of(tool);
    }

    @Override
    public void selected() {
        int picked = desk.selection().get().size();
        join.setDisable(picked < 2);
        drop.setDisable(picked < 1);
        only.setDisable(picked < 1);
    }

    @Override
    public void refresh() {
        if (tuning.isStale()) {
            return;
        }
        Optional<Corrections> now = corrections();
        begin.setVisible(now.isEmpty());
        begin.setManaged(now.isEmpty());
        work.setVisible(now.isPresent());
        work.setManaged(now.isPresent());
        if (now.isEmpty()) {
            return;
        }
        selected();
        Optional<Run.Station> reached = desk.reached(tuning.id());
        Findings findings = reached.map(Run.Station::findings).orElse(Findings.NONE);
        sum.setText(Texts.of(
                "edit.sum",
                Figures.number(findings.find(Findings.BY_HAND).orElse(0)),
                Figures.number(findings.find(Findings.KEPT).orElse(0)),
                Figures.number(findings.find(Findings.TAKEN_AWAY).orElse(0))));
        List<Correction> all = now.get().list();
        list.show(all.stream().map(EditPanel::said).toList(), findings.unfit()::contains);
    }
}
