package keentally.study.run;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import keentally.core.measure.Kind;
import keentally.core.measure.SampleNumber;
import keentally.core.method.Departures;
import keentally.core.method.Method;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.PixelSize;
import keentally.core.quantity.Scale;
import keentally.core.run.PhaseReading;
import keentally.core.run.Readings;
import keentally.core.run.Run;
import keentally.core.run.Sample;
import keentally.core.step.Findings;
import keentally.core.work.Work;
import keentally.study.Program;
import keentally.study.caution.Caution;
import keentally.study.caution.Cautions;
import keentally.study.method.MethodFile;

/**
 * All that a run of one sample gave, in numbers; holds no pixels. Places, lengths and areas are in pixels, to be told in a unit by
 * {@link #told}.
 *
 * @param sample its name in tables
 * @param origin what the numbers came from
 * @param numbers empty where the sample failed
 * @param error a sentence, where it failed
 */
public record SampleRecord(
        String sample, Origin origin, Optional<Numbers> numbers, Optional<String> error, List<Caution> cautions) {
    public SampleRecord {
        cautions = List.copyOf(cautions);
        if (numbers.isPresent() == error.isPresent()) {
            throw new IllegalArgumentException("a record has either numbers or an error");
        }
    }

    /**
     * What every number leads back to.
     *
     * @param program its version
     * @param methodSha256 of the canonical form of the method as it went on the sample
     * @param departures what of that is the sample's own
     * @param picture tells the pixels from any others: its SHA-256 and page; empty where it could not be read
     * @param width 0 where the picture could not be read
     * @param height 0 where the picture could not be read
     */
    public record Origin(
            String program,
            String methodSha256,
            String picture,
            int width,
            int height,
            Optional<Scale> scale,
            Departures departures) {
        static Origin of(SampleOrder order, Method method) {
            Sample sample = order.sample();
            return new Origin(
                    Program.VERSION,
                    MethodFile.hash(method),
                    sample.key(),
                    sample.picture().width(),
                    sample.picture().height(),
                    sample.scale(),
                    order.departures());
        }
    }

    /**
     * What was counted and measured.
     *
     * @param fieldPixels of the field at the method's end: the whole that every share is of
     * @param objects empty where the method ends in a picture or in phases, and nothing can be counted
     * @param phases what the field is shared out to; none where the method ends in a picture
     * @param masses of the phases, in the unit of the sample's mass; not-a-number where it was not weighed
     * @param cuts where values were parted, in the order of the stations
     * @param centres of clusters, in the order of the stations
     * @param handEdits corrections by hand that were done
     * @param own numbers of the sample, in the order of the method
     */
    public record Numbers(
            long fieldPixels,
            Optional<ObjectRows> objects,
            List<PhaseReading> phases,
            List<Double> masses,
            List<CutAt> cuts,
            List<CentresAt> centres,
            long handEdits,
            List<OwnNumber> own) {
        public Numbers {
            centres = List.copyOf(centres);
            own = List.copyOf(own);
            phases = List.copyOf(phases);
            masses = List.copyOf(masses);
            cuts = List.copyOf(cuts);
        }
    }

    /**
     * A number of the sample.
     *
     * @param formula as it was written
     * @param kind what it is made of, and so its unit
     * @param px in pixels; not-a-number where it is empty
     * @param why it is empty, where it is
     */
    public record OwnNumber(String name, String formula, Kind kind, double px, Optional<String> why) {
        static OwnNumber of(SampleNumber.Reading reading) {
            SampleNumber number = reading.number();
            return new OwnNumber(number.name(), number.formula(), number.kind(), reading.px(), reading.why());
        }

        /** As in names of columns: {@code per_mm2}, or nothing. */
        public String unitId(LengthUnit unit) {
            return kind.unitId(unit);
        }

        /** As on screen: 1/mm², or nothing. */
        public String unitSymbol(LengthUnit unit) {
            return kind.unitSymbol(unit);
        }

        /** As it is told; empty where there is none, or where it has a unit of length and no pixel has a size. */
        public OptionalDouble told(PixelSize size) {
            boolean untold = kind.length() != 0 && !size.isReal();
            return Double.isNaN(px) || untold
                    ? OptionalDouble.empty()
                    : OptionalDouble.of(size.power(px, kind.length()));
        }
    }

    /**
     * Where a station parted values.
     *
     * @param step its place in the method, from 1
     */
    public record CutAt(int step, double value) {}

    /**
     * The centres around which a station gathered what is alike, from dark to light.
     *
     * @param step its place in the method, from 1
     */
    public record CentresAt(int step, List<List<Double>> places) {
        public CentresAt {
            places = places.stream().map(List::copyOf).toList();
        }
    }

    static SampleRecord of(SampleOrder order, Run run, Readings readings, List<Caution> cautions, Work work) {
        List<Double> masses = order.weighing().of(readings.fractions());
        Numbers numbers = new Numbers(
                readings.state().field().pixels(),
                readings.objects().map(table -> ObjectRows.of(table, readings)),
                readings.fractions(),
                masses,
                cuts(run),
                centres(run),
                handEdits(run),
                SampleNumbers.of(order, run, readings, work));
        Origin origin = Origin.of(order, run.method());
        List<Caution> all = new ArrayList<>(cautions);
        PixelSize size = PixelSize.of(run.method().unit(), order.sample().scale());
        for (int i = 0; i < numbers.own().size(); i++) {
            SampleNumber number = run.method().numbers().get(i);
            OptionalDouble told = numbers.own().get(i).told(size);
            if (told.isPresent()) {
                Cautions.outOfLimits(number, told.getAsDouble(), number.unitSymbol(size.unit()))
                        .ifPresent(all::add);
            }
        }
        return new SampleRecord(order.name(), origin, Optional.of(numbers), Optional.empty(), all);
    }

    static SampleRecord failed(SampleOrder order, Method method, String error, List<Caution> cautions) {
        Origin origin = Origin.of(order, method);
        return new SampleRecord(order.name(), origin, Optional.empty(), Optional.of(error), cautions);
    }

    /** Of a sample whose picture could not even be read. */
    public static SampleRecord unread(String sample, Method method, String error) {
        Origin origin =
                new Origin(Program.VERSION, MethodFile.hash(method), "", 0, 0, Optional.empty(), Departures.NONE);
        return new SampleRecord(sample, origin, Optional.empty(), Optional.of(error), List.of());
    }

    private static long handEdits(Run run) {
        return run.stations().stream()
                .mapToLong(s -> (long) s.findings().find(Findings.CORRECTIONS).orElse(0))
                .sum();
    }

    private static List<CutAt> cuts(Run run) {
        List<CutAt> cuts = new ArrayList<>();
        for (Run.Station station : run.stations()) {
            int number = run.method().indexOf(station.step().id()) + 1;
            station.findings().cuts().forEach(value -> cuts.add(new CutAt(number, value)));
        }
        return cuts;
    }

    private static List<CentresAt> centres(Run run) {
        List<CentresAt> centres = new ArrayList<>();
        for (Run.Station station : run.stations()) {
            List<List<Double>> places = station.findings().places(Findings.CENTRES);
            if (!places.isEmpty()) {
                centres.add(new CentresAt(run.method().indexOf(station.step().id()) + 1, places));
            }
        }
        return centres;
    }

    /** With one caution more. */
    public SampleRecord and(Caution caution) {
        List<Caution> more = new ArrayList<>(cautions);
        more.add(caution);
        return new SampleRecord(sample, origin, numbers, error, more);
    }

    /** How large a pixel is in a unit; pixels where the sample has no scale. */
    public PixelSize told(LengthUnit unit) {
        return PixelSize.of(unit, origin.scale());
    }
}
