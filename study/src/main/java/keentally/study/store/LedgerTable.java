package keentally.study.store;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.zip.GZIPInputStream;
import java.util.zip.GZIPOutputStream;
import org.jdbi.v3.core.Handle;

/** The rows of the ledger in the study file, beside the journal: what was found, which can be found again and is not undone. */
final class LedgerTable {
    private static final String TABLE = "CREATE TABLE IF NOT EXISTS ledger (sample TEXT PRIMARY KEY, row TEXT NOT NULL,"
            + " record BLOB NOT NULL, thumbnail BLOB, ran INTEGER NOT NULL) WITHOUT ROWID";

    private final Handle handle;

    LedgerTable(Handle handle) {
        this.handle = handle;
    }

    /** Where a study was made before there were ledgers. */
    void make() {
        handle.execute(TABLE);
    }

    private boolean isThere() {
        return handle.createQuery("SELECT count(*) FROM sqlite_master WHERE name = 'ledger'")
                        .mapTo(Long.class)
                        .one()
                > 0;
    }

    void put(String sample, String row, String record, Optional<byte[]> thumbnail, Instant ran) {
        handle.execute(
                "INSERT OR REPLACE INTO ledger (sample, row, record, thumbnail, ran) VALUES (?, ?, ?, ?, ?)",
                sample,
                row,
                packed(record),
                thumbnail.orElse(null),
                ran.toEpochMilli());
    }

    /** When each sample's row came about, by sample. */
    Map<String, Instant> times() {
        Map<String, Instant> times = new LinkedHashMap<>();
        if (isThere()) {
            handle.createQuery("SELECT sample, ran FROM ledger ORDER BY sample")
                    .map((rs, c) -> Map.entry(rs.getString(1), Instant.ofEpochMilli(rs.getLong(2))))
                    .forEach(e -> times.put(e.getKey(), e.getValue()));
        }
        return times;
    }

    /** By sample. */
    Map<String, String> rows() {
        Map<String, String> rows = new LinkedHashMap<>();
        if (isThere()) {
            handle.createQuery("SELECT sample, row FROM ledger ORDER BY sample")
                    .map((rs, c) -> Map.entry(rs.getString(1), rs.getString(2)))
                    .forEach(e -> rows.put(e.getKey(), e.getValue()));
        }
        return rows;
    }

    Optional<byte[]> thumbnail(String sample) {
        return isThere()
                ? handle.createQuery("SELECT thumbnail FROM ledger WHERE sample = ? AND thumbnail IS NOT NULL")
                        .bind(0, sample)
                        .mapTo(byte[].class)
                        .findOne()
                : Optional.empty();
    }

    Optional<String> record(String sample) {
        return isThere()
                ? handle.createQuery("SELECT record FROM ledger WHERE sample = ?")
                        .bind(0, sample)
                        .mapTo(byte[].class)
                        .findOne()
                        .map(LedgerTable::unpacked)
                : Optional.empty();
    }

    private static byte[] packed(String text) {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (GZIPOutputStream out = new GZIPOutputStream(bytes)) {
            out.write(text.getBytes(StandardCharsets.UTF_8));
        } catch (IOException e) {
            throw new UncheckedIOException("memory can be written to", e);
        }
        return bytes.toByteArray();
    }

    private static String unpacked(byte[] bytes) {
        try (GZIPInputStream in = new GZIPInputStream(new ByteArrayInputStream(bytes))) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException("a record in the study is damaged", e);
        }
    }
}
