package keentally.study.picture;

import com.twelvemonkeys.imageio.metadata.Directory;
import com.twelvemonkeys.imageio.metadata.Entry;
import com.twelvemonkeys.imageio.metadata.tiff.TIFFReader;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.Arrays;
import java.util.OptionalInt;
import javax.imageio.stream.MemoryCacheImageInputStream;

/**
 * What stands before the picture in a JPEG file: how the camera was held, and how coarsely values were rounded. Markers and
 * tables: ITU-T T.81 (1992), annexes B and K; the quality is that of the usual rule by which coders stretch the luminance
 * table of annex K, 50 being the table itself.
 *
 * @param quality from 1 to 100; empty where there is no table of 8-bit entries
 */
record JpegMarks(int orientation, OptionalInt quality) {
    private static final int APP1 = 0xe1;
    private static final int TABLES = 0xdb;
    private static final int SCAN = 0xda;
    private static final int ORIENTATION = 274;
    private static final int EXIF_HEAD = 6;

    /** The sum of annex K's luminance table. */
    private static final double LUMINANCE_SUM = 3688;

    static JpegMarks of(byte[] file) {
        int orientation = Orientation.UPRIGHT;
        OptionalInt quality = OptionalInt.empty();
        for (int at = 2; at + 4 <= file.length && (file[at] & 0xff) == 0xff; ) {
            int mark = file[at + 1] & 0xff;
            if (mark == 0xff) {
                at++;
                continue;
            }
            int length = (file[at + 2] & 0xff) << 8 | file[at + 3] & 0xff;
            int end = at + 2 + length;
            if (mark == SCAN || length < 2 || end > file.length) {
                break;
            }
            byte[] body = Arrays.copyOfRange(file, at + 4, end);
            if (mark == APP1 && body.length > EXIF_HEAD && body[0] == 'E' && body[1] == 'x') {
                orientation = orientation(Arrays.copyOfRange(body, EXIF_HEAD, body.length));
            } else if (mark == TABLES && quality.isEmpty() && body.length > 64 && body[0] == 0) {
                quality = OptionalInt.of(quality(body));
            }
            at = end;
        }
        return new JpegMarks(orientation, quality);
    }

    private static int quality(byte[] table) {
        double sum = 0;
        for (int i = 1; i <= 64; i++) {
            sum += table[i] & 0xff;
        }
        double percent = 100 * sum / LUMINANCE_SUM;
        return Math.clamp(Math.round(percent <= 100 ? (200 - percent) / 2 : 5000 / percent), 1, 100);
    }

    private static int orientation(byte[] exif) {
        try (MemoryCacheImageInputStream in = new MemoryCacheImageInputStream(new ByteArrayInputStream(exif))) {
            Directory directory = new TIFFReader().read(in);
            Entry entry = directory.getEntryById(ORIENTATION);
            return entry != null && entry.getValue() instanceof Number n ? n.intValue() : Orientation.UPRIGHT;
        } catch (IOException | RuntimeException e) {
            return Orientation.UPRIGHT; // damaged notes about a picture are no reason to refuse it
        }
    }
}
