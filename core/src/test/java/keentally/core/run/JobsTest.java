package keentally.core.run;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

class JobsTest {
    private final List<Throwable> crashes = Collections.synchronizedList(new ArrayList<>());
    private final List<String> done = Collections.synchronizedList(new ArrayList<>());
    private final AtomicInteger told = new AtomicInteger();
    private final Jobs jobs = new Jobs(crashes::add, told::incrementAndGet);

    @AfterEach
    void close() {
        jobs.close();
    }

    private static void await(CountDownLatch latch) {
        try {
            assertThat(latch.await(20, TimeUnit.SECONDS)).isTrue();
        } catch (InterruptedException e) {
            throw new AssertionError(e);
        }
    }

    @Test
    void jobsAreDoneInOrderAndListedWithHowFarTheyAre() {
        CountDownLatch half = new CountDownLatch(1);
        CountDownLatch release = new CountDownLatch(1);
        CountDownLatch last = new CountDownLatch(1);
        jobs.start("read", job -> {
            job.at(3, 12);
            half.countDown();
            await(release);
            done.add("read");
        });
        jobs.start("write", job -> {
            done.add("write");
            last.countDown();
        });
        await(half);
        assertThat(jobs.list()).extracting(Jobs.Standing::title).containsExactly("read", "write");
        assertThat(jobs.list().getFirst().done()).isEqualTo(3);
        assertThat(jobs.list().getFirst().of()).isEqualTo(12);
        assertThat(told.get()).isGreaterThanOrEqualTo(3);
        release.countDown();
        await(last);
        assertThat(done).containsExactly("read", "write");
    }

    @Test
    void whatRunsStopsAtItsNextStepAndWhatWaitsNeverBegins() {
        CountDownLatch begun = new CountDownLatch(1);
        CountDownLatch last = new CountDownLatch(1);
        Jobs.Job running = jobs.start(
                "long",
                job -> {
                    begun.countDown();
                    for (int i = 0; ; i++) {
                        job.at(i, 0);
                    }
                },
                () -> done.add("long was stopped"));
        Jobs.Job waiting = jobs.start("waiting", job -> done.add("never"), () -> done.add("waiting was stopped"));
        jobs.start("last", job -> last.countDown());
        await(begun);
        waiting.stop();
        running.stop();
        await(last);
        assertThat(done).containsExactly("waiting was stopped", "long was stopped");
        assertThat(crashes).isEmpty();
    }

    @Test
    void aCrashIsToldAndTheNextGoesOn() {
        CountDownLatch last = new CountDownLatch(1);
        jobs.start("falls", job -> {
            throw new IllegalStateException("oh");
        });
        jobs.start("last", job -> last.countDown());
        await(last);
        assertThat(crashes).singleElement().extracting(Throwable::getMessage).isEqualTo("oh");
    }
}
