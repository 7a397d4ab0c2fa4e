package keentally.cli;

import keentally.core.method.MethodFault;
import keentally.study.file.FileFault;
import keentally.study.result.FolderFault;

/** Exit statuses. */
final class Status {
    static final int WELL = 0;
    static final int SOME_FAILED = 1;
    static final int WRONG_WORDS = 2;
    static final int BAD_METHOD = 3;

    private Status() {}

    static int of(Exception e) {
        return switch (e) {
            case MethodFault f -> BAD_METHOD;
            case BadMethodFile f -> BAD_METHOD;
            case FolderFault f -> SOME_FAILED;
            case FileFault f -> WRONG_WORDS;
            default -> SOME_FAILED;
        };
    }
}
