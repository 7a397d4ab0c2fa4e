package keentally.speed;

import keentally.core.picture.Field;
import keentally.core.work.Cancel;
import keentally.core.work.Work;
import keentally.core.work.Workers;
import org.openjdk.jmh.annotations.Level;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.TearDown;

/** What benchmarks on the drawn picture have in common: two threads, and the whole picture as the field. */
@State(Scope.Benchmark)
public abstract class TwoThreads {
    final Workers workers = Workers.of(2);
    final Work work = new Work(workers, new Cancel());
    final Field field = Field.whole(Drawn.WIDTH, Drawn.HEIGHT);

    @TearDown(Level.Trial)
    public void tidy() {
        workers.close();
    }
}
