package keentally.study.fuzz;

import java.util.Arrays;
import java.util.SplittableRandom;

/** Damages bytes as disks, networks and mean people do. */
final class Mutator {
    private static final long[] TELLING = {
        0, 1, -1, 0x7f, 0x80, 0xff, 0x7fff, 0x8000, 0xffff, 0x7fffffffL, 0x80000000L, 0xffffffffL, 0x100000000L
    };

    private final SplittableRandom random;

    Mutator(SplittableRandom random) {
        this.random = random;
    }

    /** One to eight injuries. @param other another sound file, to take pieces from */
    byte[] damaged(byte[] sound, byte[] other) {
        byte[] bytes = sound.clone();
        for (int n = 1 + random.nextInt(8) * random.nextInt(2); n > 0 && bytes.length > 8; n--) {
            bytes = once(bytes, other);
        }
        return bytes;
    }

    /** The first part of a file; its last byte at least is gone. */
    byte[] cutShort(byte[] sound) {
        return Arrays.copyOf(sound, random.nextInt(sound.length));
    }

    private byte[] once(byte[] bytes, byte[] other) {
        int at = random.nextInt(random.nextBoolean() ? Math.min(bytes.length, 64) : bytes.length);
        switch (random.nextInt(8)) {
            case 0, 1 -> bytes[at] ^= (byte) (1 << random.nextInt(8));
            case 2 -> bytes[at] = (byte) random.nextInt(256);
            case 3, 4 -> write(bytes, at, TELLING[random.nextInt(TELLING.length)], 1 << random.nextInt(4));
            case 5 -> {
                int to = Math.min(bytes.length, at + 1 + random.nextInt(64));
                return joined(Arrays.copyOf(bytes, at), Arrays.copyOfRange(bytes, to, bytes.length));
            }
            case 6 -> {
                byte[] piece = piece(random.nextBoolean() ? other : bytes);
                return joined(Arrays.copyOf(bytes, at), joined(piece, Arrays.copyOfRange(bytes, at, bytes.length)));
            }
            default -> {
                byte[] piece = piece(bytes);
                System.arraycopy(piece, 0, bytes, at, Math.min(piece.length, bytes.length - at));
            }
        }
        return bytes;
    }

    private byte[] piece(byte[] of) {
        int from = random.nextInt(of.length);
        return Arrays.copyOfRange(of, from, Math.min(of.length, from + 1 + random.nextInt(80)));
    }

    private void write(byte[] bytes, int at, long value, int size) {
        boolean little = random.nextBoolean();
        for (int i = 0; i < size && at + i < bytes.length; i++) {
            bytes[at + i] = (byte) (value >> 8 * (little ? i : size - 1 - i));
        }
    }

    private static byte[] joined(byte[] a, byte[] b) {
        byte[] both = Arrays.copyOf(a, a.length + b.length);
        System.arraycopy(b, 0, both, a.length, b.length);
        return both;
    }
}
