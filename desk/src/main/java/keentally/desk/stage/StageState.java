package keentally.desk.stage;

import java.util.Optional;
import keentally.core.method.MethodStep;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.Picture;
import keentally.core.region.ObjectSet;
import keentally.core.run.Readings;
import keentally.core.run.Run;
import keentally.core.run.Sample;
import keentally.core.step.Flow;
import keentally.core.step.State;
import keentally.core.view.Layer;
import keentally.desk.model.DeskModel;
import keentally.study.run.SampleRun;

/** Which state of what was run is on the stage. */
public final class StageState {
    private final DeskModel desk;
    private final StageModel model;

    public StageState(DeskModel desk, StageModel model) {
        this.desk = desk;
        this.model = model;
    }

    /** That of the selected station, or of the method's end, or the sample as it came; empty without a picture. */
    public Optional<State> now() {
        if (taught().isPresent()) {
            return taught().map(StageModel.Taught::under);
        }
        if (model.plain().get()) {
            return start();
        }
        if (model.atEnd().get() && end().isPresent()) {
            return end();
        }
        return at(desk.station().get());
    }

    /** What is taught on the sample on the stage. */
    Optional<StageModel.Taught> taught() {
        return model.taught()
                .get()
                .filter(t -> t.sample().equals(desk.sampleId().get()));
    }

    /** After a station; the sample as it came where that has not been reached. */
    public Optional<State> at(String station) {
        return station.equals(DeskModel.PICTURE)
                ? start()
                : desk.reached(station).map(Run.Station::after).or(this::start);
    }

    /** The sample as it came; with its field once a run is back. */
    public Optional<State> start() {
        Optional<Sample> run = desk.shown().get().map(s -> s.run().sample());
        return run.map(s -> State.of(s.picture(), s.field(), s.scale()))
                .or(() -> desk.open().get().map(o -> o.file().picture()).map(StageState::whole));
    }

    private static State whole(Picture picture) {
        return State.of(picture, Field.whole(picture.width(), picture.height()), Optional.empty());
    }

    /** At the method's end, once that was reached. */
    public Optional<State> end() {
        return desk.shown().get().flatMap(SampleRun::readings).map(Readings::state);
    }

    /** The objects at the method's end, which are what is selected. */
    public Optional<ObjectSet> objects() {
        return desk.shown().get().flatMap(SampleRun::objects);
    }

    /** Where the regions of the selected station began, unless they were placed there and can be moved. */
    Optional<Layer.Crosses> markers() {
        boolean placed = desk.method()
                .step(desk.station().get())
                .filter(MethodStep::byHand)
                .isPresent();
        return model.atEnd().get() || placed
                ? Optional.empty()
                : desk.reached(desk.station().get())
                        .flatMap(s -> s.findings().markers())
                        .map(m -> new Layer.Crosses(m.width(), m.pixels()));
    }

    /** The mask whose outline is laid over what is shown. */
    Optional<Mask> other() {
        return model.other()
                .get()
                .flatMap(name -> name.equals(StageModel.BEFORE)
                        ? desk.entering(desk.station().get()).flatMap(State::mask)
                        : name.equals(StageModel.SECOND)
                                ? model.beside().get().filter(this::isOfThisSize)
                                : now().flatMap(s ->
                                        Optional.ofNullable(s.aside().get(name))));
    }

    private boolean isOfThisSize(Mask mask) {
        return now().filter(s ->
                        s.original().width() == mask.width() && s.original().height() == mask.height())
                .isPresent();
    }

    /** What the selected station turned into another mask. */
    Optional<Mask> before() {
        Optional<MethodStep> step = desk.method().step(desk.station().get());
        boolean turns = step.filter(s -> s.needs() == Flow.MASK && s.gives() == Flow.MASK)
                .isPresent();
        return turns && !model.atEnd().get() && taught().isEmpty()
                ? desk.entering(desk.station().get()).flatMap(State::mask)
                : Optional.empty();
    }
}
