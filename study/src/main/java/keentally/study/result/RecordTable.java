package keentally.study.result;

import java.io.IOException;
import java.util.List;
import keentally.study.run.SampleRecord;

/** A table that is made of records: its header, and the rows that a record comes to. */
interface RecordTable {
    List<String> header();

    List<List<String>> rows(SampleRecord record);

    /** The table of some records, as it stands in a file. */
    default String csv(List<SampleRecord> records) {
        StringBuilder text = new StringBuilder();
        try {
            Sheet sheet = Sheet.begin(text, header());
            for (SampleRecord record : records) {
                for (List<String> row : rows(record)) {
                    sheet.add(row);
                }
            }
        } catch (IOException e) {
            throw new IllegalStateException("memory does not fail", e);
        }
        return text.toString();
    }
}
