package keentally.study.picture;

import java.util.Arrays;

/**
 * The skeleton of a picture file, walked before any decoder sees it: whether the file holds all that it says it holds, in pieces that lie
 * within it. Decoders forgive a missing end and fill the rest with grey, and some of them follow whatever a damaged file says.
 *
 * <p>Sources: PNG, ISO/IEC 15948, section 5; JPEG, ITU-T T.81, annex B; GIF 89a, appendix; WebP, RFC 9649, section 2.3; the headers of
 * BMP and PNM as their makers describe them.
 */
final class FileWalk {
    private static final int PNG_HEAD = 8;
    private static final int PNG_FRAME = 12;
    private static final int GIF_HEAD = 13;
    private static final int RIFF_HEAD = 8;
    private static final int RIFF_FIRST = 12;
    private static final int BMP_HEAD = 26;
    private static final int BMP_OLD_HEAD = 12;
    private static final int BMP_FULL_HEAD = 54;
    private static final int MOST_DIGITS = 9;

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
            case BMP -> !walk.bmp();
            case PNM_BITS_TEXT, PNM_GREY_TEXT, PNM_COLOUR_TEXT, PNM_BITS, PNM_GREY, PNM_COLOUR -> !walk.pnm();
            case TIFF_LITTLE, TIFF_BIG, LONG_TIFF_LITTLE, LONG_TIFF_BIG -> false; // in pieces, see TiffWalk
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

    /** Rows of whole words of 32 bits, behind the head and the table of colours; run lengths may say less than they unpack to. */
    private boolean bmp() {
        if (file.length < BMP_HEAD) {
            return false;
        }
        long head = littleEndian(14);
        if (head == BMP_OLD_HEAD) {
            long width = at(18) | at(19) << 8;
            long height = at(20) | at(21) << 8;
            return littleEndian(10) + rows(width, height, at(24) | at(25) << 8) <= file.length;
        }
        if (head < 40 || file.length < BMP_FULL_HEAD) {
            return false;
        }
        long width = (int) littleEndian(18);
        long height = Math.abs((long) (int) littleEndian(22));
        long bits = at(28) | at(29) << 8;
        long packing = littleEndian(30);
        long colours = littleEndian(46);
        boolean unpacked = packing == 0 || packing == 3 || packing == 6;
        boolean fits = !unpacked || littleEndian(10) + rows(width, height, bits) <= file.length;
        return fits && colours <= 1 << 16 && 14 + head + 4 * (bits <= 8 ? colours : 0) <= file.length;
    }

    private static long rows(long width, long height, long bits) {
        return width < 0 ? Long.MAX_VALUE / 2 : (width * bits + 31) / 32 * 4 * height;
    }

    /** Behind its kind, width, height and, but for bits, greatest value: the samples, as bytes or each as a word of text. */
    private boolean pnm() {
        int kind = at(1) - '0';
        boolean bits = kind == 1 || kind == 4;
        long[] numbers = new long[bits ? 2 : 3];
        int p = 2;
        for (int n = 0; n < numbers.length; n++) {
            p = skipped(p);
            int from = p;
            while (p < file.length && at(p) >= '0' && at(p) <= '9' && p - from < MOST_DIGITS) {
                numbers[n] = 10 * numbers[n] + at(p++) - '0';
            }
            if (p == from) {
                return false;
            }
        }
        long samples = numbers[0] * numbers[1] * (kind == 3 || kind == 6 ? 3 : 1);
        long left = file.length - p - 1L;
        return switch (kind) {
            case 1 -> samples <= left;
            case 2, 3 -> 2 * samples - 1 <= left;
            case 4 -> (numbers[0] + 7) / 8 * numbers[1] <= left;
            default -> samples * (numbers[2] > 255 ? 2 : 1) <= left;
        };
    }

    /** Behind white space and remarks. */
    private int skipped(int from) {
        int p = from;
        while (p < file.length && (Character.isWhitespace(at(p)) || at(p) == '#')) {
            if (at(p) == '#') {
                while (p < file.length && at(p) != '\n' && at(p) != '\r') {
                    p++;
                }
            } else {
                p++;
            }
        }
        return p;
    }
}
