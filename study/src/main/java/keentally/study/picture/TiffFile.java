package keentally.study.picture;

import java.io.DataOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.zip.Deflater;
import keentally.core.work.Work;

/**
 * Writes TIFF of one picture, its strips packed by all hands at once; any number of threads gives the same bytes. Source: TIFF Revision
 * 6.0, Adobe, 1992, and its Technical Note 2 (2002) for Deflate.
 */
final class TiffFile {
    private static final int SHORT = 3;
    private static final int LONG = 4;
    private static final int DEFLATE = 8;

    /** The first directory stands behind these bytes. */
    private static final int HEADER = 8;

    private static final int ENTRY = 12;
    private static final long MOST = 1L << 32;

    private TiffFile() {}

    /** An entry of the directory. */
    private record Entry(int tag, int type, int... values) {
        int bytes() {
            return values.length * (type == SHORT ? 2 : 4);
        }

        boolean fits() {
            return bytes() <= 4;
        }
    }

    static void write(PixelRows rows, OutputStream to, Work work) throws IOException {
        List<byte[]> strips = work.map(rows.bands(), band -> pack(rows, band));
        List<Entry> entries = entries(rows, strips);
        DataOutputStream out = new DataOutputStream(to);
        out.writeBytes("MM");
        out.writeShort(42);
        out.writeInt(HEADER);
        directory(out, entries);
        for (byte[] strip : strips) {
            out.write(strip);
        }
        out.flush();
    }

    private static byte[] pack(PixelRows rows, int band) {
        int top = band * rows.bandRows();
        int bottom = Math.min(rows.height(), top + rows.bandRows());
        byte[] raw = new byte[(bottom - top) * rows.rowBytes()];
        byte[] row = new byte[rows.rowBytes()];
        for (int y = top; y < bottom; y++) {
            rows.row().read(y, row);
            System.arraycopy(row, 0, raw, (y - top) * row.length, row.length);
        }
        return Packing.all(new Deflater(PngFile.FAST), raw, true);
    }

    /** In the order of their tags, the places of the strips reckoned from the length of all that stands before them. */
    private static List<Entry> entries(PixelRows rows, List<byte[]> strips) throws IOException {
        int[] lengths = strips.stream().mapToInt(s -> s.length).toArray();
        int[] each = new int[rows.samples()];
        Arrays.fill(each, rows.bits());
        int[] kind = new int[rows.samples()];
        Arrays.fill(kind, rows.isFloat() ? 3 : 1);
        List<Entry> entries = new ArrayList<>(List.of(
                new Entry(256, LONG, rows.width()),
                new Entry(257, LONG, rows.height()),
                new Entry(258, SHORT, each),
                new Entry(259, SHORT, DEFLATE),
                new Entry(262, SHORT, rows.samples() == 1 ? 1 : 2),
                new Entry(273, LONG, new int[lengths.length]),
                new Entry(277, SHORT, rows.samples()),
                new Entry(278, LONG, rows.bandRows()),
                new Entry(279, LONG, lengths),
                new Entry(284, SHORT, 1),
                new Entry(339, SHORT, kind)));
        long at = HEADER + 2 + entries.size() * ENTRY + 4;
        at += entries.stream().filter(e -> !e.fits()).mapToInt(Entry::bytes).sum();
        int[] places = new int[lengths.length];
        for (int i = 0; i < places.length; i++) {
            places[i] = (int) at; // without a sign in the file
            at += lengths[i];
        }
        if (at >= MOST) {
            throw new IOException("a TIFF cannot hold more than 4 GB");
        }
        entries.set(5, new Entry(273, LONG, places));
        return entries;
    }

    private static void directory(DataOutputStream out, List<Entry> entries) throws IOException {
        out.writeShort(entries.size());
        int beside = HEADER + 2 + entries.size() * ENTRY + 4;
        for (Entry entry : entries) {
            out.writeShort(entry.tag);
            out.writeShort(entry.type);
            out.writeInt(entry.values.length);
            if (entry.fits()) {
                values(out, entry);
                out.write(new byte[4 - entry.bytes()]);
            } else {
                out.writeInt(beside);
                beside += entry.bytes();
            }
        }
        out.writeInt(0);
        for (Entry entry : entries) {
            if (!entry.fits()) {
                values(out, entry);
            }
        }
    }

    private static void values(DataOutputStream out, Entry entry) throws IOException {
        for (int value : entry.values) {
            if (entry.type == SHORT) {
                out.writeShort(value);
            } else {
                out.writeInt(value);
            }
        }
    }
}
