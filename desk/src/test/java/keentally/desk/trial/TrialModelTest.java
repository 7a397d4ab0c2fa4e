package keentally.desk.trial;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import keentally.core.method.Method;
import keentally.core.quantity.LengthUnit;
import keentally.core.step.Steps;
import keentally.core.trial.Axis;
import keentally.desk.model.DeskModel;
import keentally.desk.model.Discs;
import keentally.desk.model.InterfaceThread;
import keentally.desk.trial.TrialModel.Number;
import keentally.desk.trial.TrialModel.Request;
import keentally.desk.trial.TrialModel.Tile;
import keentally.study.document.Study;
import keentally.study.file.FileFault;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The trial sheet without a window: this thread stands for the interface thread. */
class TrialModelTest {
    private final InterfaceThread ui = new InterfaceThread();
    private final List<Throwable> crashes = new ArrayList<>();
    private final DeskModel desk = new DeskModel(ui, crashes::add);
    private final TrialModel trials = new TrialModel(desk, ui);
    private boolean opened;

    @TempDir
    private Path folder;

    @BeforeEach
    void layOut() throws FileFault {
        Method method = Method.empty("Discs", LengthUnit.PX);
        for (String step : List.of("smooth", "threshold", "remove-specks")) {
            method = method.add(method.steps().size(), Steps.find(step).orElseThrow());
        }
        Study study = Study.empty().with(Study.FIRST_METHOD, method);
        for (int discs = 1; discs <= 2; discs++) {
            study = study.with("s" + discs, Discs.sample(folder, discs));
        }
        desk.begin(study);
        ui.settle(() -> desk.shown().get().isPresent());
    }

    @AfterEach
    void close() {
        desk.close();
        assertThat(crashes).isEmpty();
    }

    private void open(String station) {
        desk.station().set(station);
        opened = false;
        trials.open(() -> opened = true);
        ui.settle(() -> opened);
        settle();
    }

    private void settle() {
        ui.settle(() -> !trials.isRunning());
    }

    private Axis axis(String id) {
        return trials.axes().stream().filter(a -> a.id().equals(id)).findFirst().orElseThrow();
    }

    private void ask(String id, String values, Optional<Axis> second, String secondValues, List<String> samples) {
        assertThat(trials.ask(new Request(axis(id), values, second, secondValues, samples, false)))
                .isTrue();
        settle();
    }

    private List<Tile> tiles() {
        return trials.tiles().get();
    }

    @Test
    void everyRuleIsTriedAndTheCurrentOneDiffersInNothing() {
        open("threshold-1");
        assertThat(tiles()).hasSize(12);
        Tile now = tiles().stream().filter(Tile::current).findFirst().orElseThrow();
        assertThat(now.label()).isEqualTo("Otsu");
        assertThat(now.number(Number.DIFFERS)).isZero();
        assertThat(now.number(Number.COUNT)).isEqualTo(1);
        assertThat(now.number(Number.SHARE)).isBetween(6.5, 7.6);
        assertThat(trials.chosen().get().map(tiles()::get)).contains(now);
    }

    @Test
    void twoSettingsAndTwoSamplesMakeAGrid() {
        open("smooth-1");
        Optional<Axis> by = Optional.of(axis("by"));
        ask("sigma", "0.5; 1; 2", by, "gaussian; mean", List.of("s1", "s2"));
        assertThat(tiles()).hasSize(12).allMatch(t -> t.fault().isEmpty());
        assertThat(tiles().stream().filter(t -> t.sample().equals("s2"))).allMatch(t -> t.number(Number.COUNT) == 2);
        // a station that only prepares is judged by what the method ends in
        assertThat(tiles()).allMatch(t -> t.number(Number.SHARE) > 5);
        assertThat(tiles().stream().filter(Tile::current)).hasSize(2);
    }

    @Test
    void whatCannotBeDoneSaysWhyAndTheRestGoesOn() {
        open("smooth-1");
        ask("by", "gaussian; median", Optional.empty(), "", List.of("s1"));
        desk.change(
                "median",
                m -> m.with(
                        "smooth-1",
                        m.step("smooth-1")
                                .orElseThrow()
                                .values()
                                .withTree(
                                        Steps.find("smooth")
                                                .orElseThrow()
                                                .setting("by")
                                                .orElseThrow(),
                                        "median")));
        open("smooth-1");
        ask("radius", "1; 500", Optional.empty(), "", List.of("s1"));
        assertThat(tiles().get(0).outcome()).isPresent();
        assertThat(tiles().get(1).outcome()).isEmpty();
        assertThat(tiles().get(1).fault()).contains("at most 127 px");
    }

    @Test
    void whatMakesNoSenseIsComplainedAboutAndKeepsTheTiles() {
        open("smooth-1");
        List<Tile> before = tiles();
        Axis sigma = axis("sigma");
        assertThat(trials.ask(new Request(sigma, "wide", Optional.empty(), "", List.of("s1"), false)))
                .isFalse();
        assertThat(trials.complaint().get()).contains("found \"wide\"");
        assertThat(tiles()).isEqualTo(before);
        Request many = new Request(
                sigma, "1 to 40", Optional.of(axis("by")), "gaussian; median; mean; bilateral", List.of("s1"), false);
        assertThat(trials.ask(many)).isFalse();
        assertThat(trials.complaint().get()).contains("this asks for 160");
    }

    @Test
    void takingATileIsOneActionThatIsTakenBack() {
        open("threshold-1");
        Study before = desk.study().get();
        Tile other = tiles().stream()
                .filter(t -> t.label().startsWith("Triangle"))
                .findFirst()
                .orElseThrow();
        assertThat(trials.take(other)).isTrue();
        assertThat(desk.method().step("threshold-1").orElseThrow().values()).isEqualTo(other.values());
        assertThat(desk.undoable().orElseThrow()).contains("Triangle");
        desk.undo();
        assertThat(desk.study().get()).isEqualTo(before);
    }

    @Test
    void stoppedTilesStayAsTheyAre() {
        open("threshold-1");
        Request all = trials.wish().get();
        trials.ask(all);
        trials.stop();
        ui.settle(desk::quiet);
        assertThat(trials.isRunning()).isFalse();
        assertThat(tiles()).hasSize(12).anyMatch(t -> t.outcome().isEmpty());
    }

    @Test
    void tilesStandByTheNumberTheyAreToldBy() {
        open("threshold-1");
        trials.sortBy(Number.DIFFERS);
        assertThat(tiles().stream().map(t -> t.number(Number.DIFFERS))).isSorted();
        trials.sortBy(Number.SHARE);
        assertThat(tiles().stream().map(t -> t.number(Number.SHARE))).isSorted();
    }

    @Test
    void thePictureItselfHasNothingToBeTried() {
        desk.station().set(DeskModel.PICTURE);
        trials.open(() -> opened = true);
        assertThat(opened).isFalse();
        assertThat(desk.message().get()).contains("Select a station first");
    }
}
