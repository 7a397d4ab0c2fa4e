package keentally.study.method;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
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

    private static Method each(Method method, UnaryOperator<Reference> change) {
        Method changed = method;
        for (Place place : places(method)) {
            changed = changed.with(place.step().id(), place.setting(), change.apply(place.now()));
        }
        return changed;
    }

    /** Every file that a method refers to; what it holds inside itself lies in none. */
    static List<Place> places(Method method) {
        List<Place> places = new ArrayList<>();
        for (MethodStep step : method.steps()) {
            for (Setting<?> setting : step.description().settings()) {
                if (setting instanceof ReferenceSetting reference
                        && step.values().isSet(reference)
                        && step.values().get(reference).held().isEmpty()) {
                    places.add(new Place(step, reference, step.values().get(reference)));
                }
            }
        }
        return places;
    }

    /** Where a method refers to a file, and to which. */
    record Place(MethodStep step, ReferenceSetting setting, Reference now) {}
}
