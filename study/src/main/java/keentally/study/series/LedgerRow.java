package keentally.study.series;

import java.util.Collections;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.PixelSize;
import keentally.study.run.ObjectRows;
import keentally.study.run.SampleRecord;
import keentally.study.run.SampleRecord.Numbers;

/**
 * What stays of the run of one sample: its record without the single objects, these summed up, and how field and scale came about.
 *
 * @param key of all that the outcome hangs on; another key is another outcome
 * @param record without objects
 * @param scaleFrom in words; empty without a scale
 * @param fieldFrom in words
 * @param tallies what was counted by hand, by counter
 */
public record LedgerRow(
        String key,
        SampleRecord record,
        Optional<ObjectSums> objects,
        String scaleFrom,
        String fieldFrom,
        SortedMap<String, Integer> tallies) {
    public LedgerRow {
        tallies = Collections.unmodifiableSortedMap(new TreeMap<>(tallies));
    }

    static LedgerRow of(SeriesSample sample, SampleRecord record) {
        return of(sample.key(), record, sample.scaleFrom(), sample.fieldFrom(), sample.tallies());
    }

    /** The same sample, had its run come to something else. */
    LedgerRow cameTo(SampleRecord other) {
        return of(key, other, scaleFrom, fieldFrom, tallies);
    }

    private static LedgerRow of(
            String key, SampleRecord record, String scaleFrom, String fieldFrom, SortedMap<String, Integer> tallies) {
        Optional<ObjectRows> rows = record.numbers().flatMap(Numbers::objects);
        Optional<Numbers> bare = record.numbers()
                .map(n -> new Numbers(
                        n.fieldPixels(),
                        Optional.empty(),
                        n.phases(),
                        n.masses(),
                        n.cuts(),
                        n.centres(),
                        n.handEdits(),
                        n.own()));
        SampleRecord slim = new SampleRecord(record.sample(), record.origin(), bare, record.error(), record.cautions());
        return new LedgerRow(key, slim, rows.map(ObjectSums::of), scaleFrom, fieldFrom, tallies);
    }

    /** With another record; itself with its own. */
    LedgerRow with(SampleRecord other) {
        return other == record ? this : new LedgerRow(key, other, objects, scaleFrom, fieldFrom, tallies);
    }

    public boolean isFailed() {
        return record.error().isPresent();
    }

    /** How large a pixel is in a unit; pixels where the sample has no scale. */
    public PixelSize told(LengthUnit unit) {
        return record.told(unit);
    }
}
