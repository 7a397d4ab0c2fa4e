package keentally.study.report;

import java.time.Instant;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import keentally.core.run.Progress;
import keentally.core.work.Work;
import keentally.study.document.Study;
import keentally.study.file.FileFault;
import keentally.study.method.ReferenceFiles;
import keentally.study.report.ReportMaterial.Gathered;
import keentally.study.series.LedgerRow;
import keentally.study.series.RowText;
import keentally.study.series.SeriesRun;
import keentally.study.series.SeriesSample;
import keentally.study.store.StudyFile;

/** Gathers what a report is made of: runs every sample, as it is now, and looks at its picture while it is there. */
public final class ReportRun {
    /** Within which a mark that is in no object goes with one. */
    private static final double REACH_PX = 10;

    private final Map<String, Gathered> gathered = new ConcurrentHashMap<>();

    /**
     * What a report of a study is made of. What was gathered by an earlier call is not gathered again as long as nothing has changed that
     * it hangs on.
     *
     * @throws FileFault where the study cannot be read
     * @throws keentally.core.work.CancelledException where {@code work} was to be given up
     */
    public ReportMaterial of(ReportSource source, Work work, Progress progress) throws FileFault {
        Study study = source.study();
        List<SeriesSample> samples =
                study.samples().stream().map(id -> SeriesSample.of(study, id)).toList();
        List<SeriesSample> wanted = samples.stream()
                .filter(s -> !gathered.containsKey(name(s, study)))
                .toList();
        Map<String, SampleSight> sights = new ConcurrentHashMap<>();
        progress.at(0, wanted.size());
        SeriesRun.run(
                wanted,
                source.shelf(),
                new ReferenceFiles(),
                work.workers(),
                work.cancel(),
                (sample, picture, ran, alone) -> sights.put(
                        name(sample, study), SampleSight.of(picture, ran, study.tallies(sample.id()), REACH_PX, alone)),
                (sample, outcome, done) -> {
                    Gathered all = new Gathered(
                            outcome.row(), outcome.record(), Optional.ofNullable(sights.remove(name(sample, study))));
                    gathered.put(name(sample, study), all);
                    progress.at(done, wanted.size());
                });
        Map<String, Gathered> now = new LinkedHashMap<>();
        samples.forEach(s -> now.put(s.id(), gathered.get(name(s, study))));
        gathered.keySet().retainAll(samples.stream().map(s -> name(s, study)).toList());
        Map<String, Instant> ran =
                source.file().isPresent() ? times(source.file().get(), samples) : Map.of();
        return new ReportMaterial(source.name(), study, now, ran, source.made());
    }

    /** What of a sample is shown: its numbers, its name in tables, and where it was marked by hand. */
    private static String name(SeriesSample sample, Study study) {
        return "%s %s %s %d"
                .formatted(
                        sample.id(),
                        sample.thing().name(),
                        sample.key(),
                        study.tallies(sample.id()).hashCode());
    }

    private static Map<String, Instant> times(StudyFile file, List<SeriesSample> samples) throws FileFault {
        Map<String, Instant> times = file.rowTimes();
        Map<String, String> rows = file.rows();
        Map<String, Instant> fresh = new HashMap<>();
        for (SeriesSample sample : samples) {
            String row = rows.get(sample.id());
            if (row != null && isOf(row, sample.key())) {
                fresh.put(sample.id(), times.get(sample.id()));
            }
        }
        return fresh;
    }

    private static boolean isOf(String row, String key) {
        try {
            LedgerRow read = RowText.read(row);
            return read.key().equals(key);
        } catch (IllegalArgumentException e) {
            return false; // another version's, which says nothing of this one's numbers
        }
    }
}
