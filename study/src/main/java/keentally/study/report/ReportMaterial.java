package keentally.study.report;

import java.time.Instant;
import java.time.LocalDate;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import keentally.core.method.Method;
import keentally.core.quantity.LengthUnit;
import keentally.study.document.Study;
import keentally.study.document.Thing.SampleThing;
import keentally.study.run.SampleRecord;
import keentally.study.series.Ledger;
import keentally.study.series.LedgerEntry;
import keentally.study.series.LedgerRow;

/**
 * All that a report is made of.
 *
 * @param name of the study
 * @param samples by their ids
 * @param ran when the rows that the study holds came about, of samples that are as they were then
 * @param made when the report was made
 */
public record ReportMaterial(
        String name, Study study, Map<String, Gathered> samples, Map<String, Instant> ran, LocalDate made) {
    public ReportMaterial {
        samples = Collections.unmodifiableMap(new LinkedHashMap<>(samples));
        ran = Map.copyOf(ran);
    }

    /**
     * A sample that was run.
     *
     * @param sight empty where its picture could not be read
     */
    record Gathered(LedgerRow row, SampleRecord record, Optional<SampleSight> sight) {}

    /** A method with the samples that it is used on. */
    record Used(String id, Method method, List<LedgerEntry> entries) {
        /** What its numbers are told in. */
        LengthUnit unit() {
            return method.unit().isReal() ? method.unit() : LengthUnit.UM;
        }

        /** The rows of its samples alone. */
        Ledger ledger() {
            return Ledger.of(entries, unit());
        }
    }

    /** A row for each sample. */
    public Ledger ledger() {
        return Ledger.of(
                study,
                samples.entrySet().stream()
                        .collect(Collectors.toMap(
                                Map.Entry::getKey, e -> e.getValue().row())));
    }

    /** The methods that are used, in the order in which the samples first use them. */
    List<Used> methods() {
        Map<String, List<LedgerEntry>> entries = ledger().entries().stream()
                .collect(Collectors.groupingBy(e -> e.thing().method(), LinkedHashMap::new, Collectors.toList()));
        return entries.entrySet().stream()
                .map(e -> new Used(e.getKey(), study.method(e.getKey()), e.getValue()))
                .toList();
    }

    Optional<Gathered> of(String sample) {
        return Optional.ofNullable(samples.get(sample));
    }

    SampleThing thing(String sample) {
        return study.sample(sample).orElseThrow();
    }
}
