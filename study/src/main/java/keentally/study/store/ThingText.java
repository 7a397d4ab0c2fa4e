package keentally.study.store;

import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.NoSuchElementException;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import keentally.core.classify.TrainingPlan;
import keentally.core.colour.Rgb;
import keentally.core.hand.Glyph;
import keentally.core.hand.TallyClass;
import keentally.core.method.Departures;
import keentally.core.method.Departures.Departure;
import keentally.core.method.Method;
import keentally.core.method.MethodFault;
import keentally.core.method.MethodStep;
import keentally.core.method.MethodTree;
import keentally.core.picture.Field;
import keentally.core.quantity.Mass;
import keentally.core.quantity.Scale;
import keentally.core.setting.Values;
import keentally.study.document.Approval;
import keentally.study.document.Calibration;
import keentally.study.document.FieldOrigin;
import keentally.study.document.FieldText;
import keentally.study.document.PhaseNote;
import keentally.study.document.PictureRef;
import keentally.study.document.PictureRef.FileStamp;
import keentally.study.document.PictureRef.Source;
import keentally.study.document.ReportPlan;
import keentally.study.document.SlideLabel;
import keentally.study.document.Thing;
import keentally.study.document.Thing.ClassesThing;
import keentally.study.document.Thing.DeparturesThing;
import keentally.study.document.Thing.HandThing;
import keentally.study.document.Thing.MethodThing;
import keentally.study.document.Thing.OrderThing;
import keentally.study.document.Thing.PhasesThing;
import keentally.study.document.Thing.ReportThing;
import keentally.study.document.Thing.SampleThing;
import keentally.study.document.Thing.SheetThing;
import keentally.study.document.Thing.TrainingThing;
import keentally.study.file.Json;
import keentally.study.method.ReferencePaths;

/** Things as text. Pictures below or beside the study's folder are referred to by relative paths, others by whole ones. */
final class ThingText {
    private final Path folder;

    /** @param folder the study file's, absolute */
    ThingText(Path folder) {
        this.folder = folder;
    }

    String write(Thing thing) {
        return Json.compact(
                switch (thing) {
                    case SampleThing sample -> sample(sample);
                    case MethodThing method ->
                        approved(method(ReferencePaths.relative(method.method(), folder)), method.approval());
                    case HandThing hand -> HandText.write(hand.work());
                    case DeparturesThing own ->
                        Map.of(
                                "departures",
                                own.departures().list().stream()
                                        .map(ThingText::departure)
                                        .toList());
                    case ClassesThing all ->
                        Map.of(
                                "classes",
                                all.classes().stream()
                                        .map(ThingText::tallyClass)
                                        .toList());
                    case PhasesThing phases -> Map.of("notes", notes(phases.notes()));
                    case SheetThing sheet -> Map.of("title", sheet.title(), "table", sheet.table(), "png", sheet.png());
                    case ReportThing(ReportPlan plan) -> ReportText.write(plan);
                    case TrainingThing(TrainingPlan plan) -> TrainingText.write(plan);
                    case OrderThing order -> Map.of("samples", order.samples());
                });
    }

    /** Only what is other than in the version that it adds to. */
    String write(Thing thing, Thing base) {
        return thing instanceof HandThing hand && base instanceof HandThing before
                ? Json.compact(HandText.write(hand.work(), before.work()))
                : write(thing);
    }

    /**
     * As {@link #read(String, String)}, of what adds to another version.
     *
     * @throws IllegalArgumentException where the text is not what {@link #write(Thing, Thing)} writes
     */
    Thing read(String kind, String text, Thing base) {
        if (!kind.equals("hand") || !(base instanceof HandThing before)) {
            throw new IllegalArgumentException("a " + kind + " adds to a version of another kind");
        }
        try {
            return new HandThing(HandText.read(map(Json.parse(text)), before.work()));
        } catch (IllegalArgumentException e) {
            throw e;
        } catch (RuntimeException e) {
            throw new IllegalArgumentException("hand work in the study cannot be read", e);
        }
    }

    static String kind(Thing thing) {
        return switch (thing) {
            case SampleThing s -> "sample";
            case MethodThing m -> "method";
            case HandThing h -> "hand";
            case DeparturesThing d -> "departures";
            case ClassesThing c -> "classes";
            case PhasesThing p -> "phases";
            case SheetThing s -> "sheet";
            case ReportThing r -> "report";
            case TrainingThing t -> "training";
            case OrderThing o -> "order";
        };
    }

    /** @throws IllegalArgumentException where the text is not what {@link #write} writes */
    Thing read(String kind, String text) {
        Object tree = Json.parse(text);
        try {
            return switch (kind) {
                case "sample" -> sample(map(tree));
                case "method" -> new MethodThing(ReferencePaths.whole(method(map(tree)), folder), approval(map(tree)));
                case "hand" -> new HandThing(HandText.read(map(tree)));
                case "departures" ->
                    new DeparturesThing(new Departures(((List<?>) map(tree).get("departures"))
                            .stream().map(d -> departure(map(d))).toList()));
                case "classes" ->
                    new ClassesThing(((List<?>) map(tree).get("classes"))
                            .stream().map(c -> tallyClass(map(c))).toList());
                case "phases" -> new PhasesThing(readNotes(map(map(tree).get("notes"))));
                case "sheet" -> sheet(map(tree));
                case "training" -> new TrainingThing(TrainingText.read(map(tree)));
                case "report" -> new ReportThing(ReportText.read(map(tree)));
                case "order" -> new OrderThing(texts(map(tree).get("samples")));
                default -> throw new IllegalArgumentException("no thing is called " + kind);
            };
        } catch (MethodFault
                | ClassCastException
                | NullPointerException
                | NoSuchElementException
                | IndexOutOfBoundsException e) {
            throw new IllegalArgumentException("a " + kind + " in the study cannot be read", e);
        }
    }

    private static Map<String, Object> departure(Departure of) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("step", of.step());
        tree.put("setting", of.setting());
        of.value().ifPresent(v -> tree.put("value", v));
        return tree;
    }

    private static Departure departure(Map<String, Object> tree) {
        return new Departure(
                (String) tree.get("step"), (String) tree.get("setting"), Optional.ofNullable(tree.get("value")));
    }

    private static Map<String, Object> tallyClass(TallyClass of) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("id", of.id());
        tree.put("name", of.name());
        tree.put("glyph", of.glyph().name());
        tree.put("colour", of.colour().toString());
        return tree;
    }

    private static TallyClass tallyClass(Map<String, Object> tree) {
        return new TallyClass(
                (String) tree.get("id"),
                (String) tree.get("name"),
                Glyph.valueOf((String) tree.get("glyph")),
                Rgb.of((String) tree.get("colour")));
    }

    private static SheetThing sheet(Map<String, Object> tree) {
        return new SheetThing((String) tree.get("title"), (String) tree.get("table"), (String) tree.get("png"));
    }

    private static Map<String, Object> notes(Map<String, PhaseNote> notes) {
        Map<String, Object> tree = new TreeMap<>();
        notes.forEach((phase, note) -> {
            Map<String, Object> said = new LinkedHashMap<>();
            note.colour().ifPresent(c -> said.put("colour", c.toString()));
            note.density().ifPresent(d -> said.put("density", d));
            tree.put(phase, said);
        });
        return tree;
    }

    private static Map<String, PhaseNote> readNotes(Map<String, Object> tree) {
        Map<String, PhaseNote> notes = new TreeMap<>();
        tree.forEach((phase, said) -> {
            Map<String, Object> map = map(said);
            notes.put(
                    phase,
                    new PhaseNote(
                            Optional.ofNullable(map.get("colour")).map(c -> Rgb.of((String) c)),
                            Optional.ofNullable(map.get("density"))
                                    .map(d -> number(d).doubleValue())));
        });
        return notes;
    }

    /** As a method file, and beside it exactly what was set: settings that rest now are there again when they apply. */
    private static Map<String, Object> method(Method method) {
        Map<String, Object> set = new LinkedHashMap<>();
        method.steps()
                .forEach(s -> set.put(s.id(), s.values().asSet(s.description().settings())));
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("method", MethodTree.write(method));
        tree.put("set", set);
        return tree;
    }

    private static Map<String, Object> approved(Map<String, Object> method, Optional<Approval> approval) {
        approval.ifPresent(a -> method.put("approved", Map.of("by", a.by(), "at", a.at().toEpochMilli())));
        return method;
    }

    private static Optional<Approval> approval(Map<String, Object> method) {
        return Optional.ofNullable(method.get("approved"))
                .map(ThingText::map)
                .map(a -> new Approval((String) a.get("by"), Instant.ofEpochMilli(((Number) a.get("at")).longValue())));
    }

    private static Method method(Map<String, Object> tree) throws MethodFault {
        Method method = MethodTree.read(tree.get("method"));
        Map<String, Object> set = map(tree.get("set"));
        for (MethodStep step : method.steps()) {
            Values values = Values.NONE;
            for (Map.Entry<String, Object> e : map(set.get(step.id())).entrySet()) {
                values = values.withTree(step.description().setting(e.getKey()).orElseThrow(), e.getValue());
            }
            method = method.with(step.id(), values);
        }
        return method;
    }

    private Map<String, Object> sample(SampleThing sample) {
        Map<String, Object> tree = new LinkedHashMap<>();
        SlideLabel label = sample.label();
        tree.put("name", label.name());
        tree.put("note", label.note());
        tree.put("group", label.group());
        label.amount().ifPresent(a -> tree.put("amount", Map.of("value", a.value(), "unit", a.unit())));
        tree.put(
                "picture", sample.picture().sources().stream().map(this::source).toList());
        sample.calibration().ifPresent(c -> tree.put("scale", calibration(c)));
        tree.put("field", sample.field().stream().map(FieldText::write).toList());
        if (!sample.fieldFrom().isEmpty()) {
            tree.put("fieldFrom", sample.fieldFrom().stream().map(Enum::name).toList());
        }
        tree.put("method", sample.method());
        sample.mass().ifPresent(m -> tree.put("mass", m.toString()));
        if (!sample.numbers().isEmpty()) {
            tree.put("numbers", sample.numbers());
        }
        sample.leftOut().ifPresent(why -> tree.put("leftOut", why));
        return tree;
    }

    private static Map<String, Object> calibration(Calibration calibration) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("pixel", calibration.scale().toString());
        tree.put("from", calibration.origin().name());
        tree.put("how", calibration.how());
        return tree;
    }

    private Map<String, Object> source(Source source) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("channel", source.channel());
        tree.put("file", ReferencePaths.relative(source.file(), folder));
        tree.put("page", source.page());
        source.stamp().ifPresent(s -> {
            tree.put("sha256", s.sha256());
            tree.put("bytes", s.bytes());
            tree.put("modified", s.modified());
        });
        return tree;
    }

    private SampleThing sample(Map<String, Object> tree) {
        Optional<SlideLabel.Amount> amount = Optional.ofNullable(tree.get("amount"))
                .map(ThingText::map)
                .map(a -> new SlideLabel.Amount(number(a.get("value")).doubleValue(), (String) a.get("unit")));
        SlideLabel label = new SlideLabel(
                (String) tree.get("name"), (String) tree.get("note"), (String) tree.get("group"), amount);
        List<Source> sources = new ArrayList<>();
        for (Object source : (List<?>) tree.get("picture")) {
            sources.add(source(map(source)));
        }
        Optional<Calibration> calibration = Optional.ofNullable(tree.get("scale"))
                .map(ThingText::map)
                .map(c -> new Calibration(
                        Scale.of((String) c.get("pixel")), Calibration.Origin.valueOf((String) c.get("from")), (String)
                                c.get("how")));
        List<Field.Part> field =
                texts(tree.get("field")).stream().map(FieldText::read).toList();
        return new SampleThing(
                label,
                new PictureRef(sources),
                calibration,
                field,
                origins(tree.get("fieldFrom"), field.size()),
                (String) tree.get("method"),
                Optional.ofNullable((String) tree.get("mass")).map(Mass::of),
                numbers(tree.get("numbers")),
                Optional.ofNullable((String) tree.get("leftOut")));
    }

    /** Of studies that did not keep it yet, drawn. */
    private static List<FieldOrigin> origins(Object tree, int shapes) {
        return tree == null
                ? Collections.nCopies(shapes, FieldOrigin.DRAWN)
                : texts(tree).stream().map(FieldOrigin::valueOf).toList();
    }

    private static SortedMap<String, Double> numbers(Object tree) {
        SortedMap<String, Double> numbers = new TreeMap<>();
        if (tree != null) {
            map(tree).forEach((name, value) -> numbers.put(name, number(value).doubleValue()));
        }
        return numbers;
    }

    private Source source(Map<String, Object> tree) {
        Path file = folder.resolve((String) tree.get("file")).normalize();
        Optional<FileStamp> stamp = Optional.ofNullable((String) tree.get("sha256"))
                .map(sha -> new FileStamp(
                        sha,
                        number(tree.get("bytes")).longValue(),
                        number(tree.get("modified")).longValue()));
        return new Source(
                (String) tree.get("channel"), file, number(tree.get("page")).intValue(), stamp);
    }

    private static Number number(Object tree) {
        return (Number) tree;
    }

    private static List<String> texts(Object tree) {
        return ((List<?>) tree).stream().map(String.class::cast).toList();
    }

    @SuppressWarnings("unchecked") // keys are text in any JSON
    private static Map<String, Object> map(Object tree) {
        return (Map<String, Object>) tree;
    }
}
