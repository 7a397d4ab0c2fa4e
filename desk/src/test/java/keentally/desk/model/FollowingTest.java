package keentally.desk.model;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CountDownLatch;
import keentally.core.draw.ShapeRenderer;
import keentally.core.geometry.Ellipse;
import keentally.core.method.Method;
import keentally.core.picture.Picture;
import keentally.core.quantity.LengthUnit;
import keentally.core.run.Lanes;
import keentally.core.run.Runner;
import keentally.core.run.Sample;
import keentally.core.run.StateCache;
import keentally.core.work.Workers;
import keentally.study.caution.Background;
import keentally.study.caution.Captions;
import keentally.study.caution.PictureCautions;
import keentally.study.run.SampleOrder;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** What of a drag is still shown once the hand has let go. */
class FollowingTest {
    private final InterfaceThread ui = new InterfaceThread();
    private final List<Throwable> crashes = new ArrayList<>();
    private final Lanes lanes = new Lanes(crashes::add);
    private final StateCache memory = new StateCache(10_000_000);
    private final Following following = new Following(
            ui, lanes, new Runner(Workers.alone(), memory), memory, new PictureCautions(new Captions()), s -> {});
    private final List<Boolean> previews = new ArrayList<>();
    private Sample sample;

    @BeforeEach
    void disc() {
        ShapeRenderer shapes = new ShapeRenderer(40, 40);
        shapes.add(Ellipse.disc(20, 20, 9));
        sample = Sample.of("disc", Picture.grey(shapes.plane(10, 110)), List.of(), Optional.empty());
        following.preview.addListener((o, was, is) -> previews.add(is.isPresent()));
    }

    @AfterEach
    void close() {
        lanes.close();
        assertThat(crashes).isEmpty();
    }

    /** On the stage once the latch is open. */
    private Following.OnStage once(CountDownLatch ready) {
        return new Following.OnStage("s1", () -> {
            try {
                ready.await();
            } catch (InterruptedException e) {
                throw new AssertionError(e);
            }
            return new SampleOrder("disc", sample, Background.NONE, false);
        });
    }

    private static Method cutAt(double cut) {
        return Method.empty("cut", LengthUnit.PX).then("threshold", "rule", "manual", "cut", cut);
    }

    @Test
    void whatADragShowedIsStillShownWhereItIsKept() {
        CountDownLatch dragged = new CountDownLatch(1);
        CountDownLatch kept = new CountDownLatch(1);
        following.tryOut(cutAt(50), 1, 1, once(dragged));
        following.follow(cutAt(50), once(kept));
        dragged.countDown();
        ui.settle(() -> following.preview.get().isPresent());
        kept.countDown();
        ui.settle(() -> following.shown.get().isPresent() && lanes.quiet());
        assertThat(previews).as("until the whole has come back").containsExactly(true, false);
    }

    @Test
    void whatTheNextDragShowsIsNotTakenAwayByWhatWasKeptBefore() {
        CountDownLatch kept = new CountDownLatch(1);
        following.follow(cutAt(50), once(kept));
        following.tryOut(cutAt(60), 1, 1, once(new CountDownLatch(0)));
        ui.settle(() -> following.preview.get().isPresent());
        kept.countDown();
        ui.settle(() -> following.shown.get().isPresent() && lanes.quiet());
        assertThat(previews).containsExactly(true);
    }

    @Test
    void whatADragShowedIsNotShownWhereSomethingElseIsKept() {
        CountDownLatch dragged = new CountDownLatch(1);
        following.tryOut(cutAt(50), 1, 1, once(dragged));
        following.follow(cutAt(60), once(new CountDownLatch(0)));
        dragged.countDown();
        ui.settle(() -> following.shown.get().isPresent() && lanes.quiet());
        assertThat(previews).isEmpty();
    }
}
