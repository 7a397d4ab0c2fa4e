package keentally.core.step;

import java.util.ArrayList;
import java.util.List;

/** What phases are called: as a person named them, or by their number. */
final class PhaseNames {
    private PhaseNames() {}

    /** The first of {@code given}, then {@code phase 3} and so on; one that is taken already goes by its number as well. */
    static List<String> of(List<String> given, int count) {
        List<String> names = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            String name = i < given.size() ? given.get(i) : "phase " + i;
            names.add(names.contains(name) ? name + " (" + i + ")" : name);
        }
        return names;
    }

    /** The number of the phase with a name, or of that number; −1 where there is none. */
    static int find(List<String> names, String wanted) {
        int named = names.indexOf(wanted);
        if (named >= 0 || !wanted.matches("[0-9]{1,3}")) {
            return named;
        }
        int number = Integer.parseInt(wanted);
        return number < names.size() ? number : -1;
    }

    static int need(List<String> names, String wanted) throws StepFault {
        int found = find(names, wanted);
        if (found < 0) {
            throw new StepFault("finds no phase '" + wanted + "'; there are "
                    + java.util.stream.IntStream.range(0, names.size())
                            .mapToObj(i -> i + " " + names.get(i))
                            .collect(java.util.stream.Collectors.joining(", ")));
        }
        return found;
    }
}
