package keentally.study.store;

import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.SQLException;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import keentally.study.document.Journal;
import keentally.study.document.Study;
import keentally.study.document.Thing;
import keentally.study.document.Thing.OrderThing;
import keentally.study.file.FileFault;

/** Takes what can still be read out of a damaged study into a new one beside it; the damaged one stays as it is. */
final class Rescue {
    private Rescue() {}

    /**
     * What was saved.
     *
     * @param file the new study
     * @param things that could be read
     * @param lost things that could not
     */
    record Salvage(Path file, int things, int lost) {
        String sentence(Path damaged, String why) {
            return damaged + " is damaged (" + why + "). What could be read was put into " + file.getFileName() + ": "
                    + things + " of " + (things + lost)
                    + " parts, without the undo history. The damaged file stays as it is.";
        }
    }

    static Salvage from(Path damaged, String why) throws FileFault {
        Map<String, Thing> read = new TreeMap<>();
        int lost = 0;
        try (Database database = Database.open(damaged, false)) {
            List<String> ids = database.ids();
            for (String id : ids) {
                try {
                    Thing thing = database.thing(id);
                    if (Study.isOfItsKind(id, thing)) {
                        read.put(id, thing);
                    } else {
                        lost++;
                    }
                } catch (RuntimeException e) {
                    lost++;
                }
            }
        } catch (SQLException | RuntimeException e) {
            throw hopeless(damaged, why, e);
        }
        boolean nothing = read.values().stream().allMatch(OrderThing.class::isInstance);
        if (nothing) {
            throw hopeless(damaged, why, null);
        }
        Path file = free(damaged);
        try (Database database = Database.create(file)) {
            database.write(Journal.beginning(Study.of(read).mended()));
        } catch (SQLException | RuntimeException e) {
            throw new FileFault(
                    damaged + " is damaged (" + why + "), and there is no room beside it for a copy of what"
                            + " could be read: " + StudyFile.reason(e) + ".",
                    e);
        }
        return new Salvage(file, read.size(), lost);
    }

    private static FileFault hopeless(Path damaged, String why, Exception cause) {
        return new FileFault(
                damaged + " is damaged (" + why + "), and nothing in it can be read. Take a copy of it from a backup.",
                cause);
    }

    /** NAME-rescued.tally, or with a number where there is one already. */
    private static Path free(Path damaged) {
        String name = damaged.getFileName().toString();
        String bare =
                name.endsWith(StudyFile.ENDING) ? name.substring(0, name.length() - StudyFile.ENDING.length()) : name;
        Path file = damaged.resolveSibling(bare + "-rescued" + StudyFile.ENDING);
        for (int n = 2; Files.exists(file); n++) {
            file = damaged.resolveSibling(bare + "-rescued-" + n + StudyFile.ENDING);
        }
        return file;
    }
}
