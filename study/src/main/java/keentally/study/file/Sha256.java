package keentally.study.file;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;

/** SHA-256 as 64 lower-case hexadecimal digits. */
public final class Sha256 {
    private Sha256() {}

    public static String of(String text) {
        return of(text.getBytes(StandardCharsets.UTF_8));
    }

    public static String of(byte[] bytes) {
        return HexFormat.of().formatHex(digest().digest(bytes));
    }

    public static String of(Path file) throws FileFault {
        if (Files.exists(file) && !Files.isRegularFile(file)) {
            throw new FileFault(file + " is no regular file; a file was expected.");
        }
        MessageDigest digest = digest();
        byte[] buffer = new byte[1 << 16];
        try (InputStream in = Files.newInputStream(file)) {
            for (int n = in.read(buffer); n >= 0; n = in.read(buffer)) {
                digest.update(buffer, 0, n);
            }
        } catch (IOException e) {
            throw new FileFault(file + " cannot be read: " + WholeFile.reason(e) + ".", e);
        }
        return HexFormat.of().formatHex(digest.digest());
    }

    private static MessageDigest digest() {
        try {
            return MessageDigest.getInstance("SHA-256");
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("every Java platform has SHA-256", e);
        }
    }
}
