package keentally.study.picture;

import java.io.ByteArrayOutputStream;
import java.util.zip.Deflater;

/** Packs bytes by Deflate. */
final class Packing {
    private Packing() {}

    /** @param deflater used up @param last whether the stream ends here; else it ends at a whole byte */
    static byte[] all(Deflater deflater, byte[] raw, boolean last) {
        try {
            ByteArrayOutputStream packed = new ByteArrayOutputStream(raw.length / 4 + 64);
            byte[] some = new byte[1 << 16];
            deflater.setInput(raw);
            if (last) {
                deflater.finish();
            }
            int n;
            do {
                n = deflater.deflate(some, 0, some.length, last ? Deflater.NO_FLUSH : Deflater.SYNC_FLUSH);
                packed.write(some, 0, n);
            } while (last ? !deflater.finished() : n == some.length);
            return packed.toByteArray();
        } finally {
            deflater.end();
        }
    }
}
