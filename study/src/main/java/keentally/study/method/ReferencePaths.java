package keentally.study.method;

import java.nio.file.Path;
import java.util.function.UnaryOperator;
import keentally.core.method.Method;
import keentally.core.method.MethodStep;
import keentally.core.setting.Reference;
import keentally.core.setting.ReferenceSetting;
import keentally.core.setting.Setting;

/** The files that a method refers to: whole paths in memory, relative ones in files, so that a folder can be moved as a whole. */
public final class ReferencePaths {
    private ReferencePaths() {}

    /** With every file below or beside {@code folder} named from there. */
    public static Method relative(Method method, Path folder) {
        return each(method, r -> r.at(relative(Path.of(r.file()), folder.toAbsolutePath())));
    }

    /** With every file's whole path. */
    public static Method whole(Method method, Path folder) {
        return each(
                method,
                r -> r.at(folder.toAbsolutePath().resolve(r.file()).normalize().toString()));
    }

    /** With / between names on every system; whole where the two have no root in common. */
    public static String relative(Path file, Path folder) {
        boolean sameRoot = file.getRoot() != null && file.getRoot().equals(folder.getRoot());
        Path path = sameRoot ? folder.relativize(file) : file;
        return path.toString().replace(path.getFileSystem().getSeparator(), "/");
    }

    static Method each(Method method, UnaryOperator<Reference> change) {
        Method changed = method;
        for (MethodStep step : method.steps()) {
            for (Setting<?> setting : step.description().settings()) {
                if (setting instanceof ReferenceSetting reference
                        && step.values().isSet(reference)) {
                    Reference now = step.values().get(reference);
                    changed = changed.with(step.id(), reference, change.apply(now));
                }
            }
        }
        return changed;
    }
}
