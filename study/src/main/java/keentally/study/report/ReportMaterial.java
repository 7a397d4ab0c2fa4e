package keentally.study.report;

import java.time.Instant;
import java.time.LocalDate;
import java.util.Collections;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import keentally.core.method.Method;
import keentally.core.quantity.LengthUnit;
import keentally.study.document.Study;
import keentally.study.document.Thing.SampleThing;
import keentally.study.run.SampleRecord;
import keentally.study.series.Ledger;
import keentally.study.series.LedgerEntry;
import keentally.study.series.LedgerRow;

/** All that a report is made of. */
public final class ReportMaterial {
    private final String name;
    private final Study study;
    private final Map<String, Gathered> samples;
    private final Map<String, Instant> ran;
    private final LocalDate made;
    private final Ledger ledger;
    private final List<Used> methods;

    /**
     * Of samples that were run.
     *
     * @param name of the study
     * @param samples by their ids
     * @param ran when the rows that the study holds came about, of samples that are as they were then
     * @param made when the report was made
     */
    ReportMaterial(String name, Study study, Map<String, Gathered> samples, Map<String, Instant> ran, LocalDate made) {
        this.name = name;
        this.study = study;
        this.samples = Collections.unmodifiableMap(new LinkedHashMap<>(samples));
        this.ran = Map.copyOf(ran);
        this.made = made;
        this.ledger = Ledger.of(
                study,
                samples.entrySet().stream()
                        .collect(Collectors.toMap(
                                Map.Entry::getKey, e -> e.getValue().row())));
        this.methods = ledger.entries().stream()
                .collect(Collectors.groupingBy(e -> e.thing().method(), LinkedHashMap::new, Collectors.toList()))
                .entrySet()
                .stream()
                .map(e -> Used.of(e.getKey(), study.method(e.getKey()), e.getValue()))
                .toList();
    }

    /**
     * A sample that was run.
     *
     * @param sight empty where its picture could not be read
     */
    record Gathered(LedgerRow row, SampleRecord record, Optional<SampleSight> sight) {}

    /**
     * A method with the samples that it is used on.
     *
     * @param ledger the rows of its samples alone
     */
    record Used(String id, Method method, Ledger ledger) {
        static Used of(String id, Method method, List<LedgerEntry> entries) {
            LengthUnit unit = method.unit().isReal() ? method.unit() : LengthUnit.UM;
            return new Used(id, method, Ledger.of(entries, unit));
        }

        /** What its numbers are told in. */
        LengthUnit unit() {
            return ledger.unit();
        }

        List<LedgerEntry> entries() {
            return ledger.entries();
        }
    }

    String name() {
        return name;
    }

    Study study() {
        return study;
    }

    Map<String, Instant> ran() {
        return ran;
    }

    LocalDate made() {
        return made;
    }

    /** A row for each sample. */
    public Ledger ledger() {
        return ledger;
    }

    /** The methods that are used, in the order in which the samples first use them. */
    List<Used> methods() {
        return methods;
    }

    Map<String, Gathered> samples() {
        return samples;
    }

    Optional<Gathered> of(String sample) {
        return Optional.ofNullable(samples.get(sample));
    }

    /** What people called samples, methods, groups and phases. */
    Set<String> names() {
        Set<String> names = new HashSet<>();
        names.add(name());
        for (LedgerEntry entry : ledger().entries()) {
            names.add(entry.thing().name());
            names.add(entry.thing().label().group());
            names.add(entry.method());
            entry.row()
                    .flatMap(r -> r.record().numbers())
                    .ifPresent(n -> n.phases().forEach(p -> names.add(p.name())));
        }
        return names;
    }

    SampleThing thing(String sample) {
        return study.sample(sample).orElseThrow();
    }
}
