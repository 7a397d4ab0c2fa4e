package keentally.study.result;

import java.nio.charset.StandardCharsets;
import keentally.study.file.WholeFile;

/** Where the files of a run go, by their names from its folder; for any thread. */
interface ResultSink {
    void write(String name, WholeFile.Writer writer) throws FolderFault;

    default void write(String name, String text) throws FolderFault {
        write(name, out -> out.write(text.getBytes(StandardCharsets.UTF_8)));
    }
}
