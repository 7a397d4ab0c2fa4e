package keentally.study.method;

import java.nio.file.Path;
import keentally.core.method.Method;
import keentally.core.method.MethodFault;
import keentally.core.method.MethodTree;
import keentally.core.setting.Reference;
import keentally.study.file.FileFault;
import keentally.study.file.Json;
import keentally.study.file.Sha256;
import keentally.study.file.WholeFile;

/** Reads and writes {@code .method.json} files. */
public final class MethodFile {
    public static final String ENDING = ".method.json";

    private MethodFile() {}

    /**
     * @return the files that it refers to named by their whole paths and known by their SHA-256
     * @throws FileFault where the file, or one that it refers to, cannot be read, or it is no JSON
     * @throws MethodFault where what it says cannot work; the sentence names the step
     */
    public static Method read(Path file) throws FileFault, MethodFault {
        Method method = ReferencePaths.whole(MethodTree.read(Json.read(file)), folder(file));
        Method known = method;
        for (ReferencePaths.Place place : ReferencePaths.places(method)) {
            Reference named = place.now();
            String now = Sha256.of(Path.of(named.file()));
            if (!named.sha256().isEmpty() && !named.sha256().equals(now)) {
                throw new MethodFault(
                        method.indexOf(place.step().id()) + 1,
                        place.step().description().id(),
                        "refers to " + named.file() + ", which is not the file that it was made with");
            }
            known = known.with(place.step().id(), place.setting(), new Reference(named.file(), now));
        }
        return known;
    }

    /** Files that the method refers to are named from where it is written. */
    public static void write(Path file, Method method) throws FileFault {
        WholeFile.write(file, Json.pretty(MethodTree.write(ReferencePaths.relative(method, folder(file)))));
    }

    private static Path folder(Path file) {
        return file.toAbsolutePath().normalize().getParent();
    }

    /** SHA-256 of the canonical form: spacing, order of keys, ids, mutes and saves make no difference. */
    public static String hash(Method method) {
        return Sha256.of(Json.compact(MethodTree.canonical(method)));
    }
}
