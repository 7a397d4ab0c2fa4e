package keentally.study.picture;

import java.io.EOFException;
import java.io.IOException;
import java.nio.ByteOrder;
import java.util.HashSet;
import java.util.Set;
import javax.imageio.stream.ImageInputStream;

/**
 * The directories of a TIFF file, walked before any decoder sees them: each once, all of them within the file. A file whose directories
 * run in a circle would never end, and one whose entries say that they hold more than the file does would take all memory.
 *
 * <p>Source: TIFF 6.0 (1992), section 2; BigTIFF as its designers' note of 2004 has it: offsets and counts of eight bytes.
 */
final class TiffWalk {
    private static final int MOST_PAGES = 20_000;
    private static final int MOST_ENTRIES = 4_096;
    private static final int BIG = 43;

    /** Bytes of a value of each type, by the type's number. */
    private static final int[] SIZE = {1, 1, 1, 2, 4, 8, 1, 1, 2, 4, 8, 4, 8, 4, 1, 1, 8, 8, 8};

    private final ImageInputStream in;
    private final long length;
    private final boolean big;
    private final Set<Long> seen = new HashSet<>();

    private TiffWalk(ImageInputStream in, long length, boolean big) {
        this.in = in;
        this.length = length;
        this.big = big;
    }

    /**
     * Returns where the stream stood.
     *
     * @throws IOException with the reason, where the directories cannot be followed
     */
    static void check(ImageInputStream in, long length) throws IOException {
        in.mark();
        ByteOrder before = in.getByteOrder();
        try {
            in.seek(0);
            in.setByteOrder(in.readByte() == 'I' ? ByteOrder.LITTLE_ENDIAN : ByteOrder.BIG_ENDIAN);
            in.readByte();
            boolean big = in.readUnsignedShort() == BIG;
            if (big) {
                in.skipBytes(4);
            }
            new TiffWalk(in, length, big).walk();
        } finally {
            in.setByteOrder(before);
            in.reset();
        }
    }

    private void walk() throws IOException {
        for (long at = offset(); at != 0; at = offset()) {
            if (at < 0 || at >= length) {
                throw new EOFException("a directory lies behind its end");
            }
            if (!seen.add(at)) {
                throw new IOException("its directories run in a circle");
            }
            if (seen.size() > MOST_PAGES) {
                throw new IOException("it says that it has more than " + MOST_PAGES + " pages");
            }
            in.seek(at);
            long entries = big ? in.readLong() : in.readUnsignedShort();
            if (entries < 0 || entries > MOST_ENTRIES) {
                throw new IOException("a directory says that it has " + entries + " entries");
            }
            for (long i = 0; i < entries; i++) {
                entry();
            }
        }
    }

    private long offset() throws IOException {
        return big ? in.readLong() : in.readUnsignedInt();
    }

    private void entry() throws IOException {
        in.readUnsignedShort();
        int type = in.readUnsignedShort();
        long count = offset();
        long each = type < SIZE.length ? SIZE[type] : 1;
        long room = big ? 8 : 4;
        long value = big ? in.readLong() : in.readUnsignedInt();
        boolean outside = count < 0 || count > length / each || count * each > room && value > length - count * each;
        if (outside) {
            throw new EOFException("an entry of a directory lies behind its end");
        }
    }
}
