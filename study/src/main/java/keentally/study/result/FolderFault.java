package keentally.study.result;

import keentally.study.file.FileFault;

/** The folder of results cannot be written: no sample's fault, and so the end of the run. */
public final class FolderFault extends FileFault {
    FolderFault(String sentence, Throwable cause) {
        super(sentence, cause);
    }

    FolderFault(String sentence) {
        super(sentence);
    }
}
