package keentally.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import javafx.scene.control.CheckBox;
import keentally.core.method.Held;
import keentally.core.method.MethodStep;
import keentally.core.picture.Plane8;
import keentally.study.caution.Caution;
import keentally.study.picture.PictureWriter;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A station held at what it found over several samples, told and looked through, let go of by a hand and by undo. */
class HoldWindowTest {
    private static final int SIDE = 60;

    @TempDir
    Path folder;

    private DeskDriver desk;

    @BeforeEach
    void threeSamplesOfOneMethod() throws Exception {
        desk = DeskDriver.start(folder);
        List<Path> files = List.of(folder.resolve("a.png"), folder.resolve("b.png"), folder.resolve("dim.png"));
        PictureWriter.png(files.get(0), halves(40, 200));
        PictureWriter.png(files.get(1), halves(50, 220));
        PictureWriter.png(files.get(2), halves(10, 60));
        desk.open(files.toArray(Path[]::new));
        desk.quiet();
    }

    @AfterEach
    void stop() {
        desk.close();
    }

    /** Dark at the left and bright at the right, with a little of all that lies between. */
    private static Plane8 halves(int dark, int bright) {
        byte[] values = new byte[SIDE * SIDE];
        for (int i = 0; i < values.length; i++) {
            int x = i % SIDE;
            values[i] = (byte) (x < SIDE / 2 ? dark + x % 7 : bright - x % 5);
        }
        return Plane8.of(SIDE, SIDE, values);
    }

    private MethodStep step() {
        return desk.onFx(() -> desk.model().method().steps().getFirst());
    }

    private List<String> cautions() {
        return desk.onFx(() -> desk.model().shown().get().orElseThrow().cautions().stream()
                .map(Caution::id)
                .toList());
    }

    private void hold(String... samples) {
        desk.fire("hold");
        for (String id : desk.onFx(() -> desk.model().study().get().samples())) {
            CheckBox box = (CheckBox) desk.asked().orElseThrow().lookup("#tick-" + id);
            desk.onFx(() -> {
                box.setSelected(List.of(samples).contains(id));
                return null;
            });
        }
        desk.answer(true);
    }

    @Test
    void aCutIsHeldOverSeveralSamplesAndLetGoOf() {
        desk.stations("threshold");
        hold();
        assertThat(desk.asked()).as("somebody must be ticked").isPresent();
        desk.answer(false);
        hold("s1", "s2");
        desk.settleBeside();
        Held held = step().held().orElseThrow();
        assertThat(held.samples()).containsExactly("a", "b");
        assertThat(desk.text("held-at")).contains("Otsu").contains("2 samples");
        assertThat(cautions()).doesNotContain("hand-cut", "held-far");
        desk.show("s3", step().id());
        desk.settle();
        assertThat(cautions()).as("all of it is dark by the others' cut").contains("held-far");
        desk.fire("hold-free");
        desk.settle();
        assertThat(step().held()).isEmpty();
        assertThat(cautions()).doesNotContain("held-far", "hand-cut");
        desk.command("undo");
        desk.settle();
        assertThat(step().held()).contains(held);
        assertThat(desk.has("hold-again")).isTrue();
    }

    @Test
    void clustersAreHeldOverThreeSamples() {
        desk.stations("cluster");
        hold("s1", "s2", "s3");
        desk.settleBeside();
        assertThat(step().held().orElseThrow().samples()).hasSize(3);
        assertThat(desk.text("held-at")).contains("3 groups by k-means").contains("3 samples");
    }
}
