package keentally.core.run;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import keentally.core.run.Lanes.Lane;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

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

    /** Fills a lane with a running job that waits, then submits others behind it, and lets go. */
    private void behindARunningJob(Lane lane, int others) {
        CountDownLatch started = new CountDownLatch(1);
        CountDownLatch release = new CountDownLatch(1);
        lanes.submit(lane, cancel -> {
            started.countDown();
            await(release);
            done.add("first" + (cancel.asked() ? " stopped" : ""));
        });
        await(started);
        for (int i = 1; i < others; i++) {
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
    }

    @Test
    void followAndPreviewCompleteWhatRunsAndKeepOnlyTheNewestThatWaits() {
        behindARunningJob(Lane.FOLLOW, 5);
        assertThat(done).containsExactly("first", "last");
        done.clear();
        behindARunningJob(Lane.PREVIEW, 5);
        assertThat(done).containsExactly("first", "last");
    }

    @Test
    void idleDoesEverythingInOrder() {
        behindARunningJob(Lane.IDLE, 4);
        assertThat(done).containsExactly("first", "waiting 1", "waiting 2", "waiting 3", "last");
    }

    @Test
    void overtakingAsksTheRunningJobToStop() {
        CountDownLatch started = new CountDownLatch(1);
        CountDownLatch stopped = new CountDownLatch(1);
        CountDownLatch after = new CountDownLatch(1);
        lanes.submit(Lane.FOLLOW, cancel -> {
            started.countDown();
            while (!cancel.asked()) {
                Thread.onSpinWait();
            }
            stopped.countDown();
            cancel.check();
        });
        await(started);
        lanes.overtake(Lane.FOLLOW, cancel -> after.countDown());
        await(stopped);
        await(after);
        assertThat(crashes).isEmpty();
    }

    @Test
    void aCrashIsToldAndTheLaneGoesOn() {
        CountDownLatch after = new CountDownLatch(1);
        lanes.submit(Lane.IDLE, cancel -> {
            throw new IllegalStateException("oh");
        });
        lanes.submit(Lane.IDLE, cancel -> after.countDown());
        await(after);
        assertThat(crashes).singleElement().extracting(Throwable::getMessage).isEqualTo("oh");
    }

    @Test
    void lanesDoNotWaitForEachOther() {
        CountDownLatch release = new CountDownLatch(1);
        CountDownLatch passed = new CountDownLatch(2);
        lanes.submit(Lane.IDLE, cancel -> await(release));
        lanes.submit(Lane.FOLLOW, cancel -> passed.countDown());
        lanes.submit(Lane.PREVIEW, cancel -> passed.countDown());
        await(passed);
        assertThat(lanes.quiet()).isFalse();
        release.countDown();
    }
}
