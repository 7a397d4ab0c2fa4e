package keentally.study.picture;

/** Whether a file's own end mark is there; decoders forgive a missing end and fill the rest with grey. */
final class Completeness {
    private static final int PNG_END = 12;

    private Completeness() {}

    static boolean isCutShort(FileKind kind, byte[] file) {
        return switch (kind) {
            case PNG -> !has(file, file.length - 8 - PNG_END, 'I', 'E', 'N', 'D');
            case JPEG -> !has(file, 2, 0xff, 0xd9);
            case GIF -> !has(file, 6, 0x3b) || file[file.length - 1] != 0x3b && !has(file, file.length - 16, 0x3b);
            default -> false;
        };
    }

    /** Whether the bytes stand one after another anywhere at or behind {@code from}. */
    private static boolean has(byte[] file, int from, int... bytes) {
        for (int i = file.length - bytes.length; i >= Math.max(0, from); i--) {
            int n = 0;
            while (n < bytes.length && (file[i + n] & 0xff) == bytes[n]) {
                n++;
            }
            if (n == bytes.length) {
                return true;
            }
        }
        return false;
    }
}
