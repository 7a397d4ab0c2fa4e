package keentally.desk.model;

import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.function.UnaryOperator;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import keentally.desk.look.Texts;
import keentally.study.document.Commit;
import keentally.study.document.Journal;
import keentally.study.document.Journal.History;
import keentally.study.document.Study;
import keentally.study.file.FileFault;
import keentally.study.store.PictureShelf;
import keentally.study.store.StudyFile;

/** The study on the desk, its journal, and the file that it is kept in. */
public final class OpenStudy {
    private final Executor ui;
    private final Optional<StudyFile> file;
    private final Journal journal;
    private final Keeping start;
    private final ReadOnlyObjectWrapper<Keeping> keeping;

    private OpenStudy(Executor ui, History history, Optional<StudyFile> file) {
        this.ui = ui;
        this.file = file;
        this.journal = new Journal(history, this::keep);
        this.start = file.isEmpty()
                ? new Keeping(Keeping.How.NOWHERE, "")
                : new Keeping(file.get().isReadOnly() ? Keeping.How.READ_ONLY : Keeping.How.KEPT, "");
        this.keeping = new ReadOnlyObjectWrapper<>(start);
    }

    /** How far what was done is on disk. */
    public record Keeping(How how, String trouble) {
        /** Where the last action is. */
        public enum How {
            NOWHERE,
            READ_ONLY,
            WRITING,
            KEPT,
            TROUBLE
        }
    }

    /** A study in memory alone. */
    static OpenStudy unkept(Study start, Executor ui) {
        return new OpenStudy(ui, History.of(start), Optional.empty());
    }

    /** What is needed to make or open a study file for a desk: the file's watch must be told first whom to tell. */
    @FunctionalInterface
    public interface Opening {
        StudyFile open(StudyFile.Watch watch) throws FileFault;
    }

    /** Opens a file; not on the interface thread. */
    static OpenStudy open(Opening opening, Executor ui) throws FileFault {
        Watcher watch = new Watcher();
        StudyFile file = opening.open(watch);
        OpenStudy study = new OpenStudy(ui, file.history(), Optional.of(file));
        watch.study = study;
        return study;
    }

    /** The keeper's thread tells; the interface thread is told. */
    private static final class Watcher implements StudyFile.Watch {
        private volatile OpenStudy study;

        @Override
        public void kept() {
            OpenStudy told = study;
            told.ui.execute(told::settled);
        }

        @Override
        public void trouble(FileFault fault) {
            OpenStudy told = study;
            told.ui.execute(() -> told.keeping.set(new Keeping(Keeping.How.TROUBLE, Texts.fault(fault))));
        }
    }

    private void settled() {
        if (file.orElseThrow().isKept()) {
            keeping.set(start);
        }
    }

    private void keep(Commit commit) {
        if (file.isPresent()) {
            if (keeping.get().how() != Keeping.How.TROUBLE) {
                keeping.set(new Keeping(Keeping.How.WRITING, ""));
            }
            file.get().keep(commit);
        }
    }

    /** Whether the last action is on disk, and what is in its way. */
    public ReadOnlyObjectProperty<Keeping> keeping() {
        return keeping.getReadOnlyProperty();
    }

    public Study study() {
        return journal.study();
    }

    /** Where it is kept; empty for a study in memory alone. */
    public Optional<Path> path() {
        return file.map(StudyFile::file);
    }

    public Optional<StudyFile> file() {
        return file;
    }

    public PictureShelf shelf() {
        return new PictureShelf(file);
    }

    public boolean isReadOnly() {
        return file.map(StudyFile::isReadOnly).orElse(false);
    }

    boolean act(String title, UnaryOperator<Study> how) {
        return journal.act(title, how);
    }

    Optional<String> undoable() {
        return isReadOnly() ? Optional.empty() : journal.undoable();
    }

    Optional<String> redoable() {
        return isReadOnly() ? Optional.empty() : journal.redoable();
    }

    boolean undo() {
        return !isReadOnly() && journal.undo();
    }

    boolean redo() {
        return !isReadOnly() && journal.redo();
    }

    /** Lets go of the file once everything is on disk; not on the interface thread but at the very end. */
    public void close() throws FileFault {
        if (file.isPresent()) {
            file.get().close();
        }
    }
}
