package keentally.desk.model;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Path;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageWriter;
import javax.imageio.stream.FileImageOutputStream;

/** A TIFF file of several grey pages of 20 by 10 pixels; at 3, 3 page n has the value 50 n. */
public final class PagesFile {
    private PagesFile() {}

    public static Path write(Path file, int pages) throws IOException {
        ImageWriter writer = ImageIO.getImageWritersByFormatName("tiff").next();
        try (FileImageOutputStream out = new FileImageOutputStream(file.toFile())) {
            writer.setOutput(out);
            writer.prepareWriteSequence(null);
            for (int page = 0; page < pages; page++) {
                BufferedImage image = new BufferedImage(20, 10, BufferedImage.TYPE_BYTE_GRAY);
                image.getRaster().setSample(3, 3, 0, 50 * (page + 1));
                writer.writeToSequence(new IIOImage(image, null, null), null);
            }
            writer.endWriteSequence();
        }
        return file;
    }
}
