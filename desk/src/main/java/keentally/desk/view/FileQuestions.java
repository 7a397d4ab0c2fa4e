package keentally.desk.view;

import java.io.File;
import javafx.stage.DirectoryChooser;
import javafx.stage.FileChooser;
import javafx.stage.Window;

/** Asks for files; answers with null where the person leaves. */
public interface FileQuestions {
    /** As the system asks. */
    FileQuestions SYSTEM = new FileQuestions() {
        @Override
        public File toWrite(FileChooser chooser, Window owner) {
            return chooser.showSaveDialog(owner);
        }

        @Override
        public File toRead(FileChooser chooser, Window owner) {
            return chooser.showOpenDialog(owner);
        }

        @Override
        public File folder(DirectoryChooser chooser, Window owner) {
            return chooser.showDialog(owner);
        }
    };

    File toWrite(FileChooser chooser, Window owner);

    File toRead(FileChooser chooser, Window owner);

    File folder(DirectoryChooser chooser, Window owner);
}
