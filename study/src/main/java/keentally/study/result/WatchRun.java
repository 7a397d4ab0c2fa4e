package keentally.study.result;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import keentally.core.work.Cancel;
import keentally.core.work.CancelledException;
import keentally.core.work.Workers;
import keentally.study.document.PictureRef;
import keentally.study.file.FileFault;
import keentally.study.file.WholeFile;
import keentally.study.picture.ArrivingPictures;
import keentally.study.result.PartRun.PartFolder;
import keentally.study.run.RecordFile;
import keentally.study.run.SampleRecord;

/**
 * Runs a method on each picture that comes into a folder, once it is whole, and keeps the tables up with them. One that failed is run again
 * when its file has changed. What was run stays over a
 * stop: called again it goes on with what came meanwhile. The tables are those of one run over all pictures in the order in which they came.
 */
public final class WatchRun {
    private final Workers workers;
    private final Cancel cancel;
    private final ArrivingPictures arriving;
    private RunOrder order;

    private WatchRun(Path watched, RunOrder order, Workers workers, Cancel cancel) {
        this.order = order;
        this.workers = workers;
        this.cancel = cancel;
        Set<Path> known = order.samples().stream().map(WatchRun::whole).collect(Collectors.toSet());
        this.arriving = new ArrivingPictures(watched, known);
    }

    /** Told of each picture that was run, and waits between two looks. */
    public interface Watcher {
        void ran(SampleRecord record);

        /** Until it is worth while to look again; false ends it. */
        boolean pause(int coming) throws InterruptedException;
    }

    /** What each sample is ordered like. @param picture that came */
    public interface Ordering {
        PictureOrder of(String name, PictureRef picture);
    }

    /**
     * Watches until it is told to end.
     *
     * @param empty the order without samples: method, folder of the results, and what stands beside
     * @param each makes the order of a picture
     * @return how many pictures failed, of all there are in the folder of the results
     * @throws FileFault where a folder cannot be read or written, or holds something else; what has a record stays
     * @throws CancelledException where {@code cancel} was asked; what has a record stays, and is in the tables
     */
    public static int run(Path watched, RunOrder empty, Ordering each, Workers workers, Cancel cancel, Watcher watcher)
            throws FileFault {
        if (!Files.isDirectory(watched)) {
            throw new FileFault(watched + " is no folder; name the one that pictures come into.");
        }
        Path results = empty.folder().toAbsolutePath().normalize();
        if (results.equals(watched.toAbsolutePath().normalize())) {
            throw new FileFault("The results cannot go into the folder that is watched; choose another one.");
        }
        return new WatchRun(watched, begin(empty), workers, cancel).run(each, watcher);
    }

    /** What was run there before is gone on with where it is of the same method. */
    private static RunOrder begin(RunOrder empty) throws FileFault {
        if (Files.exists(empty.folder().resolve(OrderFile.NAME))) {
            RunOrder before = PartMerge.order(empty.folder());
            RunOrder bare = before.samples(List.of());
            if (!OrderFile.text(bare).equals(OrderFile.text(empty.into(before.folder(), true)))) {
                throw new FileFault("The folder " + empty.folder()
                        + " holds what another method or other options came to; choose another folder.");
            }
            return before;
        }
        PartRun.begin(empty);
        return empty;
    }

    private int run(Ordering each, Watcher watcher) throws FileFault {
        int failed = PartMerge.tables(order);
        try {
            do {
                cancel.check();
                List<Path> whole = arriving.look();
                for (Path file : whole) {
                    ran(file, each, watcher);
                }
                if (!whole.isEmpty()) {
                    failed = PartMerge.tables(order);
                }
            } while (watcher.pause(arriving.coming()));
        } catch (CancelledException e) {
            PartMerge.tables(order);
            throw e;
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
        return failed;
    }

    /** A picture that failed and has changed since is the same sample again; any other is one more. */
    private void ran(Path file, Ordering each, Watcher watcher) throws FileFault {
        OptionalInt before = IntStream.range(0, order.samples().size())
                .filter(i -> whole(order.samples().get(i)).equals(file))
                .findFirst();
        RunOrder now = before.isPresent() ? order : with(each.of(freshName(file), PictureRef.of(file, 1)));
        SampleRecord record = record(now, before.orElse(now.samples().size() - 1));
        WholeFile.write(
                now.folder().resolve(OrderFile.NAME), OrderFile.text(now)); // no sample stands there without its record
        order = now;
        if (record.error().isPresent()) {
            arriving.again(file);
        }
        watcher.ran(record);
        if (before.isEmpty() && now.samples().size() == 2) {
            record(now, 0); // what is said of a sample hangs on whether it is alone
        }
    }

    private RunOrder with(PictureOrder sample) {
        List<PictureOrder> samples = new ArrayList<>(order.samples());
        samples.add(sample);
        return order.samples(samples);
    }

    private static Path whole(PictureOrder sample) {
        return sample.file().toAbsolutePath().normalize();
    }

    /** A name once given stays, whatever comes later. */
    private String freshName(Path file) {
        Set<String> taken = new HashSet<>();
        order.samples().forEach(s -> taken.add(s.name().orElseThrow()));
        String whole = file.getFileName().toString();
        String bare = SampleNames.ofFiles(List.of(file)).getFirst();
        return taken.contains(bare) ? whole : bare;
    }

    private SampleRecord record(RunOrder of, int index) throws FileFault {
        OrderedSamples samples = new OrderedSamples(of, cancel);
        PartFolder folder = new PartFolder(of.folder());
        SampleRecord record = samples.record(index, folder, workers);
        folder.write(samples.place(index), RecordFile.text(record));
        return record;
    }
}
