package keentally.core.work;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.util.List;
import java.util.Set;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicIntegerArray;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class WorkersTest {
    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 8})
    void bandsCoverEveryRowOnceWhateverTheThreads(int threads) {
        try (Workers workers = Workers.of(threads)) {
            for (int length : new int[] {0, 1, 7, 8, 9, 255, 256, 257, 5000}) {
                AtomicIntegerArray seen = new AtomicIntegerArray(Math.max(1, length));
                new Work(workers, new Cancel()).bands(length, (from, to) -> {
                    for (int i = from; i < to; i++) {
                        seen.incrementAndGet(i);
                    }
                });
                assertThat(IntStream.range(0, length).map(seen::get)).allMatch(n -> n == 1);
            }
        }
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 4})
    void mapKeepsTheOrder(int threads) {
        try (Workers workers = Workers.of(threads)) {
            List<Integer> squares = new Work(workers, new Cancel()).map(100, i -> i * i);
            assertThat(squares)
                    .isEqualTo(IntStream.range(0, 100).mapToObj(i -> i * i).toList());
        }
    }

    @Test
    void aJobInsideABandRunsOnThatBandsThread() {
        try (Workers workers = Workers.of(3)) {
            Work work = new Work(workers, new Cancel());
            List<Boolean> same = work.map(6, i -> {
                Thread mine = Thread.currentThread();
                return work.map(5, j -> Thread.currentThread() == mine).stream().allMatch(b -> b);
            });
            assertThat(same).containsOnly(true);
        }
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 3})
    void cancelStopsBetweenBands(int threads) {
        try (Workers workers = Workers.of(threads)) {
            Cancel cancel = new Cancel();
            AtomicInteger done = new AtomicInteger();
            assertThatThrownBy(() -> new Work(workers, cancel).map(1000, i -> {
                        cancel.ask();
                        return done.incrementAndGet();
                    }))
                    .isInstanceOf(CancelledException.class);
            assertThat(done.get()).isLessThanOrEqualTo(threads);
        }
    }

    @Test
    void whatABandThrowsComesOutAndTheWorkersGoOn() {
        try (Workers workers = Workers.of(2)) {
            Work work = new Work(workers, new Cancel());
            assertThatThrownBy(() -> work.map(50, i -> {
                        if (i == 13) {
                            throw new IllegalStateException("thirteen");
                        }
                        return i;
                    }))
                    .hasMessage("thirteen");
            assertThat(work.map(3, i -> i)).containsExactly(0, 1, 2);
        }
    }

    @Test
    void aJobGoesOnAloneWhenTheWorkersAreClosed() {
        Workers workers = Workers.of(3);
        workers.close();
        assertThat(new Work(workers, new Cancel()).map(5, i -> i)).containsExactly(0, 1, 2, 3, 4);
    }

    @Test
    void theLessUrgentJobRestsWhileAMoreUrgentOneIsDone() throws InterruptedException {
        try (Workers workers = Workers.of(2)) {
            Work work = new Work(workers, new Cancel());
            AtomicInteger done = new AtomicInteger();
            CountDownLatch begun = new CountDownLatch(1);
            CountDownLatch overtaken = new CountDownLatch(1);
            Thread less = Thread.ofPlatform().start(() -> {
                Workers.serveAs(2);
                work.bands(256, (from, to) -> {
                    begun.countDown();
                    await(overtaken);
                    done.incrementAndGet();
                });
            });
            await(begun);
            AtomicInteger beside = new AtomicInteger();
            Workers.serveAs(0);
            long start = System.nanoTime();
            try {
                work.map(8, i -> {
                    overtaken.countDown();
                    pause();
                    if (i < 6) { // the last ones leave a hand free
                        beside.accumulateAndGet(done.get(), Math::max);
                    }
                    return i;
                });
            } finally {
                Workers.serveAs(1);
            }
            long rests = TimeUnit.NANOSECONDS.toMillis(System.nanoTime() - start) / 10;
            less.join();
            assertThat(done).as("bands of the less urgent job in the end").hasValue(32);
            assertThat(beside.get()).as("its bands beside the other").isLessThanOrEqualTo((int) rests + 3);
        }
    }

    @Test
    void jobsRestAtTheirBandsWhileSomethingWithoutBandsIsUrgentButNotForLong() {
        try (Workers workers = Workers.of(2)) {
            Work work = new Work(workers, new Cancel());
            workers.hurry();
            long start = System.nanoTime();
            work.map(2, i -> i);
            assertThat(TimeUnit.NANOSECONDS.toMillis(System.nanoTime() - start))
                    .as("rested before its first band")
                    .isGreaterThanOrEqualTo(9);
            assertThat(work.map(256, i -> i)).as("nobody said that it was done").hasSize(256);
            workers.hurry();
            workers.calm();
            long end = System.nanoTime();
            int hands = hands(work);
            assumeTrue(System.nanoTime() - end < 100_000_000);
            assertThat(hands).as("a hand is kept free for the next").isEqualTo(1);
        }
    }

    @Test
    void aHandIsKeptFreeForWhatIsMoreUrgentAndComesAgainAndAgain() {
        try (Workers workers = Workers.of(2)) {
            Work work = new Work(workers, new Cancel());
            assertThat(hands(work)).as("with nothing more urgent about").isEqualTo(2);
            Workers.serveAs(0);
            work.map(2, i -> i);
            long end = System.nanoTime();
            Workers.serveAs(1);
            int hands = hands(work);
            assumeTrue(System.nanoTime() - end < 100_000_000);
            assertThat(hands).as("just after something more urgent").isEqualTo(1);
        }
    }

    private static int hands(Work work) {
        return Set.copyOf(work.map(4, i -> {
                    pause();
                    return Thread.currentThread();
                }))
                .size();
    }

    private static void pause() {
        try {
            Thread.sleep(5);
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    private static void await(CountDownLatch latch) {
        try {
            assertThat(latch.await(10, TimeUnit.SECONDS)).isTrue();
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    @Test
    void noThreadsAreRefused() {
        assertThatThrownBy(() -> Workers.of(0)).hasMessage("threads must be at least 1, was 0");
    }
}
