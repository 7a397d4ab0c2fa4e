package keentally.study.picture;

import java.lang.invoke.MethodHandles;
import java.lang.invoke.VarHandle;
import java.nio.ByteOrder;

/** How much two stretches of bytes differ: eight bytes at a time, in the words of long numbers. */
final class ByteDifferences {
    private static final VarHandle EIGHT = MethodHandles.byteArrayViewVarHandle(long[].class, ByteOrder.LITTLE_ENDIAN);
    private static final long SIGNS = 0x8080808080808080L;
    private static final long EVERY_OTHER = 0x00ff00ff00ff00ffL;

    /** Sums of so many pairs of bytes, each at most 256, fit into 16 bits. */
    private static final int SUMMED = 255;

    private ByteDifferences() {}

    /** The sum of |a − b| over {@code n} bytes, each difference taken as a signed byte, −128 to 127. */
    static long sum(byte[] a, int fromA, byte[] b, int fromB, int n) {
        long all = 0;
        int i = 0;
        while (i + 8 <= n) {
            int end = Math.min(n - 7, i + 8 * SUMMED);
            long four = 0;
            for (; i < end; i += 8) {
                four += pairs(less((long) EIGHT.get(a, fromA + i), (long) EIGHT.get(b, fromB + i)));
            }
            all += (four & 0xffff) + (four >>> 16 & 0xffff) + (four >>> 32 & 0xffff) + (four >>> 48);
        }
        for (; i < n; i++) {
            all += Math.abs((byte) (a[fromA + i] - b[fromB + i]));
        }
        return all;
    }

    /** Eight differences, no borrow of one reaching the next. */
    private static long less(long a, long b) {
        return (a | SIGNS) - (b & ~SIGNS) ^ (a ^ ~b) & SIGNS;
    }

    /** The sizes of eight signed bytes, added up in pairs. */
    private static long pairs(long bytes) {
        long negative = (bytes & SIGNS) >>> 7;
        long sizes = (bytes ^ negative * 255) + negative;
        return (sizes & EVERY_OTHER) + (sizes >>> 8 & EVERY_OTHER);
    }
}
