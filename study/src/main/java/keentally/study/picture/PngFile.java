package keentally.study.picture;

import java.io.DataOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.zip.Adler32;
import java.util.zip.CRC32;
import java.util.zip.Deflater;
import keentally.core.work.Work;

/**
 * Writes PNG, its rows packed in bands by all hands at once: each band ends at a whole byte, so that they make one stream when laid end to
 * end. Any number of threads gives the same bytes. Source: Portable Network Graphics (PNG) Specification, W3C, third edition.
 */
final class PngFile {
    /** What to pack a row as: itself, or its difference from the pixel before or the row above. */
    private static final int AS_IS = 0;

    private static final int BEFORE = 1;
    private static final int ABOVE = 2;

    private static final int GREY = 0;
    private static final int COLOUR = 2;
    private static final int ADLER = 65521;

    /** Packs less tightly for half the time; nothing is lost either way. */
    static final int FAST = 2;

    /** Bands packed before they are written: what is packed need not be held whole. */
    private static final int TOGETHER = 32;

    /** How a stream of Deflate begins. */
    private static final byte[] STREAM = {0x78, 0x01};

    private static final byte[] BEGINNING = {(byte) 0x89, 'P', 'N', 'G', '\r', '\n', 0x1a, '\n'};

    private final PixelRows rows;

    private PngFile(PixelRows rows) {
        this.rows = rows;
    }

    static void write(PixelRows rows, OutputStream to, Work work) throws IOException {
        PngFile file = new PngFile(rows);
        DataOutputStream out = new DataOutputStream(to);
        out.write(BEGINNING);
        chunk(out, "IHDR", file.header());
        int sum = 1;
        for (int first = 0; first < rows.bands(); first += TOGETHER) {
            int from = first;
            for (Band band : work.map(Math.min(TOGETHER, rows.bands() - from), i -> file.pack(from + i))) {
                sum = joined(sum, band.sum, band.length);
                chunk(out, "IDAT", band.packed);
            }
        }
        chunk(out, "IDAT", bytes(sum));
        chunk(out, "IEND", new byte[0]);
        out.flush();
    }

    /** @param sum of the bytes before they were packed, and their number */
    private record Band(byte[] packed, int sum, long length) {}

    private byte[] header() {
        byte[] header = joined(bytes(rows.width()), bytes(rows.height()));
        return joined(header, new byte[] {(byte) rows.bits(), (byte) (rows.samples() == 1 ? GREY : COLOUR), 0, 0, 0});
    }

    private Band pack(int band) {
        int top = band * rows.bandRows();
        int bottom = Math.min(rows.height(), top + rows.bandRows());
        byte[] raw = new byte[(bottom - top) * (rows.rowBytes() + 1)];
        byte[] above = new byte[rows.rowBytes()];
        byte[] row = new byte[rows.rowBytes()];
        byte[] nothing = new byte[rows.rowBytes()];
        if (top > 0) {
            rows.row().read(top - 1, above);
        }
        for (int y = top; y < bottom; y++) {
            rows.row().read(y, row);
            int at = (y - top) * (row.length + 1);
            raw[at] = (byte) kind(row, above, nothing);
            filter(raw[at], row, above, raw, at + 1);
            byte[] swap = above;
            above = row;
            row = swap;
        }
        Adler32 sum = new Adler32();
        sum.update(raw);
        Deflater deflater = new Deflater(FAST, true);
        byte[] packed = Packing.all(deflater, raw, bottom == rows.height());
        packed = top == 0 ? joined(STREAM, packed) : packed;
        return new Band(packed, (int) sum.getValue(), raw.length);
    }

    /** The least sum of differences; a row that is even, or as the one above, costs next to nothing either way. */
    private int kind(byte[] row, byte[] above, byte[] nothing) {
        int pixel = rows.pixelBytes();
        int n = row.length - pixel;
        long asIs = ByteDifferences.sum(row, pixel, nothing, pixel, n);
        long before = ByteDifferences.sum(row, pixel, row, 0, n);
        long fromAbove = ByteDifferences.sum(row, pixel, above, pixel, n);
        return asIs <= before && asIs <= fromAbove ? AS_IS : before <= fromAbove ? BEFORE : ABOVE;
    }

    private void filter(int kind, byte[] row, byte[] above, byte[] to, int at) {
        int pixel = rows.pixelBytes();
        System.arraycopy(row, 0, to, at, row.length);
        if (kind == BEFORE) {
            for (int i = pixel; i < row.length; i++) {
                to[at + i] = (byte) (row[i] - row[i - pixel]);
            }
        } else if (kind == ABOVE) {
            for (int i = 0; i < row.length; i++) {
                to[at + i] = (byte) (row[i] - above[i]);
            }
        }
    }

    private static void chunk(DataOutputStream out, String name, byte[] data) throws IOException {
        byte[] type = name.getBytes(StandardCharsets.US_ASCII);
        CRC32 crc = new CRC32();
        crc.update(type);
        crc.update(data);
        out.writeInt(data.length);
        out.write(type);
        out.write(data);
        out.writeInt((int) crc.getValue());
    }

    /** The Adler-32 of two stretches end to end, from that of each. */
    private static int joined(int first, int second, long secondLength) {
        long a1 = first & 0xffff;
        long b1 = first >>> 16;
        long a2 = second & 0xffff;
        long b2 = second >>> 16;
        long a = (a1 + a2 + ADLER - 1) % ADLER;
        long b = (b1 + b2 + secondLength % ADLER * (a1 + ADLER - 1)) % ADLER;
        return (int) (b << 16 | a);
    }

    private static byte[] joined(byte[] first, byte[] second) {
        byte[] both = Arrays.copyOf(first, first.length + second.length);
        System.arraycopy(second, 0, both, first.length, second.length);
        return both;
    }

    private static byte[] bytes(int value) {
        return new byte[] {(byte) (value >> 24), (byte) (value >> 16), (byte) (value >> 8), (byte) value};
    }
}
