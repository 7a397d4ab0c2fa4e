package keentally.desk.view;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.application.Platform;
import keentally.core.find.LightGround;
import keentally.core.method.Method;
import keentally.core.method.MethodStep;
import keentally.core.picture.Neighbours;
import keentally.core.setting.Values;
import keentally.core.starter.OnGround;
import keentally.core.step.ClassifyStep;
import keentally.core.step.ClusterStep;
import keentally.core.step.EdgeObjectsStep;
import keentally.core.step.FlattenStep;
import keentally.core.step.Flow;
import keentally.core.step.GateStep;
import keentally.core.step.GrowRegionsStep;
import keentally.core.step.LabelStep;
import keentally.core.step.LevelsStep;
import keentally.core.step.ProbeStep;
import keentally.core.step.RefineEdgesStep;
import keentally.core.step.SplitTouchingStep;
import keentally.core.step.Steps;
import keentally.core.step.ThresholdStep;
import keentally.core.step.UnmixDyesStep;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.desk.model.Newest;
import keentally.desk.picture.PictureModel;
import keentally.desk.picture.PictureModel.Section;
import keentally.desk.station.StationActions;
import keentally.study.caution.CautionKind;

/** What a caution's button does. */
final class WaysOut {
    private final DeskModel desk;
    private final PictureModel picture;
    private final DeskWindow window;
    private final StationActions stations;
    private final Newest grounds;

    WaysOut(DeskWindow window, DeskModel desk, PictureModel picture) {
        this.window = window;
        this.desk = desk;
        this.picture = picture;
        this.stations = new StationActions(desk);
        this.grounds = new Newest(desk, Platform::runLater);
    }

    Map<CautionKind, Runnable> all() {
        Map<CautionKind, Runnable> ways = new EnumMap<>(CautionKind.class);
        ways.put(CautionKind.NO_SCALE, () -> go(Section.SCALE));
        ways.put(CautionKind.CLIPPED, () -> go(Section.HISTOGRAM));
        ways.put(CautionKind.UNEVEN_LIGHT, this::flatten);
        ways.put(CautionKind.BAR_IN_FIELD, () -> picture.fields().leaveOutCaption());
        ways.put(CautionKind.FIELD_UNLIKE, () -> go(Section.FIELD));
        ways.put(CautionKind.LOSSY, () -> go(Section.FACTS));
        ways.put(CautionKind.OTHER_PAGES, () -> go(Section.FACTS));
        ways.put(CautionKind.DEPARTURES, this::departing);
        ways.put(CautionKind.MODEL_SCALE, () -> go(Section.SCALE));
        ways.put(CautionKind.LOST_PARTS, () -> first(RefineEdgesStep.ID));
        ways.put(CautionKind.SAME_SIGNAL, window::showObjects);
        ways.put(CautionKind.HAND_CUT, () -> trial(ThresholdStep.ID));
        ways.put(CautionKind.UNSTABLE_CUT, () -> trial(ThresholdStep.ID));
        ways.put(CautionKind.ONE_MODE, () -> trial(ThresholdStep.ID));
        ways.put(CautionKind.HELD_FAR, this::held);
        ways.put(CautionKind.MOVED_PHASES, () -> first(ClusterStep.ID, LevelsStep.ID));
        ways.put(CautionKind.EMPTY_PHASE, () -> first(ClusterStep.ID, LevelsStep.ID, ClassifyStep.ID));
        ways.put(CautionKind.WRONG_WHOLE, this::leaveGroundOut);
        ways.put(CautionKind.GROWN_MASK, () -> first(ProbeStep.DILATE.id(), ProbeStep.CLOSE.id()));
        ways.put(CautionKind.OPENED_BACKGROUND, this::labelByFour);
        ways.put(CautionKind.MARKERS_ON_BORDERS, () -> first(GrowRegionsStep.ID, SplitTouchingStep.ID));
        ways.put(CautionKind.TOUCHING, this::split);
        ways.put(CautionKind.EDGE_OBJECTS, () -> addAtEnd(EdgeObjectsStep.ID));
        ways.put(CautionKind.MOSTLY_SPECKS, () -> addAtEnd(GateStep.ID));
        ways.put(CautionKind.FEW_PIXELS, () -> addAtEnd(GateStep.ID));
        return ways;
    }

    private void go(Section section) {
        window.showBench();
        picture.go(section);
    }

    private Optional<MethodStep> find(String... kinds) {
        return desk.method().steps().stream()
                .filter(s ->
                        !s.muted() && List.of(kinds).contains(s.description().id()))
                .findFirst();
    }

    private boolean first(String... kinds) {
        window.showBench();
        Optional<MethodStep> there = find(kinds);
        there.ifPresent(s -> desk.station().set(s.id()));
        return there.isPresent();
    }

    /** As the first station, where it is not there yet. */
    private void flatten() {
        if (!first(FlattenStep.ID)) {
            desk.station().set(DeskModel.PICTURE);
            stations.add(Steps.find(FlattenStep.ID).orElseThrow());
        }
    }

    /** All that the first station of a kind could do instead. */
    private void trial(String kind) {
        if (first(kind)) {
            window.openTrial();
        }
    }

    private void split() {
        if (first(SplitTouchingStep.ID)) {
            window.openTrial();
        } else {
            addAtEnd(SplitTouchingStep.ID);
        }
    }

    private void departing() {
        window.showBench();
        desk.departures().list().stream()
                .filter(d -> desk.method().step(d.step()).isPresent()) // others rest until their station is back
                .findFirst()
                .ifPresent(d -> desk.station().set(d.step()));
    }

    private void held() {
        window.showBench();
        desk.method().steps().stream()
                .filter(s -> s.held().isPresent())
                .findFirst()
                .ifPresent(s -> desk.station().set(s.id()));
    }

    private void addAtEnd(String kind) {
        window.showBench();
        desk.method().steps().stream()
                .reduce((a, b) -> b)
                .ifPresent(last -> desk.station().set(last.id()));
        stations.add(Steps.find(kind).orElseThrow());
    }

    /** Behind the last station that makes a mask, before objects are parted. */
    private void labelByFour() {
        window.showBench();
        Optional<MethodStep> label = find(LabelStep.ID);
        Method method = desk.method();
        desk.change(
                Texts.of("action.label-four"),
                m -> label.map(s -> m.with(s.id(), s.values().with(LabelStep.NEIGHBOURS, Neighbours.FOUR)))
                        .orElseGet(() -> m.add(
                                labelled(method),
                                Steps.find(LabelStep.ID).orElseThrow(),
                                Values.NONE.with(LabelStep.NEIGHBOURS, Neighbours.FOUR))));
    }

    /** The stations that find the ground, before all others. */
    private void leaveGroundOut() {
        window.showBench();
        boolean dyes = find(UnmixDyesStep.ID).isPresent();
        desk.shown()
                .get()
                .map(s -> s.run().sample())
                .ifPresent(sample -> grounds.ask(work -> {
                    Optional<LightGround> found = dyes
                            ? LightGround.ofDyes(sample.picture(), sample.field(), work)
                            : LightGround.of(sample.picture(), sample.field(), work);
                    return () -> found.ifPresent(this::leaveOut);
                }));
    }

    private void leaveOut(LightGround ground) {
        desk.change(Texts.of("action.leave-ground"), m -> {
            Method with = m;
            int at = 0;
            for (MethodStep step : OnGround.leaveOut(ground, m.with(List.of())).steps()) {
                with = with.add(at++, step.description(), step.values());
            }
            return with;
        });
    }

    /** Where objects are told apart, if nothing says so yet. */
    private static int labelled(Method method) {
        int at = 0;
        for (MethodStep step : method.steps()) {
            if (step.needs() == Flow.OBJECTS || step.gives() == Flow.OBJECTS) {
                return at;
            }
            at++;
        }
        return at;
    }
}
