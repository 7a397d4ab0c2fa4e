package keentally.study.result;

import java.io.BufferedWriter;
import java.io.IOException;
import java.io.OutputStreamWriter;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;
import keentally.core.method.Method;
import keentally.study.file.Sheet;
import keentally.study.run.MovedPhases;
import keentally.study.run.RecordFile;
import keentally.study.run.SampleRecord;

/**
 * The tables of a run, and its journal: fed with the record of each sample as it is done, in whatever order, and written in the order of
 * the samples. A record that must wait for one before it waits in its file, so that only one is in memory.
 */
final class RecordTables implements AutoCloseable {
    private final ResultFolder folder;
    private final List<String> files;
    private final RunJournal journal;
    private final List<Open> tables = new ArrayList<>();
    private final TreeSet<Integer> waiting = new TreeSet<>();
    private final MovedPhases moved;
    private int next;

    private record Open(String name, RecordTable table, BufferedWriter out, Sheet sheet) {}

    private RecordTables(ResultFolder folder, Method method, List<String> files, RunJournal journal) {
        this.moved = new MovedPhases(method);
        this.folder = folder;
        this.files = files;
        this.journal = journal;
    }

    /** @param files what the files of each sample are called, without an ending */
    static RecordTables open(ResultFolder folder, RunOrder order, List<String> files, RunJournal journal)
            throws FolderFault {
        RecordTables tables = new RecordTables(folder, order.method(), files, journal);
        tables.begin(
                "objects.csv", new ObjectSheet(order.method(), order.method().unit()));
        tables.begin(
                "phases.csv", new PhaseSheet(order.method(), order.weighing().sample()));
        tables.begin("samples.csv", new SampleSheet(order.method()));
        return tables;
    }

    private void begin(String name, RecordTable table) throws FolderFault {
        try {
            BufferedWriter out =
                    new BufferedWriter(new OutputStreamWriter(folder.stream(name), StandardCharsets.UTF_8));
            tables.add(new Open(name, table, out, Sheet.begin(out, table.header())));
        } catch (IOException e) {
            throw folder.cannot(name, e);
        }
    }

    /** For any thread. @param index of the sample, from 0 */
    synchronized void add(int index, SampleRecord record) throws FolderFault {
        folder.write(place(index), RecordFile.text(record));
        waiting.add(index);
        while (waiting.remove(next)) {
            write(next == index ? record : RecordFile.read(folder.read(place(next))));
            next++;
        }
    }

    private String place(int index) {
        return "records/" + files.get(index) + ".json";
    }

    private void write(SampleRecord alone) throws FolderFault {
        SampleRecord record = moved.next(alone);
        for (Open open : tables) {
            try {
                for (List<String> row : open.table.rows(record)) {
                    open.sheet.add(row);
                }
            } catch (IOException e) {
                throw folder.cannot(open.name, e);
            }
        }
        journal.add(record);
    }

    /** The last rows are on their way to the disk only now. */
    void finish() throws FolderFault {
        for (Open open : tables) {
            try {
                open.out.close();
            } catch (IOException e) {
                throw folder.cannot(open.name, e);
            }
        }
    }

    /** What is not finished is swept with its folder. */
    @Override
    public void close() {
        for (Open open : tables) {
            try {
                open.out.close();
            } catch (IOException e) {
                // finish() has said so, or the run ended before it for another reason
            }
        }
    }
}
