package keentally.study.proof;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.ConcurrentHashMap;
import keentally.core.run.Progress;
import keentally.core.work.Cancel;
import keentally.core.work.Workers;
import keentally.study.Program;
import keentally.study.document.Study;
import keentally.study.file.FileFault;
import keentally.study.file.Json;
import keentally.study.method.ReferenceFiles;
import keentally.study.proof.Proof.Difference;
import keentally.study.result.ResultsAgain;
import keentally.study.run.RecordFile;
import keentally.study.run.SampleRecord;
import keentally.study.series.LedgerRow;
import keentally.study.series.RowText;
import keentally.study.series.SeriesRun;
import keentally.study.series.SeriesSample;
import keentally.study.store.PictureShelf;
import keentally.study.store.StudyFile;

/** Runs once more what was run, and holds every number against the old one. */
public final class Rerun {
    private Rerun() {}

    /**
     * Of all samples of a study that have a row in its ledger.
     *
     * @throws FileFault where the study cannot be read
     * @throws keentally.core.work.CancelledException where {@code cancel} was asked
     */
    public static Proof study(StudyFile file, Workers workers, Cancel cancel, Progress progress) throws FileFault {
        Study study = file.history().study();
        Map<String, LedgerRow> rows = rows(file);
        List<SeriesSample> wanted = new ArrayList<>();
        List<String> remarks = new ArrayList<>();
        for (String id : study.samples()) {
            SeriesSample sample = SeriesSample.of(study, id);
            Optional<LedgerRow> row = Optional.ofNullable(rows.get(id));
            if (row.isEmpty()) {
                remarks.add(sample.thing().name() + " was never run, so there is nothing to hold it against.");
            } else if (!row.get().key().equals(sample.key())
                    && row.get().record().origin().program().equals(Program.VERSION)) {
                remarks.add(sample.thing().name()
                        + " has changed since it was run: its picture's place, method, field, scale or work by hand.");
            } else {
                wanted.add(sample);
            }
        }
        Map<String, SampleRecord> again = new ConcurrentHashMap<>();
        SeriesRun.run(
                wanted,
                new PictureShelf(Optional.of(file)),
                new ReferenceFiles(),
                workers,
                cancel,
                (sample, outcome, done) -> {
                    again.put(sample.id(), outcome.record());
                    progress.at(done, wanted.size());
                });
        Comparing comparing = new Comparing();
        for (SeriesSample sample : wanted) {
            Optional<String> old = file.record(sample.id());
            if (old.isEmpty()) {
                remarks.add(sample.thing().name() + " has no whole record in the study.");
            } else {
                comparing.add(sample.thing().name(), old.get(), again.get(sample.id()));
            }
        }
        return comparing.proof(remarks);
    }

    private static Map<String, LedgerRow> rows(StudyFile file) throws FileFault {
        Map<String, LedgerRow> rows = new HashMap<>();
        file.rows().forEach((id, text) -> {
            try {
                rows.put(id, RowText.read(text));
            } catch (IllegalArgumentException e) {
                // another version's row, which is as good as none
            }
        });
        return rows;
    }

    /**
     * Of a folder that a run filled: its records and the cells of its tables.
     *
     * @param pictures where pictures are looked for that are not where they were
     * @throws FileFault where it is none, or damaged
     * @throws keentally.core.work.CancelledException where {@code cancel} was asked
     */
    public static Proof results(Path folder, Optional<Path> pictures, Workers workers, Cancel cancel, Progress progress)
            throws FileFault {
        Comparing comparing = new Comparing();
        List<String> remarks = new ArrayList<>();
        try (ResultsAgain results = ResultsAgain.open(folder, pictures, cancel)) {
            for (int i = 0; i < results.count(); i++) {
                cancel.check();
                progress.at(i, results.count());
                Optional<String> hindrance = results.hindrance(i);
                hindrance.ifPresent(remarks::add);
                Optional<SampleRecord> now =
                        hindrance.isPresent() ? Optional.empty() : Optional.of(results.again(i, workers));
                String name = results.name(i);
                if (now.isPresent()) {
                    comparing.add(name, results.old(i), now.get());
                }
                results.cells(i, now, (what, old, is) -> comparing.cell(name, what, old, is));
            }
        }
        return comparing.proof(remarks);
    }

    /** Gathers what is held against each other. */
    private static final class Comparing {
        private static final String PROGRAM = "origin, program";
        private final List<Difference> differences = new ArrayList<>();
        private final Set<String> programs = new TreeSet<>();
        private long numbers;

        void add(String sample, String old, SampleRecord now) {
            TreeComparison compared = TreeComparison.of(sample, Json.parse(old), Json.parse(RecordFile.text(now)));
            for (Difference difference : compared.differences()) {
                if (difference.what().equals(PROGRAM)) {
                    programs.add(difference.old());
                } else {
                    differences.add(difference);
                }
            }
            numbers += compared.leaves() - 1; // without the program's version
        }

        void cell(String sample, String what, String old, String now) {
            numbers++;
            if (!old.equals(now)) {
                differences.add(new Difference(sample, what, old, now));
            }
        }

        Proof proof(List<String> remarks) {
            List<String> all = new ArrayList<>(remarks);
            programs.forEach(p -> all.add("Made by version " + p + ", run again by " + Program.VERSION + "."));
            return new Proof(numbers, differences, all);
        }
    }
}
