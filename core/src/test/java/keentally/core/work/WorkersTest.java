package keentally.core.work;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
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
    void noThreadsAreRefused() {
        assertThatThrownBy(() -> Workers.of(0)).hasMessage("threads must be at least 1, was 0");
    }
}
