package keentally.study.method;

import java.nio.file.Path;
import keentally.core.method.Method;
import keentally.core.method.MethodFault;
import keentally.core.method.MethodTree;
import keentally.study.file.FileFault;
import keentally.study.file.Json;
import keentally.study.file.Sha256;
import keentally.study.file.WholeFile;

/** Reads and writes {@code .method.json} files. */
public final class MethodFile {
    public static final String ENDING = ".method.json";

    private MethodFile() {}

    /**
     * @throws FileFault where the file cannot be read or is no JSON
     * @throws MethodFault where what it says cannot work; the sentence names the step
     */
    public static Method read(Path file) throws FileFault, MethodFault {
        return MethodTree.read(Json.read(file));
    }

    public static void write(Path file, Method method) throws FileFault {
        WholeFile.write(file, Json.pretty(MethodTree.write(method)));
    }

    /** SHA-256 of the canonical form: spacing, order of keys, ids, mutes and saves make no difference. */
    public static String hash(Method method) {
        return Sha256.of(Json.compact(MethodTree.canonical(method)));
    }
}
