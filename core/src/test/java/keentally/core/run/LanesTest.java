package keentally.core.run;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import keentally.core.run.Lanes.Lane;
import keentally.core.run.Lanes.Urgency;
import keentally.core.work.Cancel;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class LanesTest {
    private final List<Throwable> crashes = Collections.synchronizedList(new ArrayList<>());
    private final Lanes lanes = new Lanes(crashes::add);
    private final List<String> done = Collections.synchronizedList(new ArrayList<>());

    @AfterEach
    void close() {
        lanes.close();
    }

    private static void await(CountDownLatch latch) {
        try {
            assertThat(latch.await(20, TimeUnit.SECONDS)).isTrue();
        } catch (InterruptedException e) {
            throw new AssertionError(e);
        }
    }

    private static void untilAsked(Cancel cancel) {
        while (!cancel.asked()) {
            Thread.onSpinWait();
        }
        cancel.check();
    }

    /** Fills a lane with a running task that waits, then submits others behind it, and lets go. */
    @ParameterizedTest
    @EnumSource(Lane.class)
    void aLaneCompletesWhatRunsAndKeepsOnlyTheNewestThatWaits(Lane lane) {
        CountDownLatch started = new CountDownLatch(1);
        CountDownLatch release = new CountDownLatch(1);
        lanes.submit(lane, cancel -> {
            started.countDown();
            await(release);
            done.add("first" + (cancel.asked() ? " stopped" : ""));
        });
        await(started);
        for (int i = 1; i < 5; i++) {
            String name = "waiting " + i;
            lanes.submit(lane, cancel -> done.add(name));
        }
        CountDownLatch last = new CountDownLatch(1);
        lanes.submit(lane, cancel -> {
            done.add("last");
            last.countDown();
        });
        release.countDown();
        await(last);
        assertThat(done).containsExactly("first", "last");
    }

    @Test
    void overtakingAsksTheRunningTaskToStop() {
        CountDownLatch started = new CountDownLatch(1);
        CountDownLatch after = new CountDownLatch(1);
        lanes.submit(Lane.FOLLOW, cancel -> {
            started.countDown();
            untilAsked(cancel);
        });
        await(started);
        lanes.overtake(Lane.FOLLOW, cancel -> after.countDown());
        await(after);
        assertThat(crashes).isEmpty();
    }

    /** Keeps the line busy until it is let go of, so that what is asked for meanwhile waits. */
    private CountDownLatch busy() {
        CountDownLatch started = new CountDownLatch(1);
        CountDownLatch release = new CountDownLatch(1);
        lanes.look("busy", Urgency.ASKED, cancel -> {
            started.countDown();
            await(release);
        });
        await(started);
        return release;
    }

    @Test
    void whatIsLookedAtFirstComesFirst() {
        CountDownLatch release = busy();
        CountDownLatch last = new CountDownLatch(4);
        for (Urgency urgency : List.of(Urgency.LATER, Urgency.THUMBNAIL, Urgency.BESIDE, Urgency.ASKED)) {
            lanes.look(urgency, urgency, cancel -> {
                done.add(urgency.name());
                last.countDown();
            });
        }
        release.countDown();
        await(last);
        assertThat(done).containsExactly("ASKED", "BESIDE", "THUMBNAIL", "LATER");
    }

    @Test
    void aNewerTaskTakesThePlaceOfTheOneOfItsSlot() {
        CountDownLatch release = busy();
        CountDownLatch last = new CountDownLatch(2);
        lanes.look("plot", Urgency.BESIDE, cancel -> done.add("old plot"));
        lanes.look("table", Urgency.BESIDE, cancel -> {
            done.add("table");
            last.countDown();
        });
        lanes.look("dropped", Urgency.BESIDE, cancel -> done.add("dropped"));
        lanes.look("plot", Urgency.BESIDE, cancel -> {
            done.add("new plot");
            last.countDown();
        });
        lanes.drop("dropped");
        release.countDown();
        await(last);
        assertThat(done).containsExactly("table", "new plot");
    }

    @Test
    void aRunningTaskOfTheSameSlotIsStoppedForGood() {
        CountDownLatch started = new CountDownLatch(1);
        CountDownLatch last = new CountDownLatch(1);
        lanes.look("plot", Urgency.BESIDE, cancel -> {
            done.add("begun");
            started.countDown();
            untilAsked(cancel);
        });
        await(started);
        lanes.look("plot", Urgency.BESIDE, cancel -> last.countDown());
        await(last);
        assertThat(done).containsExactly("begun");
    }

    /** A thumbnail that runs goes back into the line for something that is asked for, and is made afterwards. */
    @Test
    void whatIsMoreUrgentSendsTheRunningTaskBack() {
        CountDownLatch started = new CountDownLatch(1);
        CountDownLatch again = new CountDownLatch(2);
        CountDownLatch other = new CountDownLatch(1);
        lanes.look("thumbnail", Urgency.THUMBNAIL, cancel -> {
            done.add("thumbnail");
            again.countDown();
            started.countDown();
            if (again.getCount() > 0) {
                untilAsked(cancel);
            }
        });
        await(started);
        lanes.look("other thumbnail", Urgency.THUMBNAIL, cancel -> {
            done.add("other");
            other.countDown();
        });
        lanes.look("asked", Urgency.ASKED, cancel -> done.add("asked"));
        await(again);
        await(other);
        assertThat(done).containsExactly("thumbnail", "asked", "thumbnail", "other");
        assertThat(crashes).isEmpty();
    }

    @Test
    void aCrashIsToldAndTheLineGoesOn() {
        CountDownLatch after = new CountDownLatch(1);
        lanes.look("a", Urgency.BESIDE, cancel -> {
            throw new IllegalStateException("oh");
        });
        lanes.look("b", Urgency.BESIDE, cancel -> after.countDown());
        await(after);
        assertThat(crashes).singleElement().extracting(Throwable::getMessage).isEqualTo("oh");
    }

    @Test
    void lanesDoNotWaitForEachOther() {
        CountDownLatch release = busy();
        CountDownLatch passed = new CountDownLatch(2);
        lanes.submit(Lane.FOLLOW, cancel -> passed.countDown());
        lanes.submit(Lane.PREVIEW, cancel -> passed.countDown());
        await(passed);
        assertThat(lanes.quiet()).isFalse();
        release.countDown();
    }
}
