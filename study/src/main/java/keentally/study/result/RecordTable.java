package keentally.study.result;

import java.util.List;
import keentally.study.file.Sheet;
import keentally.study.run.SampleRecord;

/** A table that is made of records: its header, and the rows that a record comes to. */
interface RecordTable {
    List<String> header();

    List<List<String>> rows(SampleRecord record);

    /** The table of some records, as it stands in a file. */
    default String csv(List<SampleRecord> records) {
        return Sheet.whole(
                header(), records.stream().flatMap(r -> rows(r).stream()).toList());
    }
}
