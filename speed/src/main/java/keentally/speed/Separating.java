package keentally.speed;

import java.util.List;
import java.util.concurrent.TimeUnit;
import keentally.core.distance.SquaredDistance;
import keentally.core.filter.Gaussian;
import keentally.core.label.Labeller;
import keentally.core.morphology.Element;
import keentally.core.morphology.Hull;
import keentally.core.morphology.Probe;
import keentally.core.morphology.Skeleton;
import keentally.core.picture.Mask;
import keentally.core.picture.Neighbours;
import keentally.core.picture.Plane8;
import keentally.core.picture.PlaneF;
import keentally.core.region.Outline;
import keentally.core.region.Regions;
import keentally.core.threshold.Cut;
import keentally.core.watershed.GrowRegions;
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
    /** Three discs in each, about. */
    private static final int CLUMPS = 1024;

    /** Nearly all discs hang together in one. */
    private static final int FEW = 300;

    private Plane8 smooth;
    private PlaneF smoothFloats;
    private Regions apart;
    private Mask mask;
    private Mask touching;
    private Mask together;

    /** The drawn discs grown until they touch in clumps, and until hardly any stands alone. */
    @Setup(Level.Trial)
    public void draw() {
        PlaneF drawn = Drawn.floats(work);
        smoothFloats = Gaussian.of(drawn, 2, work);
        smooth = Drawn.bytes(smoothFloats);
        mask = Cut.bright(115).mask(Drawn.bytes(drawn), field, work);
        apart = Labeller.regions(mask, Neighbours.EIGHT, work);
        touching = grownTo(mask, CLUMPS);
        together = grownTo(touching, FEW);
    }

    private Mask grownTo(Mask start, int pieces) {
        Mask grown = start;
        while (Labeller.regions(grown, Neighbours.EIGHT, work).count() > pieces) {
            grown = Probe.of(new Element.Disk(1), field, work).dilate(grown);
        }
        return grown;
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
        return SplitTouching.byOutline(touching, field, new SplitTouching.Begin.Deep(1), work)
                .regions();
    }

    @Benchmark
    public Regions splitOneClump() {
        return SplitTouching.byOutline(together, field, new SplitTouching.Begin.Deep(1), work)
                .regions();
    }

    @Benchmark
    public Regions growFromMinima() {
        return GrowRegions.fromMinima(field, smooth, 60, work).regions();
    }

    @Benchmark
    public Regions growFromFloats() {
        return GrowRegions.fromMinima(field, smoothFloats, 60, work).regions();
    }

    @Benchmark
    public List<Outline.Part> outlines() {
        List<Outline.Part> last = List.of();
        for (int region = 0; region < apart.count(); region++) {
            last = Outline.of(apart, region);
        }
        return last;
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
