package keentally.study.series;

import java.util.ArrayList;
import java.util.Collection;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.ToDoubleFunction;
import java.util.stream.Collectors;
import keentally.core.measure.Column;
import keentally.core.method.Method;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.PixelSize;
import keentally.core.reader.Reader;
import keentally.core.run.PhaseReading;
import keentally.core.stats.Averages;
import keentally.core.stats.FieldStatistics;
import keentally.core.words.Figures;
import keentally.core.words.Sentences;
import keentally.core.words.Words;
import keentally.study.caution.Cautions;
import keentally.study.document.Study;
import keentally.study.document.Thing.SampleThing;
import keentally.study.run.MovedPhases;
import keentally.study.run.SampleRecord;
import keentally.study.run.SampleRecord.Numbers;
import keentally.study.run.SampleRecord.OwnNumber;
import keentally.study.series.ObjectSums.ColumnSum;

/**
 * The results of samples, a row each: words about the sample, then numbers. A number that a sample does not have, or that has a unit of
 * length and no scale, is empty.
 */
public final class Ledger {
    private final List<LedgerEntry> entries;
    private final LengthUnit unit;
    private final List<LedgerColumn> columns;

    private Ledger(List<LedgerEntry> entries, LengthUnit unit) {
        this.entries = List.copyOf(entries);
        this.unit = unit;
        this.columns = columns();
    }

    /** @param unit that lengths and areas are told in; a real one */
    public static Ledger of(List<LedgerEntry> entries, LengthUnit unit) {
        return new Ledger(entries, unit);
    }

    /** Of all samples of a study, in its order, told in the real unit that most methods have. @param rows by sample, of those that were run */
    public static Ledger of(Study study, Map<String, LedgerRow> rows) {
        return new Ledger(entries(study, rows), unit(study));
    }

    private static List<LedgerEntry> entries(Study study, Map<String, LedgerRow> rows) {
        List<LedgerEntry> entries = new ArrayList<>();
        Map<String, MovedPhases> moved = new HashMap<>();
        for (String id : study.samples()) {
            SampleThing thing = study.sample(id).orElseThrow();
            MovedPhases held = moved.computeIfAbsent(thing.method(), m -> new MovedPhases(study.method(m)));
            Optional<LedgerRow> row = Optional.ofNullable(rows.get(id)).map(r -> r.with(held.next(r.record())));
            boolean stale = row.isPresent()
                    && !row.get().key().equals(SeriesSample.of(study, id).key());
            entries.add(new LedgerEntry(id, thing, study.method(thing.method()).name(), row, stale, wants(study, id)));
        }
        return entries;
    }

    /** The first station of a sample's method that cannot be done without work by hand, of which there is none. */
    public static Optional<String> wants(Study study, String id) {
        SampleThing thing = study.sample(id).orElseThrow();
        Method method = study.methodOn(id, thing.method());
        if (method.byHand().isEmpty()) {
            return Optional.empty();
        }
        Set<String> done = study.hand(id, thing.method()).keySet();
        return method.steps().stream()
                .filter(s -> s.byHand() && !done.contains(s.id()))
                .findFirst()
                .map(s -> (method.indexOf(s.id()) + 1) + " " + Reader.plainly(() -> Words.title(s.description())));
    }

    /** The real unit that most samples' methods have; µm where none has one. */
    private static LengthUnit unit(Study study) {
        Map<LengthUnit, Integer> units = new EnumMap<>(LengthUnit.class);
        for (String id : study.samples()) {
            study.sample(id)
                    .map(s -> study.method(s.method()).unit())
                    .filter(LengthUnit::isReal)
                    .ifPresent(u -> units.merge(u, 1, Integer::sum));
        }
        return units.entrySet().stream()
                .max(Map.Entry.comparingByValue())
                .map(Map.Entry::getKey)
                .orElse(LengthUnit.UM);
    }

    /** The same rows in another order. */
    public Ledger ordered(List<LedgerEntry> order) {
        return new Ledger(order, unit);
    }

    /** What lengths and areas are told in. */
    public LengthUnit unit() {
        return unit;
    }

    public List<LedgerEntry> entries() {
        return entries;
    }

    /** All columns, those of words first. */
    public List<LedgerColumn> all() {
        return columns;
    }

    public List<LedgerColumn> numbers() {
        return columns.stream().filter(LedgerColumn::isNumber).toList();
    }

    public Optional<LedgerColumn> column(String id) {
        return columns.stream().filter(c -> c.id().equals(id)).findFirst();
    }

    /** The values of a column for the samples that count, by group, in the order in which groups first occur. */
    public Map<String, List<LedgerEntry>> groups() {
        Map<String, List<LedgerEntry>> groups = new LinkedHashMap<>();
        for (LedgerEntry entry : entries) {
            if (entry.counts()) {
                groups.computeIfAbsent(entry.thing().label().group(), g -> new ArrayList<>())
                        .add(entry);
            }
        }
        return groups;
    }

    /** What the fields of each group say together in one column. */
    public Map<String, FieldStatistics> statistics(LedgerColumn column) {
        Map<String, FieldStatistics> statistics = new LinkedHashMap<>();
        groups().forEach((group, members) -> statistics.put(
                group,
                FieldStatistics.of(members.stream().mapToDouble(column.value()).toArray())));
        return statistics;
    }

    private List<LedgerColumn> columns() {
        List<LedgerColumn> all = new ArrayList<>();
        all.add(LedgerColumn.words("sample", "Sample", e -> e.thing().name()));
        all.add(LedgerColumn.words("status", "Status", Ledger::status));
        all.add(LedgerColumn.words("group", "Group", e -> e.thing().label().group()));
        all.add(LedgerColumn.words(
                "tag",
                "Tag",
                e -> e.thing().label().amount().map(Object::toString).orElse("")));
        all.add(LedgerColumn.words("method", "Method", LedgerEntry::method));
        addNumbers(all);
        all.add(LedgerColumn.words("scale", "Scale", e -> of(e, Ledger::scale)));
        all.add(LedgerColumn.words("field", "Field", e -> of(e, LedgerRow::fieldFrom)));
        all.add(LedgerColumn.words("cuts", "Cuts", e -> of(e, Ledger::cuts)));
        all.add(LedgerColumn.words("centres", "Centres", e -> of(e, Ledger::centres)));
        all.add(LedgerColumn.words("departures", "Departures", e -> of(e, Ledger::departures)));
        all.add(LedgerColumn.words(
                "cautions", "Cautions", e -> of(e, r -> Cautions.ids(r.record().cautions()))));
        all.add(LedgerColumn.words(
                "left_out", "Left out because", e -> e.thing().leftOut().orElse("")));
        return List.copyOf(all);
    }

    private void addNumbers(List<LedgerColumn> all) {
        boolean counted = rows().stream().anyMatch(r -> r.objects().isPresent());
        for (String name : names(r -> r.record().numbers().map(Numbers::own).orElse(List.of()).stream()
                .map(OwnNumber::name)
                .toList())) {
            all.add(own(name));
        }
        if (counted) {
            all.add(LedgerColumn.number(
                    "count",
                    "Count",
                    () -> Sentences.told("How many objects the method keeps in the field."),
                    e -> objects(e, (o, s) -> o.count())));
            all.add(LedgerColumn.number(
                    "count_per_mm2",
                    "Count per mm²",
                    () -> Sentences.told("The objects that are kept, divided by the area of the field."),
                    e -> row(e, r -> {
                        PixelSize mm = r.told(LengthUnit.MM);
                        return mm.isReal()
                                ? r.objects()
                                        .map(o -> o.count() / mm.area(field(r)))
                                        .orElse(Double.NaN)
                                : Double.NaN;
                    })));
            all.add(LedgerColumn.number(
                    "kept_area_" + unit.id() + "2",
                    "Kept area, " + unit.symbol() + "²",
                    () -> Sentences.told("The area of the objects that are kept, summed up."),
                    e -> sized(
                            e,
                            (r, s) ->
                                    r.objects().map(o -> s.area(o.keptPixels())).orElse(Double.NaN))));
            all.add(LedgerColumn.number(
                    "kept_percent",
                    "Kept, % of field",
                    () -> Sentences.told("The pixels of the objects that are kept, of the pixels of the field."),
                    e -> row(
                            e,
                            r -> r.objects()
                                    .map(o -> 100.0 * o.keptPixels() / field(r))
                                    .orElse(Double.NaN))));
        }
        for (String phase : names(r -> r.record().numbers().map(Numbers::phases).orElse(List.of()).stream()
                .map(PhaseReading::name)
                .toList())) {
            all.add(LedgerColumn.number(
                    phase.replace('-', '_') + "_percent",
                    "%s, %% of field".formatted(phase),
                    () -> Sentences.told("The pixels of the phase, of the pixels of the field."),
                    e -> row(e, r -> share(r, phase))));
        }
        for (String name : names(r -> r.objects().map(ObjectSums::columns).orElse(List.of()).stream()
                .map(c -> c.column().id())
                .toList())) {
            Column column = rows().stream()
                    .flatMap(r -> r.objects().flatMap(o -> o.column(name)).stream())
                    .findFirst()
                    .orElseThrow()
                    .column();
            all.add(statistic("mean", "Mean", "The mean over the objects that are kept.", column, Averages::mean));
            all.add(statistic(
                    "median", "Median", "The median over the objects that are kept.", column, Averages::median));
            all.add(statistic(
                    "sd", "SD", "The standard deviation over the objects that are kept.", column, Averages::sd));
        }
        for (String counter : names(r -> r.tallies().keySet())) {
            all.add(LedgerColumn.byHand(
                    "tally_" + counter,
                    "Counted by " + counter,
                    () -> Sentences.told("The marks that were set by hand under this name; no method gave them."),
                    e -> row(e, r -> {
                        Integer count = r.tallies().get(counter);
                        return count == null ? Double.NaN : count;
                    })));
        }
        all.add(LedgerColumn.number(
                "field_area_" + unit.id() + "2",
                "Field, " + unit.symbol() + "²",
                () -> Sentences.told("The area that was looked at."),
                e -> sized(e, (r, s) -> s.area(field(r)))));
        all.add(LedgerColumn.byHand(
                "hand_edits",
                "Edits by hand",
                () -> Sentences.told("How many times the mask or the objects were changed by hand."),
                e -> row(e, r -> r.record().numbers().map(Numbers::handEdits).orElse(0L))));
    }

    private List<LedgerRow> rows() {
        return entries.stream().flatMap(e -> e.row().stream()).toList();
    }

    private Set<String> names(Function<LedgerRow, Collection<String>> of) {
        Set<String> names = new LinkedHashSet<>();
        rows().forEach(r -> names.addAll(of.apply(r)));
        return names;
    }

    private LedgerColumn own(String name) {
        OwnNumber first = rows().stream()
                .flatMap(r -> r.record().numbers().stream())
                .flatMap(n -> n.own().stream())
                .filter(n -> n.name().equals(name))
                .findFirst()
                .orElseThrow();
        String id = first.unitId(unit);
        String symbol = first.unitSymbol(unit);
        return LedgerColumn.number(
                name.replace('-', '_') + (id.isEmpty() ? "" : "_" + id),
                symbol.isEmpty() ? name : name + ", " + symbol,
                () -> name + " = " + first.formula(),
                e -> row(
                        e,
                        r -> r.record().numbers().stream()
                                .flatMap(n -> n.own().stream())
                                .filter(n ->
                                        n.name().equals(name) && n.unitId(unit).equals(id))
                                .findFirst()
                                .map(n -> n.told(r.told(unit)).orElse(Double.NaN))
                                .orElse(Double.NaN)));
    }

    private LedgerColumn statistic(
            String word, String title, String over, Column column, ToDoubleFunction<Averages> which) {
        String id = column.unitId(unit);
        return LedgerColumn.statistic(
                word + "_" + column.id().replace('-', '_') + (id.isEmpty() ? "" : "_" + id),
                title + " of " + Reader.plainly(() -> Words.title(column, unit)),
                () -> Sentences.told(over) + " " + Words.definition(column),
                e -> row(e, r -> {
                    Optional<ColumnSum> sum = r.objects().flatMap(o -> o.column(column.id()));
                    PixelSize size = r.told(unit);
                    boolean untold = column.lengths() != 0 && !size.isReal();
                    return sum.isEmpty() || untold
                            ? Double.NaN
                            : sum.get().told(which.applyAsDouble(sum.get().px()), size);
                }));
    }

    /** A number of objects, told in a unit. */
    private interface OfObjects {
        double of(ObjectSums objects, PixelSize size);
    }

    /** A number of a row, told in a unit. */
    private interface OfRow {
        double of(LedgerRow row, PixelSize size);
    }

    private double objects(LedgerEntry entry, OfObjects number) {
        return row(entry, r -> r.objects().map(o -> number.of(o, r.told(unit))).orElse(Double.NaN));
    }

    private static double row(LedgerEntry entry, ToDoubleFunction<LedgerRow> number) {
        return entry.row().filter(r -> !r.isFailed()).map(number::applyAsDouble).orElse(Double.NaN);
    }

    /** Not-a-number without a scale. */
    private double sized(LedgerEntry entry, OfRow number) {
        return row(entry, r -> r.told(unit).isReal() ? number.of(r, r.told(unit)) : Double.NaN);
    }

    private static double field(LedgerRow row) {
        return row.record().numbers().map(Numbers::fieldPixels).orElse(0L);
    }

    private static double share(LedgerRow row, String phase) {
        return row.record().numbers().stream()
                .flatMap(n -> n.phases().stream())
                .filter(p -> p.name().equals(phase))
                .mapToDouble(PhaseReading::percent)
                .findFirst()
                .orElse(Double.NaN);
    }

    private static String of(LedgerEntry entry, Function<LedgerRow, String> text) {
        return entry.row().map(text).orElse("");
    }

    private static String status(LedgerEntry entry) {
        return switch (entry.standing()) {
            case NOT_RUN -> entry.wants().map(Ledger::wanting).orElse("not run");
            case CHANGED -> entry.wants().map(Ledger::wanting).orElse("changed since it was run");
            case FAILED ->
                entry.row().flatMap(r -> r.record().error()).map(Words::spoken).orElse("");
            case DONE -> entry.thing().leftOut().isPresent() ? "left out" : "ok";
        };
    }

    private static String wanting(String station) {
        return "wants work by hand first, at station " + station;
    }

    private static String scale(LedgerRow row) {
        return row.record()
                .origin()
                .scale()
                .map(s -> s + ", " + row.scaleFrom())
                .orElse("");
    }

    private static String cuts(LedgerRow row) {
        return row.record().numbers().map(Numbers::cuts).orElse(List.of()).stream()
                .map(c -> c.step() + ": " + Figures.number(c.value()))
                .collect(Collectors.joining("; "));
    }

    private static String centres(LedgerRow row) {
        return row.record().numbers().map(Numbers::centres).orElse(List.of()).stream()
                .map(c -> c.step() + ": "
                        + c.places().stream()
                                .map(p -> p.stream().map(Figures::number).collect(Collectors.joining(" ")))
                                .collect(Collectors.joining(", ")))
                .collect(Collectors.joining("; "));
    }

    private static String departures(LedgerRow row) {
        SampleRecord.Origin origin = row.record().origin();
        return origin.departures().list().stream()
                .map(d -> d.step() + ", " + d.setting() + ": "
                        + d.value().map(Object::toString).orElse("not set"))
                .collect(Collectors.joining("; "));
    }
}
