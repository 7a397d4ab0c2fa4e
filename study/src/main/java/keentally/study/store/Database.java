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
import org.jdbi.v3.core.Handle;
import org.jdbi.v3.core.Jdbi;
import org.jdbi.v3.core.JdbiException;
import org.sqlite.SQLiteConfig;

/** The tables of a study file. Used by one thread at a time. */
final class Database implements AutoCloseable {
    /** "KTAL". */
    static final int APPLICATION = 0x4B54414C;

    static final int LAYOUT = 1;

    private static final Set<String> SHARES =
            Set.of("nfs", "nfs4", "cifs", "smb", "smb2", "smb3", "smbfs", "9p", "afs");
    private static final long LEFT_OVER_AFTER_MS = 60_000;
    private static final List<String> TABLES = List.of(
            "CREATE TABLE version (number INTEGER PRIMARY KEY, kind TEXT NOT NULL, content TEXT NOT NULL)",
            "CREATE TABLE thing (id TEXT PRIMARY KEY, version INTEGER NOT NULL) WITHOUT ROWID",
            "CREATE TABLE action (place INTEGER PRIMARY KEY, title TEXT NOT NULL, at TEXT NOT NULL)",
            "CREATE TABLE change (place INTEGER, thing TEXT, before INTEGER, after INTEGER,"
                    + " PRIMARY KEY (place, thing)) WITHOUT ROWID",
            "CREATE TABLE position (name TEXT PRIMARY KEY, value INTEGER NOT NULL) WITHOUT ROWID",
            "CREATE TABLE packed (sha256 TEXT PRIMARY KEY, name TEXT NOT NULL, bytes BLOB NOT NULL)");

    private final Handle handle;
    private final ThingText text;
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
            var versions = h.prepareBatch("INSERT INTO version (number, kind, content) VALUES (?, ?, ?)");
            new TreeMap<>(commit.versions())
                    .forEach((number, thing) -> versions.add(number, ThingText.kind(thing), text.write(thing)));
            if (versions.size() > 0) {
                versions.execute();
            }
            commit.added().ifPresent(action -> write(h, commit.place(), action));
            h.execute("DELETE FROM action WHERE place < ?", commit.forgotten());
            h.execute("DELETE FROM change WHERE place < ?", commit.forgotten());
            commit.now()
                    .forEach((id, version) -> version.ifPresentOrElse(
                            v -> h.execute("INSERT OR REPLACE INTO thing (id, version) VALUES (?, ?)", id, v),
                            () -> h.execute("DELETE FROM thing WHERE id = ?", id)));
            put(h, "forgotten", commit.forgotten());
            put(h, "done", commit.done());
        });
    }

    private static void write(Handle h, long place, Action action) {
        h.execute("DELETE FROM action WHERE place >= ?", place);
        h.execute("DELETE FROM change WHERE place >= ?", place);
        h.execute(
                "INSERT INTO action (place, title, at) VALUES (?, ?, ?)",
                place,
                action.title(),
                Instant.now().toString());
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

    /** Versions that neither the study nor any action needs go. */
    void tidy() {
        handle.execute("DELETE FROM version WHERE number NOT IN (SELECT version FROM thing"
                + " UNION SELECT before FROM change WHERE before IS NOT NULL"
                + " UNION SELECT after FROM change WHERE after IS NOT NULL)");
    }

    /** @throws IllegalArgumentException where the parts do not fit each other */
    History read() {
        Map<Long, Thing> versions = new HashMap<>();
        handle.createQuery("SELECT number, kind, content FROM version")
                .map((rs, c) -> Map.entry(rs.getLong(1), text.read(rs.getString(2), rs.getString(3))))
                .forEach(e -> versions.put(e.getKey(), e.getValue()));
        Map<String, Thing> things = new TreeMap<>();
        handle.createQuery("SELECT id, version FROM thing")
                .map((rs, c) -> Map.entry(rs.getString(1), rs.getLong(2)))
                .forEach(e -> things.put(e.getKey(), known(versions, e.getValue())));
        long forgotten = position("forgotten");
        List<Action> actions = actions(versions);
        int done = (int) (position("done") - forgotten);
        if (done < 0 || done > actions.size()) {
            throw new IllegalArgumentException("the actions do not fit the place that the study stands at");
        }
        Study study = Study.of(things);
        study.checkWhole();
        return new History(study, versions, actions, forgotten, done);
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

    private List<Action> actions(Map<Long, Thing> versions) {
        Map<Long, List<Action.Change>> changes = new HashMap<>();
        handle.createQuery("SELECT place, thing, before, after FROM change ORDER BY place, thing")
                .map((rs, c) -> {
                    Optional<Long> before =
                            Optional.ofNullable((Number) rs.getObject(3)).map(Number::longValue);
                    Optional<Long> after =
                            Optional.ofNullable((Number) rs.getObject(4)).map(Number::longValue);
                    before.ifPresent(v -> known(versions, v));
                    after.ifPresent(v -> known(versions, v));
                    return Map.entry(rs.getLong(1), new Action.Change(rs.getString(2), before, after));
                })
                .forEach(e -> changes.computeIfAbsent(e.getKey(), p -> new ArrayList<>())
                        .add(e.getValue()));
        return handle.createQuery("SELECT place, title FROM action ORDER BY place")
                .map((rs, c) -> new Action(rs.getString(2), changes.getOrDefault(rs.getLong(1), List.of())))
                .list();
    }

    /** The ids of all things, as far as they can be read. */
    List<String> ids() {
        return handle.createQuery("SELECT id FROM thing").mapTo(String.class).list();
    }

    /** The thing of an id as it is now, read alone. */
    Thing thing(String id) {
        return handle.createQuery(
                        "SELECT kind, content FROM version WHERE number = (SELECT version FROM thing WHERE id = ?)")
                .bind(0, id)
                .map((rs, c) -> text.read(rs.getString(1), rs.getString(2)))
                .one();
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

    long packedCount() {
        return handle.createQuery("SELECT count(*) FROM packed")
                .mapTo(Long.class)
                .one();
    }

    void copyInto(Path file) {
        handle.execute("VACUUM INTO ?", file.toAbsolutePath().toString());
    }

    /** Writes every thing anew as seen from the folder of {@code other}, which is a copy of this. */
    void referFrom(Database other) {
        other.handle.useTransaction(h -> {
            List<Map.Entry<Long, Thing>> referring = handle.createQuery(
                            "SELECT number, kind, content FROM version WHERE kind IN ('sample', 'method')")
                    .map((rs, c) -> Map.entry(rs.getLong(1), text.read(rs.getString(2), rs.getString(3))))
                    .list();
            referring.forEach(e -> h.execute(
                    "UPDATE version SET content = ? WHERE number = ?", other.text.write(e.getValue()), e.getKey()));
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
