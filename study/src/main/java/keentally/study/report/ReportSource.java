package keentally.study.report;

import java.time.LocalDate;
import java.util.Optional;
import keentally.study.document.Study;
import keentally.study.store.PictureShelf;
import keentally.study.store.StudyFile;

/**
 * What a report is to be of.
 *
 * @param name of the study
 * @param file that it is kept in; empty for one in memory alone
 * @param shelf that its pictures are taken from
 * @param made the day that stands on it
 */
public record ReportSource(String name, Study study, Optional<StudyFile> file, PictureShelf shelf, LocalDate made) {
    /** Of a study that is kept in a file, under the file's name. */
    public static ReportSource of(StudyFile file, LocalDate made) {
        return new ReportSource(
                StudyFile.title(file.file()),
                file.history().study(),
                Optional.of(file),
                new PictureShelf(Optional.of(file)),
                made);
    }

    /** Of a study in memory alone. */
    public static ReportSource of(String name, Study study, LocalDate made) {
        return new ReportSource(name, study, Optional.empty(), new PictureShelf(Optional.empty()), made);
    }
}
