package keentally.study.store;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import keentally.study.Program;
import keentally.study.document.Action;
import keentally.study.document.Commit;
import keentally.study.document.Journal.History;
import keentally.study.document.Study;
import keentally.study.document.Thing;
import keentally.study.document.Thing.HandThing;
import org.jdbi.v3.core.Handle;
import org.jdbi.v3.core.Jdbi;
import org.jdbi.v3.core.JdbiException;
import org.sqlite.SQLiteConfig;

/** The tables of a study file. Used by one thread at a time. */
final class Database implements AutoCloseable {
    /** "KTAL". */
    static final int APPLICATION = 0x4B54414C;

    /**
     * 2 since versions and rows have sums, and hand work is written as what was added; 3 since things are counted by hand, in classes,
     * which a program that knows of neither would take for damage; 5 since samples have numbers, steps can be held, and there are ledgers.
     */
    static final int LAYOUT = 5;

    private static final Set<String> SHARES =
            Set.of("nfs", "nfs4", "cifs", "smb", "smb2", "smb3", "smbfs", "9p", "afs");
    private static final long LEFT_OVER_AFTER_MS = 60_000;
    private static final List<String> TABLES = List.of(
            "CREATE TABLE version (number INTEGER PRIMARY KEY, kind TEXT NOT NULL, content TEXT NOT NULL,"
                    + " base INTEGER, sum INTEGER NOT NULL DEFAULT 0)",
            "CREATE TABLE thing (id TEXT PRIMARY KEY, version INTEGER NOT NULL) WITHOUT ROWID",
            "CREATE TABLE action (place INTEGER PRIMARY KEY, title TEXT NOT NULL, at TEXT NOT NULL, sum INTEGER NOT NULL DEFAULT 0)",
            "CREATE TABLE change (place INTEGER, thing TEXT, before INTEGER, after INTEGER,"
                    + " PRIMARY KEY (place, thing)) WITHOUT ROWID",
            "CREATE TABLE position (name TEXT PRIMARY KEY, value INTEGER NOT NULL) WITHOUT ROWID",
            "CREATE TABLE packed (sha256 TEXT PRIMARY KEY, name TEXT NOT NULL, bytes BLOB NOT NULL)");

    /** So many versions may add to one another. */
    private static final int MOST_BASES = 3_000;

    private final Handle handle;
    private final ThingText text;

    /** Hand work that is in the file, which more may be added to. */
    private final Map<Long, Thing> written = new HashMap<>();

    private final boolean writable;

    private Database(Handle handle, ThingText text, boolean writable) {
        this.handle = handle;
        this.text = text;
        this.writable = writable;
    }

    /** Opens a file that must be there. */
    static Database open(Path file, boolean writable) throws SQLException {
        return open(file, writable, false);
    }

    /** Makes a file that must not be there. */
    static Database create(Path file) throws SQLException {
        Database database = open(file, true, true);
        database.handle.useTransaction(h -> {
            TABLES.forEach(h::execute);
            new LedgerTable(h).make();
            h.execute("PRAGMA user_version = " + LAYOUT);
            h.execute("PRAGMA application_id = " + APPLICATION);
        });
        return database;
    }

    private static Database open(Path file, boolean writable, boolean create) throws SQLException {
        Libraries.prepare();
        SQLiteConfig config = new SQLiteConfig();
        config.setReadOnly(!writable);
        config.setBusyTimeout(5000);
        if (writable) {
            config.setJournalMode(onShare(file) ? SQLiteConfig.JournalMode.DELETE : SQLiteConfig.JournalMode.WAL);
            config.setSynchronous(SQLiteConfig.SynchronousMode.FULL);
        }
        if (!create && !Files.exists(file)) {
            throw new SQLException("the file is not there");
        }
        Connection connection = config.createConnection("jdbc:sqlite:" + file.toAbsolutePath());
        Path folder = file.toAbsolutePath().normalize().getParent();
        return new Database(Jdbi.open(connection), new ThingText(folder), writable);
    }

    /** Write-ahead logs need memory shared between processes, which network shares do not give. */
    private static boolean onShare(Path file) {
        try {
            return SHARES.contains(
                    Files.getFileStore(file.toAbsolutePath().getParent()).type().toLowerCase(Locale.ROOT));
        } catch (IOException e) {
            return false;
        }
    }

    int application() {
        return number("PRAGMA application_id");
    }

    int layout() {
        return number("PRAGMA user_version");
    }

    private int number(String sql) {
        return handle.createQuery(sql).mapTo(Integer.class).one();
    }

    /** What is wrong inside the file; empty where all is well. */
    Optional<String> damage() {
        String found =
                handle.createQuery("PRAGMA quick_check(1)").mapTo(String.class).first();
        return found.equals("ok") ? Optional.empty() : Optional.of(found.replace('\n', ' '));
    }

    /** For tests of a full disk: the file may not grow beyond so many pages. */
    void limitPages(int pages) {
        handle.execute("PRAGMA max_page_count = " + pages);
    }

    int pages() {
        return number("PRAGMA page_count");
    }

    /** One move of the journal, whole or not at all. */
    void write(Commit commit) {
        handle.useTransaction(h -> {
            new TreeMap<>(commit.versions()).forEach((number, thing) -> write(h, commit, number, thing));
            commit.added().ifPresent(action -> write(h, commit.place(), action));
            h.execute("DELETE FROM action WHERE place < ?", commit.forgotten());
            h.execute("DELETE FROM change WHERE place < ?", commit.forgotten());
            commit.now()
                    .forEach((id, version) -> version.ifPresentOrElse(
                            v -> h.execute("INSERT OR REPLACE INTO thing (id, version) VALUES (?, ?)", id, v),
                            () -> h.execute("DELETE FROM thing WHERE id = ?", id)));
            put(h, "forgotten", commit.forgotten());
            put(h, "done", commit.done());
            seal(h);
        });
    }

    private void write(Handle h, Commit commit, long number, Thing thing) {
        Optional<Thing> base =
                Optional.ofNullable(commit.bases().get(number)).flatMap(b -> Optional.ofNullable(written.get(b)));
        String kind = ThingText.kind(thing);
        String content = base.map(b -> text.write(thing, b)).orElseGet(() -> text.write(thing));
        Long on = base.isPresent() ? commit.bases().get(number) : null;
        h.execute(
                "INSERT INTO version (number, kind, content, base, sum) VALUES (?, ?, ?, ?, ?)",
                number,
                kind,
                content,
                on,
                Sums.version(number, kind, content, on));
        if (thing instanceof HandThing) {
            written.put(number, thing);
        }
    }

    /** The sum over all that has no sum of its own: which version each thing has, how many actions there are, and where the study stands. */
    private static void seal(Handle h) {
        put(h, "sum", sum(h));
    }

    private static long sum(Handle h) {
        Sums sums = new Sums();
        h.createQuery("SELECT id, version FROM thing ORDER BY id")
                .map((rs, c) -> rs.getString(1) + " " + rs.getLong(2))
                .forEach(sums::add);
        h.createQuery("SELECT name, value FROM position WHERE name <> 'sum' ORDER BY name")
                .map((rs, c) -> rs.getString(1) + " " + rs.getLong(2))
                .forEach(sums::add);
        sums.add(String.valueOf(
                h.createQuery("SELECT count(*) FROM action").mapTo(Long.class).one()));
        return sums.value();
    }

    private static void write(Handle h, long place, Action action) {
        h.execute("DELETE FROM action WHERE place >= ?", place);
        h.execute("DELETE FROM change WHERE place >= ?", place);
        h.execute(
                "INSERT INTO action (place, title, at, sum) VALUES (?, ?, ?, ?)",
                place,
                action.title(),
                Instant.now().toString(),
                Sums.action(place, action));
        for (Action.Change change : action.changes()) {
            h.execute(
                    "INSERT INTO change (place, thing, before, after) VALUES (?, ?, ?, ?)",
                    place,
                    change.thing(),
                    change.before().orElse(null),
                    change.after().orElse(null));
        }
    }

    private static void put(Handle h, String name, long value) {
        h.execute("INSERT OR REPLACE INTO position (name, value) VALUES (?, ?)", name, value);
    }

    /** Versions that neither the study nor any action needs, nor another version that adds to them, go. Returns whether any did. */
    boolean tidy() {
        return 0
                < handle.execute("WITH RECURSIVE needed(number) AS (SELECT version FROM thing"
                        + " UNION SELECT before FROM change WHERE before IS NOT NULL"
                        + " UNION SELECT after FROM change WHERE after IS NOT NULL"
                        + " UNION SELECT base FROM version JOIN needed ON version.number = needed.number WHERE base IS NOT NULL)"
                        + " DELETE FROM version WHERE number NOT IN (SELECT number FROM needed)");
    }

    /** Turns a study of an older layout into one of this. */
    void upgrade() {
        if (layout() < 2) {
            sum();
        }
        if (layout() < LAYOUT) {
            ledger().make();
            handle.execute("PRAGMA user_version = " + LAYOUT);
        }
    }

    /** Layout 1 has no sums, and no versions that add to others. */
    private void sum() {
        handle.useTransaction(h -> {
            h.execute("ALTER TABLE version ADD COLUMN base INTEGER");
            h.execute("ALTER TABLE version ADD COLUMN sum INTEGER NOT NULL DEFAULT 0");
            h.execute("ALTER TABLE action ADD COLUMN sum INTEGER NOT NULL DEFAULT 0");
            h.createQuery("SELECT number, kind, content FROM version")
                    .map((rs, c) -> new Row(rs.getLong(1), rs.getString(2), rs.getString(3), null, 0))
                    .list()
                    .forEach(r -> h.execute("UPDATE version SET sum = ? WHERE number = ?", r.expected(), r.number));
            List<Action> actions = actions(null);
            List<Long> places = h.createQuery("SELECT place FROM action ORDER BY place")
                    .mapTo(Long.class)
                    .list();
            for (int i = 0; i < places.size(); i++) {
                h.execute(
                        "UPDATE action SET sum = ? WHERE place = ?",
                        Sums.action(places.get(i), actions.get(i)),
                        places.get(i));
            }
            seal(h);
            h.execute("PRAGMA user_version = 2");
        });
    }

    /** A version as it stands in the file. */
    private record Row(long number, String kind, String content, Long base, long sum) {
        long expected() {
            return Sums.version(number, kind, content, base);
        }
    }

    /** @throws IllegalArgumentException where the parts do not fit each other */
    History read() {
        boolean summed = layout() >= 2;
        Map<Long, Thing> versions = new HashMap<>();
        rows("ORDER BY number", summed).forEach(r -> versions.put(r.number, thing(r, versions, summed)));
        versions.forEach((number, thing) -> {
            if (thing instanceof HandThing) {
                written.put(number, thing);
            }
        });
        Map<String, Thing> things = new TreeMap<>();
        handle.createQuery("SELECT id, version FROM thing")
                .map((rs, c) -> Map.entry(rs.getString(1), rs.getLong(2)))
                .forEach(e -> things.put(e.getKey(), known(versions, e.getValue())));
        if (summed && position("sum") != sum(handle)) {
            throw new IllegalArgumentException("parts of it are missing, or are not what they were");
        }
        long forgotten = position("forgotten");
        List<Action> actions = actions(versions);
        int done = (int) (position("done") - forgotten);
        if (done < 0 || done > actions.size()) {
            throw new IllegalArgumentException("the actions do not fit the place that the study stands at");
        }
        Study.checkKinds(things);
        Study study = Study.of(things);
        study.checkWhole();
        return new History(study, versions, actions, forgotten, done);
    }

    /** Whether its tables are those of a study, and not views that may have no end, or something that acts by itself. */
    boolean isLaidOut() {
        long tables = handle.createQuery("SELECT count(*) FROM sqlite_master WHERE type = 'table'"
                        + " AND sql LIKE 'CREATE TABLE%' AND name IN"
                        + " ('version', 'thing', 'action', 'change', 'position', 'packed')")
                .mapTo(Long.class)
                .one();
        long others = handle.createQuery("SELECT count(*) FROM sqlite_master WHERE type IN ('view', 'trigger')")
                .mapTo(Long.class)
                .one();
        return tables == TABLES.size() && others == 0;
    }

    private List<Row> rows(String which, boolean summed) {
        String columns = summed ? "number, kind, content, base, sum" : "number, kind, content, NULL, 0";
        return handle.createQuery("SELECT " + columns + " FROM version " + which)
                .map((rs, c) -> {
                    Number base = (Number) rs.getObject(4);
                    return new Row(
                            rs.getLong(1),
                            rs.getString(2),
                            rs.getString(3),
                            base == null ? null : base.longValue(),
                            rs.getLong(5));
                })
                .list();
    }

    private Thing thing(Row row, Map<Long, Thing> before, boolean summed) {
        if (summed && row.sum != row.expected()) {
            throw new IllegalArgumentException("version " + row.number + " is not what it was");
        }
        return row.base == null
                ? text.read(row.kind, row.content)
                : text.read(row.kind, row.content, known(before, row.base));
    }

    private static Thing known(Map<Long, Thing> versions, long number) {
        Thing thing = versions.get(number);
        if (thing == null) {
            throw new IllegalArgumentException("version " + number + " is missing");
        }
        return thing;
    }

    private long position(String name) {
        return handle.createQuery("SELECT value FROM position WHERE name = ?")
                .bind(0, name)
                .mapTo(Long.class)
                .findOne()
                .orElse(0L);
    }

    /** @param versions that they may refer to; null for those of an older layout, which are not checked */
    private List<Action> actions(Map<Long, Thing> versions) {
        Map<Long, List<Action.Change>> changes = new HashMap<>();
        handle.createQuery("SELECT place, thing, before, after FROM change ORDER BY place, thing")
                .map((rs, c) -> {
                    Optional<Long> before =
                            Optional.ofNullable((Number) rs.getObject(3)).map(Number::longValue);
                    Optional<Long> after =
                            Optional.ofNullable((Number) rs.getObject(4)).map(Number::longValue);
                    if (versions != null) {
                        before.ifPresent(v -> known(versions, v));
                        after.ifPresent(v -> known(versions, v));
                    }
                    return Map.entry(rs.getLong(1), new Action.Change(rs.getString(2), before, after));
                })
                .forEach(e -> changes.computeIfAbsent(e.getKey(), p -> new ArrayList<>())
                        .add(e.getValue()));
        List<Action> actions = new ArrayList<>();
        long first = position("forgotten");
        boolean summed = versions != null && layout() >= 2;
        handle.createQuery("SELECT place, title, " + (summed ? "sum" : "0") + " FROM action ORDER BY place")
                .map((rs, c) -> {
                    long place = rs.getLong(1);
                    Action action = new Action(rs.getString(2), changes.getOrDefault(place, List.of()));
                    boolean next = place == first + actions.size();
                    if (!next || summed && rs.getLong(3) != Sums.action(place, action)) {
                        throw new IllegalArgumentException("action " + place + " is not what it was");
                    }
                    return action;
                })
                .forEach(actions::add);
        return actions;
    }

    /** The ids of all things, as far as they can be read. */
    List<String> ids() {
        return handle.createQuery("SELECT id FROM thing").mapTo(String.class).list();
    }

    /** The thing of an id as it is now, read alone; of hand work that cannot be read the last state before it that can. */
    Thing thing(String id) {
        boolean summed = layout() >= 2;
        long number = handle.createQuery("SELECT version FROM thing WHERE id = ?")
                .bind(0, id)
                .mapTo(Long.class)
                .one();
        return thing(number, summed, MOST_BASES);
    }

    private Thing thing(long number, boolean summed, int left) {
        Row row = rows("WHERE number = " + number, summed).stream()
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("version " + number + " is missing"));
        if (row.base == null) {
            return thing(row, Map.of(), summed);
        }
        if (left == 0 || row.base >= number) {
            throw new IllegalArgumentException("version " + number + " adds to none that can be read");
        }
        Thing base = thing(row.base, summed, left - 1);
        try {
            return thing(row, Map.of(row.base, base), summed);
        } catch (IllegalArgumentException damaged) {
            return base;
        }
    }

    void pack(String sha256, String name, byte[] bytes) {
        handle.execute("INSERT OR IGNORE INTO packed (sha256, name, bytes) VALUES (?, ?, ?)", sha256, name, bytes);
    }

    Optional<byte[]> packed(String sha256) {
        return handle.createQuery("SELECT bytes FROM packed WHERE sha256 = ?")
                .bind(0, sha256)
                .mapTo(byte[].class)
                .findOne();
    }

    boolean isPacked(String sha256) {
        return handle.createQuery("SELECT count(*) FROM packed WHERE sha256 = ?")
                        .bind(0, sha256)
                        .mapTo(Long.class)
                        .one()
                > 0;
    }

    long packedCount() {
        return handle.createQuery("SELECT count(*) FROM packed")
                .mapTo(Long.class)
                .one();
    }

    LedgerTable ledger() {
        return new LedgerTable(handle);
    }

    void copyInto(Path file) {
        handle.execute("VACUUM INTO ?", file.toAbsolutePath().toString());
    }

    /** Writes every thing anew as seen from the folder of {@code other}, which is a copy of this. */
    void referFrom(Database other) {
        other.handle.useTransaction(h -> {
            for (Row row : rows("WHERE kind IN ('sample', 'method')", true)) {
                String content = other.text.write(text.read(row.kind, row.content));
                h.execute(
                        "UPDATE version SET content = ?, sum = ? WHERE number = ?",
                        content,
                        Sums.version(row.number, row.kind, content, row.base),
                        row.number);
            }
        });
    }

    /** Leaves one plain file, unless somebody else is still reading it. */
    @Override
    public void close() {
        try (handle) {
            if (writable) {
                leavePlain();
            }
        }
    }

    private void leavePlain() {
        try {
            handle.execute("PRAGMA busy_timeout = 200");
            handle.execute("PRAGMA journal_mode = DELETE");
        } catch (JdbiException e) {
            // the log stays beside the file, and belongs to it
        }
    }

    /** Where the database library unpacks what it needs, in a folder of ours: a killed process leaves its copy behind. */
    private static final class Libraries {
        private static boolean prepared;

        static synchronized void prepare() {
            if (prepared || System.getProperty("org.sqlite.tmpdir") != null) {
                return;
            }
            prepared = true;
            Path folder = Program.home().resolve("native");
            try {
                Files.createDirectories(folder);
                try (var found = Files.list(folder)) {
                    for (Path file : found.toList()) {
                        long age = System.currentTimeMillis()
                                - Files.getLastModifiedTime(file).toMillis();
                        if (age > LEFT_OVER_AFTER_MS && Files.isWritable(file)) {
                            Files.deleteIfExists(file);
                        }
                    }
                }
                System.setProperty("org.sqlite.tmpdir", folder.toString());
            } catch (IOException e) {
                // the system's own temporary folder serves as well
            }
        }
    }
}
