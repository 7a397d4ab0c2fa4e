package keentally.study.result;

import java.io.BufferedWriter;
import java.io.IOException;
import java.io.OutputStreamWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import keentally.core.work.Cancel;
import keentally.study.file.FileFault;
import keentally.study.file.Sheet;
import keentally.study.file.WholeFile;
import keentally.study.run.RecordFile;
import keentally.study.run.SampleRecord;

/** Makes the tables of a run out of the records that its parts wrote, with the bytes that the run would have had in one go. */
public final class PartMerge {
    private static final int MOST_NAMED = 5;

    private final Path folder;
    private final RunOrder order;
    private final OrderedSamples samples;

    private PartMerge(Path folder, RunOrder order) {
        this.folder = folder;
        this.order = order;
        this.samples = new OrderedSamples(order, new Cancel());
    }

    /**
     * How far the parts have come.
     *
     * @param missing the names of samples without a record, in order
     * @param places theirs in the order of the run, from 0
     */
    public record Standing(int samples, List<String> missing, List<Integer> places) {
        public Standing {
            missing = List.copyOf(missing);
            places = List.copyOf(places);
        }

        /** A sentence about what is missing; empty where nothing is. */
        public Optional<String> sentence() {
            if (missing.isEmpty()) {
                return Optional.empty();
            }
            String named = String.join(", ", missing.subList(0, Math.min(MOST_NAMED, missing.size())));
            return Optional.of(missing.size() + " of " + samples + " samples have no record yet: " + named
                    + (missing.size() > MOST_NAMED ? " and more" : "")
                    + "; call their parts again, and merge then.");
        }
    }

    /** @throws FileFault where the folder holds no parts of a run */
    public static Standing standing(Path folder) throws FileFault {
        return open(folder).standing();
    }

    /**
     * Writes the tables, and takes the note of the parts away: the folder is then as one run would have left it.
     *
     * @param timed whether times are written down, which differ from run to run
     * @return how many pictures failed
     * @throws FileFault where a record is missing or damaged, or a table cannot be written; nothing is lost
     */
    public static int merge(Path folder, boolean timed) throws FileFault {
        PartMerge merge = open(folder);
        Optional<String> missing = merge.standing().sentence();
        if (missing.isPresent()) {
            throw new FolderFault(missing.get());
        }
        return merge.merge(timed);
    }

    private static PartMerge open(Path folder) throws FileFault {
        return new PartMerge(folder, order(folder));
    }

    static RunOrder order(Path folder) throws FileFault {
        Path file = folder.resolve(OrderFile.NAME);
        if (!Files.exists(file)) {
            throw new FileFault(folder + " holds no parts of a run; name the folder that the parts were written into.");
        }
        try {
            return OrderFile.read(Files.readString(file), folder);
        } catch (IOException e) {
            throw new FileFault(file + " cannot be read: " + WholeFile.reason(e) + ".", e);
        } catch (IllegalArgumentException e) {
            throw new FileFault(file + " is damaged: " + e.getMessage() + "; call a part again in a new folder.", e);
        }
    }

    private Standing standing() {
        List<String> missing = new ArrayList<>();
        List<Integer> places = new ArrayList<>();
        for (int i = 0; i < samples.names().size(); i++) {
            if (!Files.exists(folder.resolve(samples.place(i)))) {
                missing.add(samples.names().get(i));
                places.add(i);
            }
        }
        return new Standing(samples.names().size(), missing, places);
    }

    private SampleRecord record(int index) throws IOException {
        Path file = folder.resolve(samples.place(index));
        try {
            return RecordFile.read(Files.readString(file));
        } catch (IllegalArgumentException e) {
            throw new IOException(
                    "the record " + file.getFileName() + " is damaged; delete it and call its part again", e);
        }
    }

    /**
     * Writes the tables of what there is so far, and leaves the note of the parts where it is.
     *
     * @return how many pictures failed
     */
    static int tables(RunOrder order) throws FileFault {
        return new PartMerge(order.folder(), order).tables(true);
    }

    private int merge(boolean timed) throws FileFault {
        int failed = tables(timed);
        try {
            Files.delete(folder.resolve(OrderFile.NAME));
        } catch (IOException e) {
            throw cannot(e);
        }
        return failed;
    }

    private FolderFault cannot(IOException e) {
        return new FolderFault("The parts in " + folder + " cannot be merged: " + WholeFile.reason(e) + ".", e);
    }

    private int tables(boolean timed) throws FileFault {
        table("objects.csv", new ObjectSheet(order.method(), order.method().unit()));
        table("phases.csv", new PhaseSheet(order.method(), order.weighing().sample()));
        table("samples.csv", new SampleSheet(order.method()));
        RunJournal journal = new RunJournal(order.into(folder, timed));
        try {
            for (int i = 0; i < samples.names().size(); i++) {
                journal.add(record(i));
            }
            List<String> files = new ArrayList<>(PartRun.PartFolder.sweep(folder));
            files.removeIf(f -> f.equals(OrderFile.NAME) || f.equals(ResultFolder.RECORD));
            WholeFile.write(folder.resolve(ResultFolder.RECORD), journal.json(files));
        } catch (IOException e) {
            throw cannot(e);
        }
        return journal.failed();
    }

    /** One record in memory at a time. */
    private void table(String name, RecordTable table) throws FileFault {
        WholeFile.write(folder.resolve(name), out -> {
            BufferedWriter text = new BufferedWriter(new OutputStreamWriter(out, StandardCharsets.UTF_8));
            Sheet sheet = Sheet.begin(text, table.header());
            for (int i = 0; i < samples.names().size(); i++) {
                for (List<String> row : table.rows(record(i))) {
                    sheet.add(row);
                }
            }
            text.flush();
        });
    }
}
