package keentally.study.method;

import java.nio.file.Path;
import java.time.DateTimeException;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import keentally.core.method.Method;
import keentally.core.method.MethodFault;
import keentally.core.method.MethodTree;
import keentally.core.setting.Reference;
import keentally.study.document.Approval;
import keentally.study.file.FileFault;
import keentally.study.file.Json;
import keentally.study.file.Sha256;
import keentally.study.file.WholeFile;

/** Reads and writes {@code .method.json} files. */
public final class MethodFile {
    public static final String ENDING = ".method.json";

    private static final String APPROVED = "approved";

    private MethodFile() {}

    /**
     * @return the files that it refers to named by their whole paths and known by their SHA-256
     * @throws FileFault where the file, or one that it refers to, cannot be read, or it is no JSON
     * @throws MethodFault where what it says cannot work; the sentence names the step
     */
    public static Method read(Path file) throws FileFault, MethodFault {
        Method method = ReferencePaths.whole(MethodTree.read(bare(Json.read(file))), folder(file));
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

    private static Object bare(Object tree) {
        if (!(tree instanceof Map<?, ?> map) || !map.containsKey(APPROVED)) {
            return tree;
        }
        Map<Object, Object> bare = new LinkedHashMap<>(map);
        bare.remove(APPROVED);
        return bare;
    }

    /**
     * By whom the method of a file is locked; empty where it is not.
     *
     * @throws MethodFault where it is not what was approved any more
     */
    public static Optional<Approval> approval(Path file) throws FileFault, MethodFault {
        if (!(Json.read(file) instanceof Map<?, ?> map) || !map.containsKey(APPROVED)) {
            return Optional.empty();
        }
        try {
            Map<?, ?> tree = (Map<?, ?>) map.get(APPROVED);
            Approval approval = new Approval((String) tree.get("by"), Instant.parse((String) tree.get("at")));
            if (!hash(read(file)).equals(tree.get("methodSha256"))) {
                throw new MethodFault("The method in " + file + " is not the one any more that " + approval.by()
                        + " approved; use that one, or take \"" + APPROVED + "\" out of the file.");
            }
            return Optional.of(approval);
        } catch (ClassCastException | NullPointerException | IllegalArgumentException | DateTimeException e) {
            throw new MethodFault("The method's \"" + APPROVED
                    + "\" must say \"by\" whom, \"at\" which time, and the \"methodSha256\" of what was approved.");
        }
    }

    /** Files that the method refers to are named from where it is written. */
    public static void write(Path file, Method method) throws FileFault {
        write(file, method, Optional.empty());
    }

    /** With who approved it. */
    public static void write(Path file, Method method, Optional<Approval> approval) throws FileFault {
        Map<String, Object> tree = new LinkedHashMap<>(MethodTree.write(ReferencePaths.relative(method, folder(file))));
        approval.ifPresent(a -> {
            Map<String, Object> approved = new LinkedHashMap<>();
            approved.put("by", a.by());
            approved.put("at", a.at().toString());
            approved.put("methodSha256", hash(method));
            tree.put(APPROVED, approved);
        });
        WholeFile.write(file, Json.pretty(tree));
    }

    private static Path folder(Path file) {
        return file.toAbsolutePath().normalize().getParent();
    }

    /** SHA-256 of the canonical form: spacing, order of keys, ids, mutes and saves make no difference. */
    public static String hash(Method method) {
        return Sha256.of(Json.compact(MethodTree.canonical(method)));
    }
}
