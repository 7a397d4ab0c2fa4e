package keentally.study.fuzz;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.File;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.SequencedMap;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import javax.imageio.stream.ImageOutputStream;

/** Small sound pictures of every kind that is read. */
final class PictureSeeds {
    private static final int WIDTH = 24;
    private static final int HEIGHT = 18;
    private static final String CONVERT = "/usr/bin/convert-im6.q16";

    private PictureSeeds() {}

    /** By names that tell what they are; those that other software writes only where it is there. */
    static SequencedMap<String, byte[]> all(Path scratch) throws IOException, InterruptedException {
        SequencedMap<String, byte[]> seeds = new LinkedHashMap<>();
        Map<String, Integer> types = Map.of(
                "grey", BufferedImage.TYPE_BYTE_GRAY,
                "deep", BufferedImage.TYPE_USHORT_GRAY,
                "colour", BufferedImage.TYPE_INT_RGB,
                "clear", BufferedImage.TYPE_INT_ARGB,
                "palette", BufferedImage.TYPE_BYTE_INDEXED,
                "bits", BufferedImage.TYPE_BYTE_BINARY);
        types.forEach((name, type) -> seeds.put(name + ".png", written("png", drawn(type))));
        for (String name : new String[] {"grey", "colour"}) {
            seeds.put(name + ".jpg", written("jpeg", drawn(types.get(name))));
            seeds.put(name + ".bmp", written("bmp", drawn(types.get(name))));
            seeds.put(name + ".gif", written("gif", drawn(types.get(name))));
        }
        for (String packing : new String[] {"None", "LZW", "Deflate", "PackBits", "JPEG"}) {
            seeds.put(packing + ".tif", tiff(packing, drawn(types.get("colour"))));
        }
        seeds.put("deep.tif", tiff("None", drawn(types.get("deep"))));
        seeds.put("thumbnail.jpg", withThumbnail(seeds.get("colour.jpg")));
        seeds.put("p1.pbm", ascii("P1\n4 2\n0 1 0 1\n1 0 1 0\n"));
        seeds.put("p2.pgm", ascii("P2\n# made up\n4 2\n255\n0 10 20 30\n40 50 60 255\n"));
        seeds.put("p3.ppm", ascii("P3\n2 1\n255\n1 2 3 4 5 6\n"));
        seeds.put("p4.pbm", raw("P4\n16 6\n", 12));
        seeds.put("p5.pgm", raw("P5\n12 9\n255\n", 108));
        seeds.put("p6.ppm", raw("P6\n12 9\n65535\n", 648));
        if (Files.isExecutable(Path.of(CONVERT))) {
            Path from = scratch.resolve("from.png");
            Files.write(from, seeds.get("colour.png"));
            convert(seeds, scratch, from, "lossless.webp", "-define", "webp:lossless=true");
            convert(seeds, scratch, from, "lossy.webp");
            convert(seeds, scratch, from, "progressive.jpg", "-interlace", "Plane");
            convert(seeds, scratch, from, "tiled.tif", "-define", "tiff:tile-geometry=16x16", "-compress", "LZW");
            convert(seeds, scratch, from, "laced.png", "-interlace", "PNG");
        }
        return seeds;
    }

    private static void convert(Map<String, byte[]> seeds, Path scratch, Path from, String name, String... options)
            throws IOException, InterruptedException {
        Path to = scratch.resolve(name);
        var words = new java.util.ArrayList<>(java.util.List.of(CONVERT, from.toString()));
        words.addAll(java.util.List.of(options));
        words.add(to.toString());
        Process process = new ProcessBuilder(words).redirectErrorStream(true).start();
        process.getInputStream().readAllBytes();
        if (process.waitFor() == 0 && Files.exists(to)) {
            seeds.put(name, Files.readAllBytes(to));
        }
    }

    private static BufferedImage drawn(int type) {
        BufferedImage image = new BufferedImage(WIDTH, HEIGHT, type);
        Graphics2D pen = image.createGraphics();
        for (int i = 0; i < WIDTH; i++) {
            pen.setColor(new Color(i * 10 % 256, i * 37 % 256, 255 - i * 9));
            pen.drawLine(i, 0, WIDTH - i, HEIGHT);
        }
        pen.dispose();
        return image;
    }

    private static byte[] written(String format, BufferedImage image) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            if (!ImageIO.write(image, format, out)) {
                throw new IllegalStateException("no writer for " + format);
            }
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
        return out.toByteArray();
    }

    private static byte[] tiff(String packing, BufferedImage image) throws IOException {
        ImageWriter writer = ImageIO.getImageWritersByFormatName("tiff").next();
        File file = File.createTempFile("seed", ".tif");
        try (ImageOutputStream out = ImageIO.createImageOutputStream(file)) {
            writer.setOutput(out);
            ImageWriteParam param = writer.getDefaultWriteParam();
            if (!packing.equals("None")) {
                param.setCompressionMode(ImageWriteParam.MODE_EXPLICIT);
                param.setCompressionType(packing);
            }
            writer.write(null, new IIOImage(image, null, null), param);
        } finally {
            writer.dispose();
        }
        byte[] bytes = Files.readAllBytes(file.toPath());
        Files.delete(file.toPath());
        return bytes;
    }

    /** A small picture inside the first pieces, with an end mark of its own, as cameras have it. */
    private static byte[] withThumbnail(byte[] jpeg) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        out.write(jpeg, 0, 2);
        int length = jpeg.length + 2;
        out.writeBytes(new byte[] {(byte) 0xff, (byte) 0xe9, (byte) (length >> 8), (byte) length});
        out.writeBytes(jpeg);
        out.write(jpeg, 2, jpeg.length - 2);
        return out.toByteArray();
    }

    private static byte[] ascii(String text) {
        return text.getBytes(StandardCharsets.US_ASCII);
    }

    private static byte[] raw(String head, int bytes) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        out.writeBytes(ascii(head));
        for (int i = 0; i < bytes; i++) {
            out.write(i * 7);
        }
        return out.toByteArray();
    }
}
