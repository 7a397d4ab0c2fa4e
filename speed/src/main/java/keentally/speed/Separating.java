package keentally.speed;

import java.util.concurrent.TimeUnit;
import keentally.core.distance.SquaredDistance;
import keentally.core.label.Labeller;
import keentally.core.morphology.Element;
import keentally.core.morphology.Hull;
import keentally.core.morphology.Probe;
import keentally.core.morphology.Skeleton;
import keentally.core.picture.Mask;
import keentally.core.picture.Neighbours;
import keentally.core.picture.Plane8;
import keentally.core.region.Regions;
import keentally.core.threshold.Cut;
import keentally.core.watershed.SplitTouching;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Level;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;

/** Cleaning masks and splitting what touches, on 12 megapixels and two threads. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
public class Separating extends TwoThreads {
    private static final int FEW = 300;

    private Mask mask;
    private Mask touching;

    /** The drawn discs grown until hardly any stands alone. */
    @Setup(Level.Trial)
    public void draw() {
        Plane8 bytes = Drawn.bytes(Drawn.floats(work));
        mask = Cut.bright(115).mask(bytes, field, work);
        touching = mask;
        while (Labeller.regions(touching, Neighbours.EIGHT, work).count() > FEW) {
            touching = Probe.of(new Element.Disk(1.5), field, work).dilate(touching);
        }
    }

    @Benchmark
    public int[] distance() {
        return SquaredDistance.to(mask, work);
    }

    @Benchmark
    public Mask erodeSmall() {
        return Probe.of(new Element.Disk(16), field, work).erode(mask);
    }

    @Benchmark
    public Mask erodeLarge() {
        return Probe.of(new Element.Disk(80), field, work).dilate(mask);
    }

    @Benchmark
    public Regions splitByOutline() {
        return SplitTouching.byOutline(touching, field, 1, work);
    }

    @Benchmark
    public Mask hulls() {
        return Hull.ofEach(mask, field, work);
    }

    @Benchmark
    public Mask skeleton() {
        return Skeleton.of(mask, work);
    }
}
