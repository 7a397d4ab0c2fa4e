package keentally.study.document;

import java.nio.file.Path;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import keentally.core.classify.TrainingPlan;
import keentally.core.hand.HandWork;
import keentally.core.hand.TallyClass;
import keentally.core.measure.SampleNumber;
import keentally.core.method.Departures;
import keentally.core.method.Method;
import keentally.core.picture.Field;
import keentally.core.quantity.Mass;
import keentally.core.quantity.Scale;

/** A part of a study that is replaced as a whole. */
public sealed interface Thing {

    /**
     * A picture with what is known of it.
     *
     * @param field the shapes of the field; none for the whole picture
     * @param fieldFrom how each of these shapes came about
     * @param method the id of the study's method that is used on it
     * @param mass what it weighs, where that is known
     * @param numbers that were typed for it, by the names that formulas know them by
     * @param leftOut why it takes no part in sums and comparisons, where it takes none
     */
    record SampleThing(
            SlideLabel label,
            PictureRef picture,
            Optional<Calibration> calibration,
            List<Field.Part> field,
            List<FieldOrigin> fieldFrom,
            String method,
            Optional<Mass> mass,
            SortedMap<String, Double> numbers,
            Optional<String> leftOut)
            implements Thing {
        public SampleThing {
            field = List.copyOf(field);
            fieldFrom = List.copyOf(fieldFrom);
            if (field.size() != fieldFrom.size()) {
                throw new IllegalArgumentException("every shape of a field came about somehow");
            }
            numbers = Collections.unmodifiableSortedMap(new TreeMap<>(numbers));
            numbers.keySet().forEach(SampleNumber::checkTyped);
        }

        /** As it is when it is added: without scale, the whole picture its field. */
        public static SampleThing of(String name, PictureRef picture, String method) {
            return new SampleThing(
                    SlideLabel.of(name),
                    picture,
                    Optional.empty(),
                    List.of(),
                    List.of(),
                    method,
                    Optional.empty(),
                    Collections.emptySortedMap(),
                    Optional.empty());
        }

        public String name() {
            return label.name();
        }

        /** The first or only file. */
        public Path file() {
            return picture.first().file();
        }

        public Optional<Scale> scale() {
            return calibration.map(Calibration::scale);
        }

        public SampleThing with(SlideLabel other) {
            return new SampleThing(other, picture, calibration, field, fieldFrom, method, mass, numbers, leftOut);
        }

        public SampleThing with(PictureRef other) {
            return new SampleThing(label, other, calibration, field, fieldFrom, method, mass, numbers, leftOut);
        }

        public SampleThing with(Optional<Calibration> other) {
            return new SampleThing(label, picture, other, field, fieldFrom, method, mass, numbers, leftOut);
        }

        /** With another field; shapes that it has already keep where they come from, others come from {@code origin}. */
        public SampleThing with(List<Field.Part> other, FieldOrigin origin) {
            List<FieldOrigin> from = other.stream()
                    .map(p -> field.contains(p) ? fieldFrom.get(field.indexOf(p)) : origin)
                    .toList();
            return new SampleThing(label, picture, calibration, other, from, method, mass, numbers, leftOut);
        }

        /** With a field that was drawn. */
        public SampleThing with(List<Field.Part> other) {
            return with(other, FieldOrigin.DRAWN);
        }

        public SampleThing weighing(Optional<Mass> other) {
            return new SampleThing(label, picture, calibration, field, fieldFrom, method, other, numbers, leftOut);
        }

        /** With other numbers typed for it. */
        public SampleThing numbered(SortedMap<String, Double> other) {
            return new SampleThing(label, picture, calibration, field, fieldFrom, method, mass, other, leftOut);
        }

        /** Left out of sums and comparisons for a reason; empty for taking part. */
        public SampleThing leavingOut(Optional<String> reason) {
            return new SampleThing(label, picture, calibration, field, fieldFrom, method, mass, numbers, reason);
        }

        public SampleThing using(String otherMethod) {
            return new SampleThing(label, picture, calibration, field, fieldFrom, otherMethod, mass, numbers, leftOut);
        }
    }

    /** A method. @param approval where it is locked */
    record MethodThing(Method method, Optional<Approval> approval) implements Thing {
        /** Not locked. */
        public MethodThing(Method method) {
            this(method, Optional.empty());
        }
    }

    /** The settings that a sample has otherwise than a method. */
    record DeparturesThing(Departures departures) implements Thing {}

    /** What is counted by hand in this study, in the order of the number keys. */
    record ClassesThing(List<TallyClass> classes) implements Thing {
        public ClassesThing {
            classes = List.copyOf(classes);
            if (classes.stream().map(TallyClass::id).distinct().count() < classes.size()) {
                throw new IllegalArgumentException("two classes of one id");
            }
        }
    }

    /** What was done by hand on one sample: for one step of one method, or by one counter. */
    record HandThing(HandWork work) implements Thing {
        /** By its last part alone: thousands of things done by hand would be gone through with every one that is added. */
        @Override
        public int hashCode() {
            List<?> parts = work.parts();
            return 31 * parts.size() + (parts.isEmpty() ? 0 : parts.getLast().hashCode());
        }
    }

    /** What is said of a method's phases, by their names. */
    record PhasesThing(Map<String, PhaseNote> notes) implements Thing {
        public PhasesThing {
            notes = Map.copyOf(notes);
        }
    }

    /**
     * A trial sheet as it stood when it was kept.
     *
     * @param table its numbers, as a table's file holds them
     * @param png its picture in base 64
     */
    record SheetThing(String title, String table, String png) implements Thing {}

    /** What the report is to hold. */
    record ReportThing(ReportPlan plan) implements Thing {}

    /** What a station is to learn from examples, and how. */
    record TrainingThing(TrainingPlan plan) implements Thing {}

    /** The ids of the samples in the order of the slide tray. */
    record OrderThing(List<String> samples) implements Thing {
        public OrderThing {
            samples = List.copyOf(samples);
        }
    }
}
