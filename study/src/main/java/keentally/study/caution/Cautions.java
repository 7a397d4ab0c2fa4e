package keentally.study.caution;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import keentally.core.measure.Measure;
import keentally.core.measure.SampleNumber;
import keentally.core.method.Departures;
import keentally.core.method.Departures.Departure;
import keentally.core.method.Method;
import keentally.core.picture.Field;
import keentally.core.picture.Neighbours;
import keentally.core.region.ObjectSet;
import keentally.core.run.Readings;
import keentally.core.run.Run;
import keentally.core.words.Figures;
import keentally.core.words.SettingWords;
import keentally.core.work.Work;

/** Checks over what a run gave, behind those over its picture; in a fixed order. */
public final class Cautions {
    private static final double FEW_PIXELS = 50;
    private static final double MOST_FEW_PERCENT = 10;

    private Cautions() {}

    /**
     * @param several whether the method is meant for more than one sample
     */
    public static List<Caution> of(Run run, Readings readings, boolean several, Work work) {
        List<Caution> found = new ArrayList<>(CutCautions.of(run, readings, several, work));
        found.addAll(SameSignal.of(run));
        WrongWhole.of(run, readings, work).ifPresent(found::add);
        found.addAll(MaskCautions.of(run, readings, work));
        Touching.of(readings.state(), work).ifPresent(found::add);
        Optional<ObjectSet> objects = readings.state().objects().filter(o -> o.count() > 0);
        objects.flatMap(o -> edgeObjects(o, readings.state().field())).ifPresent(found::add);
        objects.flatMap(Cautions::mostlySpecks).ifPresent(found::add);
        objects.flatMap(Cautions::fewPixels).ifPresent(found::add);
        return found;
    }

    /** Of every mass that was worked out from a share of area. */
    public static Caution areaForVolume() {
        return new Caution(
                CautionKind.AREA_FOR_VOLUME,
                "Masses are worked out from shares of area.",
                "A share of area stands for a share of volume only where the cut lies at random, and for a share of mass only"
                        + " with the right densities.",
                "Give the densities where they differ, and take several cuts.");
    }

    /**
     * Where a sample has settings of its own.
     *
     * @param method as it goes on the sample
     */
    public static Optional<Caution> departures(Departures departures, Method method) {
        List<Departure> all = departures.list();
        if (all.isEmpty()) {
            return Optional.empty();
        }
        List<Departure> resting = departures.resting(method);
        String saw = (all.size() == 1 ? "One setting is" : all.size() + " settings are")
                + " this sample's own: "
                + all.stream().map(d -> SettingWords.departure(d, method)).collect(Collectors.joining("; "))
                + "."
                + (resting.isEmpty() ? "" : " Where the station is gone, this has no effect.");
        return Optional.of(new Caution(
                CautionKind.DEPARTURES,
                saw,
                "Its numbers come about otherwise than those of the other samples of this method.",
                "Take it back at the station, or say in the report why it must be so."));
    }

    /**
     * Where a number of the sample lies outside of its limits.
     *
     * @param told the number, as it is told in the method's unit
     * @param unit as on screen; empty for none
     */
    public static Optional<Caution> outOfLimits(SampleNumber number, double told, String unit) {
        if (number.limits().hold(told)) {
            return Optional.empty();
        }
        String behind = unit.isEmpty() ? "" : " " + unit;
        String limits = Stream.of(
                        number.limits().atLeast().stream().mapToObj(v -> "at least " + Figures.number(v) + behind),
                        number.limits().atMost().stream().mapToObj(v -> "at most " + Figures.number(v) + behind))
                .flatMap(s -> s)
                .collect(Collectors.joining(" and "));
        return Optional.of(new Caution(
                CautionKind.OUT_OF_LIMITS,
                "The number “" + number.name() + "” is " + Figures.number(told) + behind + ", where " + limits
                        + " is expected.",
                "Either the sample is unusual, or something went wrong with its picture, field, scale or cut.",
                "Look at this sample before its numbers are used."));
    }

    private static Optional<Caution> edgeObjects(ObjectSet objects, Field field) {
        var inner = field.inner(Neighbours.EIGHT);
        long cut = IntStream.range(0, objects.count())
                .filter(i -> objects.regions().leaves(objects.region(i), inner))
                .count();
        if (cut == 0) {
            return Optional.empty();
        }
        return Optional.of(new Caution(
                CautionKind.EDGE_OBJECTS,
                Figures.number(cut) + " of " + Figures.number(objects.count())
                        + " objects are cut by the field's edge.",
                "Their sizes are too small and their shapes wrong.",
                "Add the station “Edge objects” where sizes matter."));
    }

    private static Optional<Caution> mostlySpecks(ObjectSet objects) {
        long specks = smaller(objects, Measure.LEAST_FOR_SHAPE);
        if (2 * specks <= objects.count()) {
            return Optional.empty();
        }
        return Optional.of(new Caution(
                CautionKind.MOSTLY_SPECKS,
                Figures.number(specks) + " of " + Figures.number(objects.count()) + " objects have under "
                        + Measure.LEAST_FOR_SHAPE + " pixels.",
                "The count is a count of specks, most likely noise.",
                "Add the station “Remove specks”, or a gate on area."));
    }

    private static Optional<Caution> fewPixels(ObjectSet objects) {
        long few = smaller(objects, FEW_PIXELS);
        double percent = 100.0 * few / objects.count();
        if (percent <= MOST_FEW_PERCENT) {
            return Optional.empty();
        }
        return Optional.of(new Caution(
                CautionKind.FEW_PIXELS,
                Figures.percent(percent) + " % of the objects have under " + Figures.number(FEW_PIXELS) + " pixels.",
                "One pixel more or less along their outline changes such an area by a quarter and more.",
                "Take the picture at a higher magnification, or gate small objects away."));
    }

    private static long smaller(ObjectSet objects, double pixels) {
        return IntStream.range(0, objects.count())
                .filter(i -> objects.regions().pixels(objects.region(i)) < pixels)
                .count();
    }

    /** As one cell of a table. */
    public static String ids(List<Caution> cautions) {
        return String.join(";", cautions.stream().map(Caution::id).toList());
    }
}
