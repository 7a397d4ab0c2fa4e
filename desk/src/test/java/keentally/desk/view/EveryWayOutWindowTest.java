package keentally.desk.view;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import javafx.application.Platform;
import keentally.core.method.Method;
import keentally.desk.DeskDriver;
import keentally.desk.model.DeskModel;
import keentally.desk.model.HoldActions;
import keentally.desk.picture.PictureModel.Section;
import keentally.study.caution.CautionKind;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Where the button of each caution leads; that the button is there, and the caution gone, is told by {@link keentally.desk.WaysOutWindowTest}. */
class EveryWayOutWindowTest {
    /** Those that need what a drawn picture does not give; they are driven elsewhere. */
    private static final Set<CautionKind> ELSEWHERE =
            EnumSet.of(CautionKind.WRONG_WHOLE, CautionKind.OPENED_BACKGROUND, CautionKind.TOUCHING);

    @TempDir
    private Path folder;

    private DeskDriver desk;
    private Map<CautionKind, Runnable> ways;
    private final Set<CautionKind> taken = EnumSet.noneOf(CautionKind.class);

    @BeforeEach
    void start() throws Exception {
        desk = DeskDriver.darkDiscs(folder);
        ways = desk.onFx(
                () -> new WaysOut(desk.window(), desk.model(), desk.window().picture()).all());
    }

    @AfterEach
    void close() {
        desk.close();
    }

    private void take(CautionKind kind) {
        taken.add(kind);
        desk.onFx(() -> {
            ways.get(kind).run();
            return null;
        });
        desk.quiet();
    }

    private void begin(String... steps) {
        desk.onFx(() -> {
            Method empty = desk.model().method().with(List.of());
            desk.model().change("anew", m -> empty);
            return null;
        });
        desk.quiet();
        desk.stations(steps);
    }

    /** From another view, with the picture in hand. */
    private void leads(CautionKind kind, Section section) {
        desk.onFx(() -> {
            desk.window().picture().go(Section.values()[(section.ordinal() + 1) % Section.values().length]);
            desk.window().showObjects();
            return null;
        });
        take(kind);
        assertThat(desk.window().picture().section().get()).as(kind.id()).isEqualTo(section);
        assertThat(desk.has("objects-pane")).as(kind.id()).isFalse();
    }

    private void leads(CautionKind kind, String station) {
        desk.onFx(() -> {
            desk.window().showObjects();
            return null;
        });
        take(kind);
        assertThat(desk.model().station().get()).as(kind.id()).startsWith(station);
        assertThat(desk.has("objects-pane")).as(kind.id()).isFalse();
    }

    @Test
    void everyButtonLeadsToThePlace() {
        leads(CautionKind.NO_SCALE, Section.SCALE);
        leads(CautionKind.MODEL_SCALE, Section.SCALE);
        leads(CautionKind.CLIPPED, Section.HISTOGRAM);
        leads(CautionKind.FIELD_UNLIKE, Section.FIELD);
        leads(CautionKind.LOSSY, Section.FACTS);
        leads(CautionKind.OTHER_PAGES, Section.FACTS);

        begin("channel", "threshold");
        leads(CautionKind.UNEVEN_LIGHT, "flatten");
        assertThat(desk.model().method().steps().getFirst().id()).startsWith("flatten");
        leads(CautionKind.UNEVEN_LIGHT, "flatten");
        assertThat(desk.model().method().steps()).hasSize(3);
        for (CautionKind kind : List.of(CautionKind.HAND_CUT, CautionKind.UNSTABLE_CUT, CautionKind.ONE_MODE)) {
            leads(kind, "threshold");
            assertThat(desk.has("trial-panel")).as(kind.id()).isTrue();
            desk.click("trial-close");
        }
        for (CautionKind kind : List.of(CautionKind.MOSTLY_SPECKS, CautionKind.FEW_PIXELS)) {
            leads(kind, "gate");
        }
        leads(CautionKind.EDGE_OBJECTS, "edge-objects");
        assertThat(desk.model().method().steps()).hasSize(6);
        take(CautionKind.SAME_SIGNAL);
        assertThat(desk.has("objects-pane")).isTrue();

        begin("channel", "threshold", "dilate", "refine-edges", "split-touching");
        leads(CautionKind.GROWN_MASK, "dilate");
        leads(CautionKind.LOST_PARTS, "refine-edges");
        leads(CautionKind.MARKERS_ON_BORDERS, "split-touching");
        begin("levels", "pick-phase");
        leads(CautionKind.MOVED_PHASES, "levels");
        desk.onFx(() -> {
            desk.model().station().set("pick-phase-1");
            return null;
        });
        leads(CautionKind.EMPTY_PHASE, "levels");

        begin("channel", "threshold");
        desk.onFx(() -> {
            new HoldActions(desk.model(), Platform::runLater)
                    .hold("threshold-1", List.of(desk.model().sampleId().get()));
            return null;
        });
        desk.quiet();
        leads(CautionKind.HELD_FAR, "threshold");
        begin("channel", "threshold");
        desk.onFx(() -> {
            desk.model().onlyHere().set(true);
            return null;
        });
        desk.choose("setting-rule", "Triangle (Zack)");
        desk.onFx(() -> {
            desk.model().station().set("channel-1");
            return null;
        });
        leads(CautionKind.DEPARTURES, "threshold");
        desk.onFx(() -> {
            desk.model().onlyHere().set(false);
            desk.model().change("gone", m -> m.remove("threshold-1"));
            return null;
        });
        take(CautionKind.DEPARTURES);
        assertThat(desk.model().station().get()).as("its station is gone").isEqualTo(DeskModel.PICTURE);
        take(CautionKind.BAR_IN_FIELD);
        assertThat(desk.model().message().get()).startsWith("No caption or scale bar was found");
        taken.addAll(ELSEWHERE);
        assertThat(taken).isEqualTo(ways.keySet());
    }
}
