package keentally.study.result;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.Optional;
import keentally.core.method.Method;
import keentally.core.work.Cancel;
import keentally.core.work.Workers;
import keentally.study.file.FileFault;
import keentally.study.file.Sheet;
import keentally.study.file.WholeFile;
import keentally.study.result.RunFile.Ran;
import keentally.study.run.SampleRecord;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;

/** A folder of results whose samples are run again, one after the other, while its tables are read beside. Writes nothing. */
public final class ResultsAgain implements AutoCloseable {
    private static final ResultSink NOWHERE = (name, writer) -> {};

    private final Path folder;
    private final Ran ran;
    private final OrderedSamples samples;
    private final List<OldTable> tables = new ArrayList<>();

    private ResultsAgain(Path folder, Ran ran, Cancel cancel) {
        this.folder = folder;
        this.ran = ran;
        this.samples = new OrderedSamples(ran.order(), cancel);
    }

    /** Takes cells of a table: as it stands there, and as it would be written now; either is empty where there is no such row. */
    public interface Cells {
        void cell(String what, String old, String now);
    }

    /**
     * Of a folder that a run filled.
     *
     * @param elsewhere where pictures are looked for that are not where they were
     * @throws FileFault where it is none, or damaged
     */
    public static ResultsAgain open(Path folder, Optional<Path> elsewhere, Cancel cancel) throws FileFault {
        ResultsAgain results = new ResultsAgain(folder, RunFile.read(folder, elsewhere), cancel);
        RunOrder order = results.ran.order();
        Method method = order.method();
        results.open("objects.csv", new ObjectSheet(method, method.unit()));
        results.open("phases.csv", new PhaseSheet(method, order.weighing().sample()));
        results.open("samples.csv", new SampleSheet(method));
        return results;
    }

    private void open(String name, RecordTable table) throws FileFault {
        Path file = folder.resolve(name);
        try {
            tables.add(new OldTable(
                    name,
                    table,
                    CSVParser.parse(Files.newBufferedReader(file, StandardCharsets.UTF_8), CSVFormat.RFC4180)));
        } catch (IOException e) {
            close();
            throw new FileFault(file + " cannot be read: " + WholeFile.reason(e) + ".", e);
        }
    }

    /** How many samples there are. */
    public int count() {
        return samples.names().size();
    }

    /** What a sample is called in the tables. @param index from 0 */
    public String name(int index) {
        return samples.names().get(index);
    }

    /** Why a sample cannot be run again; empty where it can. @param index from 0 */
    public Optional<String> hindrance(int index) {
        if (ran.byHand().get(index)) {
            return Optional.of(name(index)
                    + " hangs on work by hand, which is kept with a study and not with results; run its study again.");
        }
        return ran.order().samples().get(index).picture().sources().stream()
                .map(s -> s.file())
                .filter(f -> !Files.exists(f))
                .findFirst()
                .map(f -> name(index) + ": its picture " + f + " is not there; name the folder that it is in.");
    }

    /**
     * The record as it was kept.
     *
     * @param index from 0
     * @throws FileFault where it cannot be read
     */
    public String old(int index) throws FileFault {
        Path file = folder.resolve(samples.place(index));
        try {
            return Files.readString(file);
        } catch (IOException e) {
            throw new FileFault(file + " cannot be read: " + WholeFile.reason(e) + ".", e);
        }
    }

    /** The record as it comes out now. @param index from 0 */
    public SampleRecord again(int index, Workers workers) throws FileFault {
        return samples.record(index, NOWHERE, workers);
    }

    /**
     * Goes through the rows of a sample in all tables; for all samples in their order.
     *
     * @param record as it came out now; empty where it could not be run, whose rows are passed over
     */
    public void cells(int index, Optional<SampleRecord> record, Cells cells) {
        for (OldTable table : tables) {
            table.cells(name(index), record, cells);
        }
    }

    @Override
    public void close() {
        for (OldTable table : tables) {
            try {
                table.parser.close();
            } catch (IOException e) {
                // was only read
            }
        }
    }

    /** A table that is read along. */
    private static final class OldTable {
        private final String name;
        private final RecordTable table;
        private final CSVParser parser;
        private final Iterator<CSVRecord> rows;
        private Optional<CSVRecord> next;

        OldTable(String name, RecordTable table, CSVParser parser) {
            this.name = name;
            this.table = table;
            this.parser = parser;
            this.rows = parser.iterator();
            advance(); // over the header
            advance();
        }

        private void advance() {
            next = rows.hasNext() ? Optional.of(rows.next()) : Optional.empty();
        }

        void cells(String sample, Optional<SampleRecord> record, Cells cells) {
            String first = Sheet.text(sample);
            List<List<String>> now = record.map(table::rows).orElse(List.of());
            int row = 0;
            while (next.isPresent() && next.get().get(0).equals(first) || row < now.size()) {
                boolean isOld = next.isPresent() && next.get().get(0).equals(first);
                List<String> old = isOld ? next.get().toList() : List.of();
                List<String> is = row < now.size() ? now.get(row) : List.of();
                if (record.isPresent()) {
                    compare(row + 1, old, is, cells);
                }
                row++;
                if (isOld) {
                    advance();
                }
            }
        }

        private void compare(int row, List<String> old, List<String> now, Cells cells) {
            List<String> header = table.header();
            for (int c = 1; c < Math.max(old.size(), now.size()); c++) {
                String column = c < header.size() ? header.get(c) : "column " + (c + 1);
                cells.cell(
                        name + ", " + column + (name.equals("samples.csv") ? "" : " in row " + row),
                        c < old.size() ? old.get(c) : "",
                        c < now.size() ? now.get(c) : "");
            }
        }
    }
}
