package keentally.study.picture;

import java.util.Arrays;

/**
 * The skeleton of a picture file, walked before any decoder sees it: whether the file holds all that it says it holds, in pieces that lie
 * within it. Decoders forgive a missing end and fill the rest with grey, and some of them follow whatever a damaged file says.
 *
 * <p>Sources: PNG, ISO/IEC 15948, section 5; JPEG, ITU-T T.81, annex B; GIF 89a, appendix; WebP, RFC 9649, section 2.3.
 */
final class FileWalk {
    private static final int PNG_HEAD = 8;
    private static final int PNG_FRAME = 12;
    private static final int GIF_HEAD = 13;
    private static final int RIFF_HEAD = 8;
    private static final int RIFF_FIRST = 12;

    private final byte[] file;

    private FileWalk(byte[] file) {
        this.file = file;
    }

    /** Whether the file ends before it is complete; no where its kind does not tell. */
    static boolean isCutShort(FileKind kind, byte[] file) {
        FileWalk walk = new FileWalk(file);
        return switch (kind) {
            case PNG -> !walk.png();
            case JPEG -> !walk.jpeg();
            case GIF -> !walk.gif();
            case WEBP -> !walk.riff();
            default -> false;
        };
    }

    private int at(int place) {
        return file[place] & 0xff;
    }

    private long bigEndian(int place) {
        return (long) at(place) << 24 | at(place + 1) << 16 | at(place + 2) << 8 | at(place + 3);
    }

    private long littleEndian(int place) {
        return (long) at(place + 3) << 24 | at(place + 2) << 16 | at(place + 1) << 8 | at(place);
    }

    private boolean png() {
        for (long place = PNG_HEAD; place + PNG_FRAME <= file.length; ) {
            int p = (int) place;
            if (at(p + 4) == 'I' && at(p + 5) == 'E' && at(p + 6) == 'N' && at(p + 7) == 'D') {
                return true;
            }
            place += PNG_FRAME + bigEndian(p);
        }
        return false;
    }

    /** A PNG without the pieces that hold packed text or colour tables for printers, which nobody here reads and which may be huge. */
    static byte[] withoutPackedText(byte[] png) {
        FileWalk walk = new FileWalk(png);
        byte[] kept = new byte[png.length];
        System.arraycopy(png, 0, kept, 0, Math.min(PNG_HEAD, png.length));
        int filled = Math.min(PNG_HEAD, png.length);
        long place = PNG_HEAD;
        while (place + PNG_FRAME <= png.length) {
            int p = (int) place;
            long end = Math.min(png.length, place + PNG_FRAME + walk.bigEndian(p));
            String type =
                    "" + (char) walk.at(p + 4) + (char) walk.at(p + 5) + (char) walk.at(p + 6) + (char) walk.at(p + 7);
            if (!type.equals("zTXt") && !type.equals("iTXt") && !type.equals("iCCP") && !type.equals("tEXt")) {
                System.arraycopy(png, p, kept, filled, (int) end - p);
                filled += (int) end - p;
            }
            place = end;
        }
        return filled == png.length ? png : Arrays.copyOf(kept, filled);
    }

    /** The end mark must stand behind the last scan: a small picture inside the first pieces has one of its own. */
    private boolean jpeg() {
        int p = 2;
        while (p + 1 < file.length) {
            if (at(p) != 0xff) {
                p++; // between pieces some programs leave bytes
                continue;
            }
            int mark = at(p + 1);
            if (mark == 0xff) {
                p++;
            } else if (mark == 0xd9) {
                return true;
            } else if (mark == 0x01 || mark >= 0xd0 && mark <= 0xd8 || mark == 0) {
                p += 2;
            } else {
                if (p + 3 >= file.length) {
                    return false;
                }
                p += 2 + (at(p + 2) << 8 | at(p + 3));
                p = mark == 0xda ? behindScan(p) : p;
            }
        }
        return false;
    }

    private int behindScan(int from) {
        for (int p = from; p + 1 < file.length; p++) {
            int next = at(p + 1);
            boolean inScan = next == 0 || next >= 0xd0 && next <= 0xd7 || next == 0xff;
            if (at(p) == 0xff && !inScan) {
                return p;
            }
        }
        return file.length;
    }

    private boolean gif() {
        if (file.length < GIF_HEAD) {
            return false;
        }
        int p = GIF_HEAD + table(at(10));
        while (p < file.length) {
            switch (at(p)) {
                case 0x3b -> {
                    return true;
                }
                case 0x21 -> p = blocks(p + 2);
                case 0x2c -> p = p + 9 < file.length ? blocks(p + 10 + table(at(p + 9)) + 1) : file.length;
                default -> p++;
            }
        }
        return false;
    }

    /** Bytes of a table of colours, from the byte that tells of it. */
    private static int table(int flags) {
        return (flags & 0x80) == 0 ? 0 : 3 << (flags & 7) + 1;
    }

    private int blocks(int from) {
        int p = from;
        while (p < file.length && at(p) != 0) {
            p += at(p) + 1;
        }
        return p + 1;
    }

    private boolean riff() {
        if (file.length < RIFF_FIRST || littleEndian(4) + RIFF_HEAD > file.length) {
            return false;
        }
        long end = littleEndian(4) + RIFF_HEAD;
        for (long p = RIFF_FIRST; p + RIFF_HEAD <= end; ) {
            long size = littleEndian((int) p + 4);
            p += RIFF_HEAD + size + (size & 1);
            if (p - (size & 1) > end) {
                return false;
            }
        }
        return true;
    }
}
