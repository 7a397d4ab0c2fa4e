package keentally.study.picture;

import java.io.IOException;
import javax.imageio.stream.ImageInputStreamImpl;

/** Bytes in memory as decoders read them. Decoders that go on behind the end, and take nothing for noughts, are stopped. */
final class BoundedInput extends ImageInputStreamImpl {
    /** A decoder looks a little further than it needs to. */
    private static final int MOST_BEHIND = 256;

    private final byte[] bytes;
    private int behind;

    BoundedInput(byte[] bytes) {
        this.bytes = bytes;
    }

    @Override
    public long length() {
        return bytes.length;
    }

    @Override
    public int read() throws IOException {
        bitOffset = 0;
        return streamPos < bytes.length ? bytes[(int) streamPos++] & 0xff : end();
    }

    @Override
    public int read(byte[] into, int at, int most) throws IOException {
        bitOffset = 0;
        if (most == 0) {
            return 0;
        }
        if (streamPos >= bytes.length) {
            return end();
        }
        int n = (int) Math.min(most, bytes.length - streamPos);
        System.arraycopy(bytes, (int) streamPos, into, at, n);
        streamPos += n;
        return n;
    }

    private int end() throws IOException {
        if (++behind > MOST_BEHIND) {
            throw new IOException("it ends too early");
        }
        return -1;
    }
}
