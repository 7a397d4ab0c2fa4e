package keentally.study.document;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SequencedMap;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import keentally.core.classify.TrainingPlan;
import keentally.core.hand.HandWork;
import keentally.core.hand.Mark;
import keentally.core.hand.Marks;
import keentally.core.hand.TallyClass;
import keentally.core.method.Departures;
import keentally.core.method.Method;
import keentally.core.quantity.LengthUnit;
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
import org.pcollections.PSortedMap;
import org.pcollections.TreePMap;

/** The document, as it is at one moment: things by their ids. */
public final class Study {
    /** The id of the method that every study starts with; it may be taken out once there is another. */
    public static final String FIRST_METHOD = "m1";

    private static final String CLASSES = "classes";

    /** In the place of a method's id: counted by hand, whatever the method. */
    private static final String COUNTED = "";

    /** Of ids with numbers that are counted up. */
    private static final Comparator<String> OLDEST_FIRST =
            Comparator.comparingInt(String::length).thenComparing(Comparator.naturalOrder());

    private static final String DEPARTURES = "departures/";
    private static final String HAND = "hand/";
    private static final String METHOD = "method/";
    private static final String PHASES = "phases/";
    private static final String ORDER = "order";
    private static final String REPORT = "report";
    private static final String SHEET = "sheet/";
    private static final String SAMPLE = "sample/";
    private static final String TRAINING = "training/";

    private final PSortedMap<String, Thing> things;

    private Study(PSortedMap<String, Thing> things) {
        this.things = things;
    }

    /** No sample, and a method without a step. */
    public static Study empty() {
        Method method = Method.empty("Untitled method", LengthUnit.PX);
        return new Study(TreePMap.<String, Thing>empty()
                .plus(METHOD + FIRST_METHOD, new MethodThing(method))
                .plus(ORDER, new OrderThing(List.of())));
    }

    Map<String, Thing> things() {
        return things;
    }

    Study with(String id, Optional<Thing> thing) {
        return new Study(thing.map(t -> things.plus(id, t)).orElseGet(() -> things.minus(id)));
    }

    /** The ids of the methods, the oldest first. */
    public List<String> methods() {
        return things.keySet().stream()
                .filter(id -> id.startsWith(METHOD))
                .map(id -> id.substring(METHOD.length()))
                .sorted(OLDEST_FIRST)
                .toList();
    }

    public Method method(String id) {
        return ((MethodThing) things.get(METHOD + id)).method();
    }

    /** By whom a method is locked; empty where it is not. */
    public Optional<Approval> approval(String id) {
        return ((MethodThing) things.get(METHOD + id)).approval();
    }

    /** With a method locked, or not any more. */
    public Study withApproval(String id, Optional<Approval> approval) {
        return with(METHOD + id, Optional.of(new MethodThing(method(id), approval)));
    }

    /** The names of the methods that are locked here, and another or gone in a study that may come next. */
    public List<String> brokenLocks(Study next) {
        return methods().stream()
                .filter(id -> approval(id).isPresent())
                .filter(id -> !next.methods().contains(id) || !next.method(id).equals(method(id)))
                .map(id -> method(id).name())
                .toList();
    }

    /** With a method added, or replaced where there is one of this id; hand work goes with the steps that are gone. */
    public Study with(String id, Method method) {
        return with(METHOD + id, Optional.of(new MethodThing(method)))
                .withoutHand(h -> h.method().equals(id) && method.indexOf(h.step()) < 0)
                .withoutTraining(t -> t.method().equals(id) && method.indexOf(t.step()) < 0);
    }

    /** An id behind those of all methods. */
    public String newMethodId() {
        String last = methods().getLast();
        int n = methods().size() + 1;
        while (OLDEST_FIRST.compare("m" + n, last) <= 0) {
            n++;
        }
        return "m" + n;
    }

    /**
     * Without a method, its hand work and its phases' notes.
     *
     * @throws IllegalArgumentException where a sample uses it, or there is no other
     */
    public Study withoutMethod(String id) {
        boolean used = samples().stream()
                .anyMatch(s -> sample(s).orElseThrow().method().equals(id));
        if (used || methods().size() < 2) {
            throw new IllegalArgumentException("a method that is used, or the only one, cannot be taken out");
        }
        return with(METHOD + id, Optional.empty())
                .with(PHASES + id, Optional.empty())
                .withoutHand(h -> h.method().equals(id))
                .withoutTraining(t -> t.method().equals(id))
                .withoutDepartures(d -> d.method().equals(id));
    }

    /** The trial sheets that were kept, by their ids, oldest first. */
    public SequencedMap<String, SheetThing> sheets() {
        TreeMap<Integer, SheetThing> numbered = new TreeMap<>();
        things.forEach((id, thing) -> {
            if (thing instanceof SheetThing sheet) {
                numbered.put(Integer.valueOf(id.substring(SHEET.length())), sheet);
            }
        });
        SequencedMap<String, SheetThing> sheets = new LinkedHashMap<>();
        numbered.forEach((number, sheet) -> sheets.put(String.valueOf(number), sheet));
        return sheets;
    }

    /** With one more trial sheet kept, the newest. */
    public Study with(SheetThing sheet) {
        int newest =
                sheets().isEmpty() ? 0 : Integer.parseInt(sheets().lastEntry().getKey());
        return with(SHEET + (newest + 1), Optional.of(sheet));
    }

    public Study withoutSheet(String id) {
        return with(SHEET + id, Optional.empty());
    }

    /** What the report is to hold. */
    public ReportPlan report() {
        return things.get(REPORT) instanceof ReportThing(ReportPlan plan) ? plan : ReportPlan.USUAL;
    }

    /** With another report. */
    public Study with(ReportPlan plan) {
        return with(REPORT, Optional.of(new ReportThing(plan)));
    }

    /** What is said of a method's phases, by their names. */
    public Map<String, PhaseNote> phaseNotes(String methodId) {
        return things.get(PHASES + methodId) instanceof PhasesThing phases ? phases.notes() : Map.of();
    }

    /** With other words about a method's phases. */
    public Study withPhaseNotes(String methodId, Map<String, PhaseNote> notes) {
        return with(PHASES + methodId, notes.isEmpty() ? Optional.empty() : Optional.of(new PhasesThing(notes)));
    }

    /** What was done by hand on a sample for a method, by the ids of its steps. */
    public Map<String, HandWork> hand(String sampleId, String methodId) {
        return hand(h -> h.sample().equals(sampleId) && h.method().equals(methodId), HandPlace::step);
    }

    /** What was done by hand for a step of a method, by the ids of the samples. */
    public Map<String, HandWork> handFor(String methodId, String stepId) {
        return hand(h -> h.method().equals(methodId) && h.step().equals(stepId), HandPlace::sample);
    }

    private Map<String, HandWork> hand(Predicate<HandPlace> wanted, Function<HandPlace, String> by) {
        Map<String, HandWork> work = new TreeMap<>();
        things.forEach((id, thing) -> {
            if (thing instanceof HandThing hand && wanted.test(HandPlace.of(id))) {
                work.put(by.apply(HandPlace.of(id)), hand.work());
            }
        });
        return work;
    }

    /** With the hand work of a sample for a step of a method; none takes it away. */
    public Study withHand(String sampleId, String methodId, String stepId, Optional<HandWork> work) {
        return with(new HandPlace(sampleId, methodId, stepId).id(), work.map(HandThing::new));
    }

    /** Without any sample's hand work for a step of a method. */
    public Study withoutHand(String methodId, String stepId) {
        return withoutHand(h -> h.method().equals(methodId) && h.step().equals(stepId));
    }

    private Study withoutHand(Predicate<HandPlace> gone) {
        return without(e -> e.getValue() instanceof HandThing && gone.test(HandPlace.of(e.getKey())));
    }

    /** The settings that a sample has otherwise than a method, which may be another than the one that is used on it now. */
    public Departures departures(String sampleId, String methodId) {
        return things.get(new DeparturePlace(sampleId, methodId).id()) instanceof DeparturesThing(Departures all)
                ? all
                : Departures.NONE;
    }

    /** The settings that a sample has otherwise than the method that is used on it. */
    public Departures departures(String sampleId) {
        return sample(sampleId).map(s -> departures(sampleId, s.method())).orElse(Departures.NONE);
    }

    /** With other settings of a sample's own; none takes them away. */
    public Study withDepartures(String sampleId, String methodId, Departures departures) {
        return with(
                new DeparturePlace(sampleId, methodId).id(),
                departures.list().isEmpty() ? Optional.empty() : Optional.of(new DeparturesThing(departures)));
    }

    /** A method as it goes on a sample, with the settings that this has of its own. */
    public Method methodOn(String sampleId, String methodId) {
        return departures(sampleId, methodId).on(method(methodId));
    }

    private Study withoutDepartures(Predicate<DeparturePlace> gone) {
        return without(e -> e.getValue() instanceof DeparturesThing && gone.test(DeparturePlace.of(e.getKey())));
    }

    /** Where departures belong. */
    private record DeparturePlace(String sample, String method) {
        static DeparturePlace of(String id) {
            String[] parts = id.split("/", 3);
            return new DeparturePlace(parts[1], parts[2]);
        }

        static boolean isOne(String id) {
            return id.startsWith(DEPARTURES) && id.split("/", 3).length == 3;
        }

        String id() {
            return DEPARTURES + sample + "/" + method;
        }
    }

    /** What a station of a method is to learn, and how. */
    public TrainingPlan training(String methodId, String stepId) {
        return things.get(new TrainingPlace(methodId, stepId).id()) instanceof TrainingThing(TrainingPlan plan)
                ? plan
                : TrainingPlan.USUAL;
    }

    /** With something else to be learnt. */
    public Study withTraining(String methodId, String stepId, TrainingPlan plan) {
        return with(
                new TrainingPlace(methodId, stepId).id(),
                plan.equals(TrainingPlan.USUAL) ? Optional.empty() : Optional.of(new TrainingThing(plan)));
    }

    private Study withoutTraining(Predicate<TrainingPlace> gone) {
        return without(e -> e.getValue() instanceof TrainingThing && gone.test(TrainingPlace.of(e.getKey())));
    }

    /** Where something is to be learnt. */
    private record TrainingPlace(String method, String step) {
        static TrainingPlace of(String id) {
            String[] parts = id.split("/", 3);
            return new TrainingPlace(parts[1], parts[2]);
        }

        static boolean isOne(String id) {
            return id.startsWith(TRAINING) && id.split("/", 3).length == 3;
        }

        String id() {
            return TRAINING + method + "/" + step;
        }
    }

    /** What is counted by hand, in the order of the number keys. */
    public List<TallyClass> classes() {
        return things.get(CLASSES) instanceof ClassesThing all ? all.classes() : List.of();
    }

    /** With other classes; marks of those that are gone go with them. */
    public Study withClasses(List<TallyClass> classes) {
        Set<String> ids = classes.stream().map(TallyClass::id).collect(Collectors.toSet());
        Study study = with(CLASSES, classes.isEmpty() ? Optional.empty() : Optional.of(new ClassesThing(classes)));
        for (Map.Entry<String, Thing> entry : things.entrySet()) {
            if (entry.getValue() instanceof HandThing(Marks marks)) {
                List<Mark> left = marks.list().stream()
                        .filter(m -> ids.contains(m.kind()))
                        .toList();
                if (left.size() < marks.list().size()) {
                    study = study.with(
                            entry.getKey(),
                            left.isEmpty() ? Optional.empty() : Optional.of(new HandThing(new Marks(left))));
                }
            }
        }
        return study;
    }

    /** What was counted by hand on a sample, by the names of the counters. */
    public Map<String, Marks> tallies(String sampleId) {
        Map<String, Marks> tallies = new TreeMap<>();
        hand(sampleId, COUNTED).forEach((counter, work) -> {
            if (work instanceof Marks marks) {
                tallies.put(counter, marks);
            }
        });
        return tallies;
    }

    /** With what a counter counted on a sample; nothing takes it away. */
    public Study withTally(String sampleId, String counter, Marks marks) {
        return withHand(sampleId, COUNTED, counter, marks.list().isEmpty() ? Optional.empty() : Optional.of(marks));
    }

    /** Where hand work belongs; ids of steps, which are a file's, may hold any letter, so they stand last. */
    private record HandPlace(String sample, String method, String step) {
        /** @throws IllegalArgumentException where a file holds something else under that id */
        static HandPlace of(String id) {
            String[] parts = id.split("/", 4);
            if (parts.length < 4 || !id.startsWith(HAND)) {
                throw new IllegalArgumentException("no hand work can be called " + id);
            }
            return new HandPlace(parts[1], parts[2], parts[3]);
        }

        static boolean isOne(String id) {
            return id.startsWith(HAND) && id.split("/", 4).length == 4;
        }

        String id() {
            return HAND + sample + "/" + method + "/" + step;
        }
    }

    /** The ids of the samples, in order. */
    public List<String> samples() {
        return ((OrderThing) things.get(ORDER)).samples();
    }

    public Optional<SampleThing> sample(String id) {
        return Optional.ofNullable((SampleThing) things.get(SAMPLE + id));
    }

    /** With a sample added at the end, or replaced where there is one of this id. */
    public Study with(String id, SampleThing sample) {
        Study changed = with(SAMPLE + id, Optional.of(sample));
        if (samples().contains(id)) {
            return changed;
        }
        List<String> order = new ArrayList<>(samples());
        order.add(id);
        return changed.with(ORDER, Optional.of(new OrderThing(order)));
    }

    public Study without(String id) {
        List<String> order = samples().stream().filter(s -> !s.equals(id)).toList();
        return with(SAMPLE + id, Optional.empty())
                .with(ORDER, Optional.of(new OrderThing(order)))
                .withoutHand(h -> h.sample().equals(id))
                .withoutDepartures(d -> d.sample().equals(id));
    }

    /** With the samples in another order; {@code order} holds the same ids. */
    public Study ordered(List<String> order) {
        if (!new TreeSet<>(order).equals(new TreeSet<>(samples()))
                || order.size() != samples().size()) {
            throw new IllegalArgumentException("another order must hold the same samples");
        }
        return with(ORDER, Optional.of(new OrderThing(order)));
    }

    /** Whether a thing is of the kind that its id says. */
    public static boolean isOfItsKind(String id, Thing thing) {
        return switch (thing) {
            case SampleThing s -> id.startsWith(SAMPLE);
            case MethodThing m -> id.startsWith(METHOD);
            case HandThing h -> HandPlace.isOne(id);
            case DeparturesThing d -> DeparturePlace.isOne(id);
            case PhasesThing p -> id.startsWith(PHASES);
            case ClassesThing c -> id.equals(CLASSES);
            case SheetThing s -> id.matches(SHEET + "[0-9]{1,9}");
            case ReportThing r -> id.equals(REPORT);
            case TrainingThing t -> TrainingPlace.isOne(id);
            case OrderThing o -> id.equals(ORDER);
        };
    }

    /** @throws IllegalArgumentException where a thing is not of the kind that its id says, or what every study has is missing */
    public static void checkKinds(Map<String, Thing> things) {
        things.forEach((id, thing) -> {
            if (!isOfItsKind(id, thing)) {
                throw new IllegalArgumentException("something of another kind stands under " + id);
            }
        });
        boolean method = things.keySet().stream().anyMatch(id -> id.startsWith(METHOD));
        if (!things.containsKey(ORDER) || !method) {
            throw new IllegalArgumentException("its " + (method ? "order of samples" : "method") + " is missing");
        }
    }

    /** A study of given things, as a file holds them; what every study has is there even where they lack it. */
    public static Study of(Map<String, Thing> things) {
        Study given = new Study(TreePMap.from(things));
        Study ordered = things.containsKey(ORDER) ? given : given.with(ORDER, Optional.of(new OrderThing(List.of())));
        return ordered.methods().isEmpty()
                ? ordered.with(METHOD + FIRST_METHOD, Optional.of(new MethodThing(empty().method(FIRST_METHOD))))
                : ordered;
    }

    /** @throws IllegalArgumentException where samples, their order and their methods do not fit each other */
    public void checkWhole() {
        Set<String> ids = sampleIds();
        if (!ids.equals(new TreeSet<>(samples())) || ids.size() != samples().size()) {
            throw new IllegalArgumentException("the samples do not fit their order");
        }
        if (!withoutMisplaced().equals(this)) {
            throw new IllegalArgumentException(
                    "hand work, a sample's settings or a trial sheet stands where it does not belong");
        }
        if (!withoutSamplesOther(ids).equals(this)) {
            throw new IllegalArgumentException("the hand work or settings of a sample are there, but not the sample");
        }
        for (String id : ids) {
            String method = sample(id).orElseThrow().method();
            if (!things.containsKey(METHOD + method)) {
                throw new IllegalArgumentException("the method " + method + " of the sample " + id + " is missing");
            }
        }
    }

    /** With the order put right and samples without a method given the first one. */
    public Study mended() {
        Set<String> ids = sampleIds();
        List<String> order = new ArrayList<>(
                samples().stream().distinct().filter(ids::contains).toList());
        ids.stream().filter(id -> !order.contains(id)).forEach(order::add);
        Study study = withoutMisplaced()
                .with(ORDER, Optional.of(new OrderThing(order)))
                .withoutSamplesOther(ids);
        for (String id : ids) {
            SampleThing sample = sample(id).orElseThrow();
            if (!things.containsKey(METHOD + sample.method())) {
                study = study.with(id, sample.using(methods().getFirst()));
            }
        }
        return study;
    }

    /** Without what is told of samples that are not there. */
    private Study withoutSamplesOther(Set<String> than) {
        return withoutHand(h -> !than.contains(h.sample())).withoutDepartures(d -> !than.contains(d.sample()));
    }

    /** Without hand work, settings and sheets under ids that cannot be theirs. */
    private Study withoutMisplaced() {
        return without(e -> e.getValue() instanceof HandThing && !HandPlace.isOne(e.getKey())
                || e.getValue() instanceof DeparturesThing && !DeparturePlace.isOne(e.getKey())
                || e.getValue() instanceof TrainingThing && !TrainingPlace.isOne(e.getKey())
                || e.getValue() instanceof SheetThing && !e.getKey().matches(SHEET + "[0-9]{1,9}"));
    }

    private Study without(Predicate<Map.Entry<String, Thing>> gone) {
        List<String> ids =
                things.entrySet().stream().filter(gone).map(Map.Entry::getKey).toList();
        return ids.isEmpty() ? this : new Study(things.minusAll(ids));
    }

    private Set<String> sampleIds() {
        return things.keySet().stream()
                .filter(id -> id.startsWith(SAMPLE))
                .map(id -> id.substring(SAMPLE.length()))
                .collect(Collectors.toCollection(TreeSet::new));
    }

    /** An id that no sample has. */
    public String newSampleId() {
        int n = samples().size() + 1;
        while (sample("s" + n).isPresent()) {
            n++;
        }
        return "s" + n;
    }

    @Override
    public boolean equals(Object o) {
        return o instanceof Study s && s.things.equals(things);
    }

    @Override
    public int hashCode() {
        return things.hashCode();
    }
}
