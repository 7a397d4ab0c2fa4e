package keentally.speed;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.concurrent.TimeUnit;
import keentally.core.cluster.ClusterTrials;
import keentally.core.cluster.KMeans;
import keentally.core.cluster.PicturePoints;
import keentally.core.colour.ColourRows;
import keentally.core.colour.ColourSpace;
import keentally.core.colour.Dyes;
import keentally.core.colour.Unmix;
import keentally.core.filter.Bilateral;
import keentally.core.filter.GreyMorphology;
import keentally.core.filter.MedianFilter;
import keentally.core.method.Method;
import keentally.core.picture.Mask;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane;
import keentally.core.picture.Plane16;
import keentally.core.picture.Plane8;
import keentally.core.picture.PlaneF;
import keentally.core.quantity.LengthUnit;
import keentally.core.run.Progress;
import keentally.core.run.RunFault;
import keentally.core.run.Runner;
import keentally.core.run.Sample;
import keentally.core.run.StateCache;
import keentally.core.setting.Values;
import keentally.core.stats.Histogram;
import keentally.core.step.StepDescription;
import keentally.core.step.Steps;
import keentally.core.threshold.LocalThreshold;
import keentally.core.threshold.MultiLevel;
import keentally.core.threshold.rule.Rule;
import keentally.core.work.Cancel;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Level;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;

/** Preparing and parting into phases, on 12 megapixels and two threads. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
public class Parting extends TwoThreads {
    private Plane8 bytes;
    private Plane16 shorts;
    private Picture colour;
    private ColourRows rows;
    private Unmix unmix;
    private PicturePoints points;
    private Runner warm;
    private Method cut;
    private Method counted;
    private Sample sample;
    private double tick;

    @Setup(Level.Trial)
    public void draw() throws RunFault {
        PlaneF floats = Drawn.floats(work);
        bytes = Drawn.bytes(floats);
        shorts = Drawn.shorts(floats);
        byte[] other = new byte[bytes.values().length];
        byte[] third = new byte[other.length];
        for (int i = 0; i < other.length; i++) {
            other[i] = (byte) ((bytes.values()[i] & 0xff) / 2 + (i / 7 % 97));
            third[i] = (byte) (200 - (bytes.values()[i] & 0xff) / 2);
        }
        colour = Picture.colour(
                bytes, Plane8.of(Drawn.WIDTH, Drawn.HEIGHT, other), Plane8.of(Drawn.WIDTH, Drawn.HEIGHT, third));
        rows = ColourRows.of(colour, colour).orElseThrow();
        unmix = Unmix.of(Dyes.HAEMATOXYLIN_EOSIN.vectors(), new double[] {240, 240, 240})
                .orElseThrow();
        points = PicturePoints.of(colour, colour, field, ColourSpace.LAB, 0, work)
                .orElseThrow();
        cut = Method.empty("cut", LengthUnit.PX).add(0, Steps.find("threshold").orElseThrow());
        counted = cut.add(1, Steps.find("fill-holes").orElseThrow())
                .add(2, Steps.find("gate").orElseThrow());
        sample = Sample.of("drawn", Picture.grey(bytes), List.of(), Optional.empty());
        warm = new Runner(workers, new StateCache(1L << 29));
    }

    private double rules(Plane plane) {
        Histogram h = Histogram.of(plane, field, work);
        double sum = 0;
        for (Rule rule : Rule.values()) {
            OptionalDouble found = rule.cut(h);
            sum += found.orElse(0);
        }
        return sum;
    }

    @Benchmark
    public double allRules8() {
        return rules(bytes);
    }

    @Benchmark
    public double allRules16() {
        return rules(shorts);
    }

    @Benchmark
    public double[] levels20() {
        return MultiLevel.cuts(Histogram.of(shorts, field, work), 20);
    }

    @Benchmark
    public Plane median8() {
        return MedianFilter.of(bytes, 10, work);
    }

    @Benchmark
    public Plane median16() {
        return MedianFilter.of(shorts, 10, work);
    }

    @Benchmark
    public List<Plane> bilateral() {
        return Bilateral.of(List.of(bytes), 2, 20, work);
    }

    @Benchmark
    public Plane opening() {
        return GreyMorphology.disk(16, Optional.empty()).opening(bytes, work);
    }

    @Benchmark
    public Picture unmixing() {
        return unmix.apply(rows, List.of(), work);
    }

    @Benchmark
    public Mask sauvola() {
        return LocalThreshold.of(bytes, field, LocalThreshold.Rule.SAUVOLA, 25, 0.5, true, work);
    }

    @Benchmark
    public Optional<KMeans.Partition> kMeans8() {
        return KMeans.of(points.points(), 8, 10, 1, work);
    }

    @Benchmark
    public ClusterTrials howManyGroups() {
        return ClusterTrials.of(points.points(), 12, 3, 1, work);
    }

    @Benchmark
    public double trialSheetOfShares() throws RunFault {
        return twelve(cut);
    }

    @Benchmark
    public double trialSheetOfCounts() throws RunFault {
        return twelve(counted);
    }

    /** Twelve cuts never tried before. */
    private double twelve(Method method) throws RunFault {
        StepDescription step = Steps.find("threshold").orElseThrow();
        double sum = 0;
        for (int i = 0; i < 12; i++) {
            tick += 1e-6;
            Values values = Values.NONE
                    .withTree(step.setting("rule").orElseThrow(), "manual")
                    .withTree(step.setting("cut").orElseThrow(), 90 + 5 * i + tick);
            var run = warm.run(
                    method.with("threshold-1", values), sample, Integer.MAX_VALUE, new Cancel(), Progress.SILENT);
            sum += run.last().mask().orElseThrow().count();
            if (method == counted) {
                sum += warm.ending(run, new Cancel()).objects().orElseThrow().count();
            }
        }
        return sum;
    }
}
