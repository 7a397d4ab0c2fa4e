package keentally.study.result;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicReference;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import keentally.core.work.Cancel;
import keentally.core.work.CancelledException;
import keentally.core.work.Work;
import keentally.core.work.Workers;
import keentally.study.file.FileFault;
import keentally.study.file.WholeFile;
import keentally.study.result.BatchRun.Watcher;
import keentally.study.run.RecordFile;
import keentally.study.run.SampleRecord;

/**
 * A share of a run: the samples whose place, counted from 1, leaves the part's number when it is divided by the number of parts. Each
 * sample's files are written whole, its record last, so that a part can be killed anywhere and called again: what has a record is not run
 * again, unless it failed. {@link PartMerge} makes the tables when all records are there.
 */
public final class PartRun {
    private final RunOrder order;
    private final Part part;
    private final Cancel cancel;
    private final Watcher watcher;
    private final OrderedSamples samples;
    private final PartFolder folder;
    private final AtomicReference<FolderFault> disk = new AtomicReference<>();
    private final AtomicInteger failed = new AtomicInteger();

    private PartRun(RunOrder order, Part part, Cancel cancel, Watcher watcher, PartFolder folder) {
        this.order = order;
        this.part = part;
        this.cancel = cancel;
        this.watcher = watcher;
        this.folder = folder;
        this.samples = new OrderedSamples(order, cancel);
    }

    /**
     * Which share.
     *
     * @param number from 1
     */
    public record Part(int number, int of) {
        public Part {
            if (of < 1 || number < 1 || number > of) {
                throw new IllegalArgumentException(
                        "a part is a number of how many, such as 2/12, was " + number + "/" + of);
            }
        }

        /** Reads {@code 2/12}. */
        public static Part of(String text) {
            String[] parts = text.strip().split("/", -1);
            try {
                if (parts.length == 2) {
                    return new Part(Integer.parseInt(parts[0]), Integer.parseInt(parts[1]));
                }
            } catch (NumberFormatException e) {
                // said below
            }
            throw new IllegalArgumentException("expected a part such as 2/12 but found \"" + text + "\"");
        }

        /** Of so many samples, the places of this part's, from 0. */
        public List<Integer> places(int samples) {
            return IntStream.range(0, samples)
                    .filter(i -> i % of == number - 1)
                    .boxed()
                    .toList();
        }
    }

    /**
     * Runs a part.
     *
     * @return how many of its pictures failed
     * @throws FileFault where the folder holds anything else, or cannot be written; what has a record stays
     * @throws CancelledException where {@code cancel} was asked; what has a record stays
     */
    public static int run(RunOrder order, Part part, Workers workers, Cancel cancel, Watcher watcher) throws FileFault {
        PartFolder folder = PartFolder.begin(order);
        return new PartRun(order, part, cancel, watcher, folder).run(workers);
    }

    /**
     * Writes down what is to be run, before any part of it is.
     *
     * @throws FileFault where the folder holds anything else, or cannot be written
     */
    public static void begin(RunOrder order) throws FileFault {
        PartFolder.begin(order);
    }

    /**
     * What parts were begun in a folder.
     *
     * @throws FileFault where there are none
     */
    public static RunOrder begun(Path folder) throws FileFault {
        return PartMerge.order(folder);
    }

    private int run(Workers workers) throws FileFault {
        List<Integer> places = part.places(order.samples().size());
        try {
            if (order.jobs() == 1) {
                for (int i = 0; i < places.size(); i++) {
                    cancel.check();
                    sample(i, places, workers);
                }
            } else {
                new Work(workers, cancel).each(places.size(), i -> sample(i, places, Workers.alone()));
            }
            cancel.check();
        } catch (CancelledException e) {
            if (disk.get() != null) {
                throw disk.get();
            }
            throw e;
        }
        return failed.get();
    }

    private void sample(int turn, List<Integer> places, Workers hands) {
        int index = places.get(turn);
        watcher.started(turn + 1, places.size(), samples.names().get(index));
        try {
            if (!folder.isDone(samples.place(index))) {
                SampleRecord record = samples.record(index, folder, hands);
                folder.write(samples.place(index), RecordFile.text(record));
                failed.addAndGet(record.error().isPresent() ? 1 : 0);
            }
        } catch (FolderFault e) {
            disk.compareAndSet(null, e);
            cancel.ask();
        } finally {
            watcher.finished();
        }
    }

    /** The folder that parts write into at the same time, each file whole. */
    static final class PartFolder implements ResultSink {
        private static final String LEFT_OVER = ".keen-tally-part";
        private final Path folder;

        PartFolder(Path folder) {
            this.folder = folder;
        }

        /** Makes it, or finds it with the same order in it. */
        static PartFolder begin(RunOrder order) throws FileFault {
            Path folder = order.folder();
            String text = OrderFile.text(order);
            Path file = folder.resolve(OrderFile.NAME);
            try {
                if (Files.exists(folder) && !Files.isDirectory(folder)) {
                    throw new FileFault(folder + " is a file; results go into a folder.");
                }
                Files.createDirectories(folder);
                if (!Files.exists(file)) {
                    claim(folder, file, text);
                }
                if (!Files.readString(file).equals(text)) {
                    throw new FileFault(
                            "The folder " + folder + " holds parts of another run, of other pictures, another method or"
                                    + " other options; call every part with the same words, or choose another folder.");
                }
            } catch (IOException e) {
                throw new FolderFault(
                        "The folder " + folder + " cannot be written: " + WholeFile.reason(e) + "; choose another one.",
                        e);
            }
            return new PartFolder(folder);
        }

        /** Parts may begin at the same moment; one of them writes the order down. */
        private static void claim(Path folder, Path file, String text) throws IOException, FileFault {
            Path half = folder.resolve("." + UUID.randomUUID() + LEFT_OVER);
            try (Stream<Path> there = Files.list(folder)) {
                List<Path> others = there.filter(
                                p -> !p.getFileName().toString().endsWith(LEFT_OVER)
                                        && !p.getFileName().toString().equals(OrderFile.NAME))
                        .toList();
                if (!others.isEmpty() && !Files.exists(file)) {
                    throw new FileFault("The folder " + folder + " holds "
                            + others.getFirst().getFileName()
                            + ", which no part of this run wrote; choose a new or empty folder.");
                }
            }
            Files.writeString(half, text, StandardCharsets.UTF_8, StandardOpenOption.CREATE_NEW);
            try {
                Files.createLink(file, half);
            } catch (FileAlreadyExistsException another) {
                // another part was first, and what it wrote is looked at next
            } catch (UnsupportedOperationException noLinks) {
                Files.writeString(file, text, StandardCharsets.UTF_8);
            } finally {
                Files.deleteIfExists(half);
            }
        }

        boolean isDone(String record) {
            Path file = folder.resolve(record);
            try {
                return Files.exists(file)
                        && RecordFile.read(Files.readString(file)).error().isEmpty();
            } catch (IOException | IllegalArgumentException e) {
                return false; // it is written again
            }
        }

        @Override
        public void write(String name, WholeFile.Writer writer) throws FolderFault {
            Path file = folder.resolve(name);
            try {
                Files.createDirectories(file.getParent());
                WholeFile.write(file, writer);
            } catch (IOException | FileFault e) {
                String why = e instanceof IOException io ? WholeFile.reason(io) : e.getMessage();
                throw new FolderFault(
                        file + " cannot be written: " + why
                                + " Samples that have a record are kept; make room and call the part again.",
                        e);
            }
        }

        /** Every file that belongs to the run, named from the folder and in order of the names; half files that a killed part left go. */
        static List<String> sweep(Path folder) throws IOException {
            List<String> names = new ArrayList<>();
            try (Stream<Path> all = Files.walk(folder)) {
                for (Path file : all.filter(Files::isRegularFile).toList()) {
                    String name = folder.relativize(file).toString().replace('\\', '/');
                    if (file.getFileName().toString().endsWith(LEFT_OVER)) {
                        Files.delete(file);
                    } else {
                        names.add(name);
                    }
                }
            }
            names.sort(null);
            return names;
        }
    }
}
