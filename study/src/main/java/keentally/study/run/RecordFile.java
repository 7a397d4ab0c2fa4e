package keentally.study.run;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import keentally.core.measure.Column;
import keentally.core.measure.Formula;
import keentally.core.measure.Kind;
import keentally.core.measure.Measure;
import keentally.core.measure.OwnColumn;
import keentally.core.method.Departures;
import keentally.core.method.Departures.Departure;
import keentally.core.quantity.Scale;
import keentally.core.run.PhaseReading;
import keentally.study.caution.Caution;
import keentally.study.caution.CautionKind;
import keentally.study.file.Json;
import keentally.study.run.SampleRecord.CentresAt;
import keentally.study.run.SampleRecord.CutAt;
import keentally.study.run.SampleRecord.Numbers;
import keentally.study.run.SampleRecord.Origin;
import keentally.study.run.SampleRecord.OwnNumber;

/** A record as JSON, with every number in the shortest text that reads back the same; what is not a number is null. */
public final class RecordFile {
    private static final String FORMAT = "keen-tally-record";
    private static final int VERSION = 1;

    private RecordFile() {}

    public static String text(SampleRecord record) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("format", FORMAT);
        tree.put("version", VERSION);
        tree.put("sample", record.sample());
        tree.put("status", record.error().orElse("ok"));
        tree.put("origin", origin(record.origin()));
        record.numbers().ifPresent(n -> tree.put("numbers", numbers(n)));
        tree.put("cautions", record.cautions().stream().map(RecordFile::tree).toList());
        return Json.compact(tree) + "\n";
    }

    /** A caution as it stands in files. */
    public static Map<String, Object> tree(Caution caution) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("id", caution.id());
        tree.put("saw", caution.saw());
        tree.put("why", caution.why());
        tree.put("wayOut", caution.wayOut());
        return tree;
    }

    private static Map<String, Object> origin(Origin origin) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("program", origin.program());
        tree.put("methodSha256", origin.methodSha256());
        tree.put("picture", origin.picture());
        tree.put("width", origin.width());
        tree.put("height", origin.height());
        origin.scale().ifPresent(s -> tree.put("scale", s.toString()));
        if (!origin.departures().list().isEmpty()) {
            tree.put(
                    "departures",
                    origin.departures().list().stream()
                            .map(RecordFile::departure)
                            .toList());
        }
        return tree;
    }

    private static Map<String, Object> departure(Departure departure) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("step", departure.step());
        tree.put("setting", departure.setting());
        departure.value().ifPresent(v -> tree.put("value", v));
        return tree;
    }

    private static Map<String, Object> numbers(Numbers numbers) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("fieldPixels", numbers.fieldPixels());
        tree.put(
                "cuts",
                numbers.cuts().stream().map(c -> List.of(c.step(), c.value())).toList());
        if (!numbers.centres().isEmpty()) {
            tree.put(
                    "centres",
                    numbers.centres().stream()
                            .map(c -> Map.of("step", c.step(), "places", c.places()))
                            .map(TreeMap::new)
                            .toList());
        }
        tree.put("handEdits", numbers.handEdits());
        List<Object> phases = new ArrayList<>();
        for (int i = 0; i < numbers.phases().size(); i++) {
            phases.add(phase(numbers.phases().get(i), numbers.masses().get(i)));
        }
        tree.put("phases", phases);
        numbers.objects().ifPresent(o -> tree.put("objects", objects(o)));
        if (!numbers.own().isEmpty()) {
            tree.put("own", numbers.own().stream().map(RecordFile::own).toList());
        }
        return tree;
    }

    private static Map<String, Object> own(OwnNumber own) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("name", own.name());
        tree.put("formula", own.formula());
        tree.put(
                "kind",
                List.of(
                        own.kind().length(),
                        own.kind().signal(),
                        own.kind().angle(),
                        own.kind().mass()));
        tree.put("px", number(own.px()));
        own.why().ifPresent(w -> tree.put("why", w));
        return tree;
    }

    private static Map<String, Object> phase(PhaseReading phase, double mass) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("name", phase.name());
        tree.put("pixels", phase.pixels());
        tree.put("percent", number(phase.percent()));
        tree.put("x", number(phase.x()));
        tree.put("y", number(phase.y()));
        tree.put("mean", number(phase.mean()));
        tree.put("sd", number(phase.sd()));
        if (!phase.colour().isEmpty()) {
            tree.put("colour", phase.colour().stream().map(RecordFile::number).toList());
        }
        tree.put("mass", number(mass));
        return tree;
    }

    private static Map<String, Object> objects(ObjectRows rows) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("count", rows.count());
        tree.put("keptPixels", rows.keptPixels());
        tree.put(
                "phases",
                IntStream.range(0, rows.count()).map(rows::phase).boxed().toList());
        if (rows.isSorted()) {
            tree.put(
                    "classes",
                    IntStream.range(0, rows.count()).mapToObj(rows::classOf).toList());
        }
        List<Object> columns = new ArrayList<>();
        for (int c = 0; c < rows.columns().size(); c++) {
            int column = c;
            Map<String, Object> of = column(rows.columns().get(c));
            of.put(
                    "px",
                    IntStream.range(0, rows.count())
                            .mapToObj(i -> number(rows.px(i, column)))
                            .toList());
            columns.add(of);
        }
        tree.put("columns", columns);
        return tree;
    }

    /** What a column is, as it stands in files. */
    public static Map<String, Object> column(Column column) {
        Map<String, Object> of = new LinkedHashMap<>();
        of.put("id", column.id());
        if (column instanceof OwnColumn own) {
            of.put("formula", own.formula().toString());
        }
        return of;
    }

    /** @throws IllegalArgumentException where there is no such measure */
    public static Column readColumn(Map<?, ?> tree) {
        String id = (String) tree.get("id");
        return tree.get("formula") instanceof String formula
                ? new OwnColumn(id, Formula.of(formula))
                : Measure.find(id).orElseThrow(() -> new IllegalArgumentException("no measure is called " + id));
    }

    private static Double number(double value) {
        return Double.isFinite(value) ? value : null;
    }

    /** @throws IllegalArgumentException where the text is no record */
    public static SampleRecord read(String text) {
        return readTree((Map<?, ?>) Json.parse(text));
    }

    /** @throws IllegalArgumentException where the tree is no record */
    public static SampleRecord readTree(Map<?, ?> tree) {
        try {
            if (!FORMAT.equals(tree.get("format")) || !Integer.valueOf(VERSION).equals(tree.get("version"))) {
                throw new IllegalArgumentException("expected a " + FORMAT + " of version " + VERSION);
            }
            String status = (String) tree.get("status");
            Optional<Numbers> numbers =
                    Optional.ofNullable((Map<?, ?>) tree.get("numbers")).map(RecordFile::readNumbers);
            return new SampleRecord(
                    (String) tree.get("sample"),
                    readOrigin((Map<?, ?>) tree.get("origin")),
                    numbers,
                    numbers.isPresent() ? Optional.empty() : Optional.of(status),
                    maps(tree.get("cautions"))
                            .map(c -> new Caution(
                                    CautionKind.of((String) c.get("id")),
                                    (String) c.get("saw"),
                                    (String) c.get("why"),
                                    (String) c.get("wayOut")))
                            .toList());
        } catch (ClassCastException | NullPointerException e) {
            throw new IllegalArgumentException("not a record of a sample", e);
        }
    }

    private static Stream<Map<?, ?>> maps(Object list) {
        return ((List<?>) list).stream().map(m -> (Map<?, ?>) m);
    }

    private static Origin readOrigin(Map<?, ?> tree) {
        return new Origin(
                (String) tree.get("program"),
                (String) tree.get("methodSha256"),
                (String) tree.get("picture"),
                ((Number) tree.get("width")).intValue(),
                ((Number) tree.get("height")).intValue(),
                Optional.ofNullable((String) tree.get("scale")).map(Scale::of),
                tree.get("departures") == null
                        ? Departures.NONE
                        : new Departures(maps(tree.get("departures"))
                                .map(d -> new Departure(
                                        (String) d.get("step"),
                                        (String) d.get("setting"),
                                        Optional.ofNullable(d.get("value"))))
                                .toList()));
    }

    private static Numbers readNumbers(Map<?, ?> tree) {
        List<PhaseReading> phases = new ArrayList<>();
        List<Double> masses = new ArrayList<>();
        maps(tree.get("phases")).forEach(p -> {
            phases.add(new PhaseReading(
                    phases.size(),
                    (String) p.get("name"),
                    ((Number) p.get("pixels")).longValue(),
                    amount(p.get("percent")),
                    amount(p.get("x")),
                    amount(p.get("y")),
                    amount(p.get("mean")),
                    amount(p.get("sd")),
                    p.get("colour") instanceof List<?> c
                            ? c.stream().map(RecordFile::amount).toList()
                            : List.of()));
            masses.add(amount(p.get("mass")));
        });
        List<CutAt> cuts = ((List<?>) tree.get("cuts"))
                .stream()
                        .map(c -> (List<?>) c)
                        .map(c -> new CutAt(((Number) c.get(0)).intValue(), amount(c.get(1))))
                        .toList();
        return new Numbers(
                ((Number) tree.get("fieldPixels")).longValue(),
                Optional.ofNullable((Map<?, ?>) tree.get("objects")).map(RecordFile::readObjects),
                phases,
                masses,
                cuts,
                tree.get("centres") == null
                        ? List.of()
                        : maps(tree.get("centres")).map(RecordFile::readCentres).toList(),
                ((Number) tree.get("handEdits")).longValue(),
                tree.get("own") == null
                        ? List.of()
                        : maps(tree.get("own")).map(RecordFile::readOwn).toList());
    }

    private static CentresAt readCentres(Map<?, ?> tree) {
        List<List<Double>> places = ((List<?>) tree.get("places"))
                .stream()
                        .map(p -> ((List<?>) p).stream().map(RecordFile::amount).toList())
                        .toList();
        return new CentresAt(((Number) tree.get("step")).intValue(), places);
    }

    private static OwnNumber readOwn(Map<?, ?> tree) {
        double[] kind = amounts((List<?>) tree.get("kind"));
        return new OwnNumber(
                (String) tree.get("name"),
                (String) tree.get("formula"),
                new Kind(kind[0], kind[1], kind[2], kind[3]),
                amount(tree.get("px")),
                Optional.ofNullable((String) tree.get("why")));
    }

    private static ObjectRows readObjects(Map<?, ?> tree) {
        List<Column> columns = new ArrayList<>();
        List<double[]> px = new ArrayList<>();
        maps(tree.get("columns")).forEach(c -> {
            columns.add(readColumn(c));
            px.add(amounts((List<?>) c.get("px")));
        });
        int[] phases = ((List<?>) tree.get("phases"))
                .stream().mapToInt(p -> ((Number) p).intValue()).toArray();
        return new ObjectRows(
                columns,
                px.toArray(double[][]::new),
                phases,
                tree.get("classes") == null
                        ? List.of()
                        : ((List<?>) tree.get("classes"))
                                .stream().map(String.class::cast).toList(),
                ((Number) tree.get("keptPixels")).longValue());
    }

    private static double[] amounts(List<?> list) {
        DoubleStream amounts = list.stream().mapToDouble(RecordFile::amount);
        return amounts.toArray();
    }

    private static double amount(Object value) {
        return value == null ? Double.NaN : ((Number) value).doubleValue();
    }
}
