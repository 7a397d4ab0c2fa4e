package keentally.desk.look;

import java.awt.Color;
import java.awt.Font;
import java.awt.image.BufferedImage;
import java.awt.image.DataBufferInt;
import java.nio.IntBuffer;
import javafx.scene.Scene;
import javafx.scene.image.Image;
import javafx.scene.image.PixelBuffer;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;
import keentally.study.plot.PlotLook;
import keentally.study.plot.Typeface;

/** Plots in the theme's colours, and on the screen. */
public final class PlotImages {
    private static final Font FONT = Typeface.regular(11);

    private PlotImages() {}

    public static boolean isDark(Scene scene) {
        return scene != null && scene.getStylesheets().stream().anyMatch(s -> s.endsWith("night.css"));
    }

    public static PlotLook look(boolean dark) {
        return dark
                ? new PlotLook(
                        new Color(0x252A2F),
                        new Color(0xE8E6E1),
                        new Color(0x3A4148),
                        new Color(0x4FB3BF),
                        new Color(0xE29AD3),
                        FONT)
                : new PlotLook(
                        Color.WHITE,
                        new Color(0x1E2730),
                        new Color(0xE4E0D6),
                        new Color(0x35A4AE),
                        new Color(0x7A2E6E),
                        FONT);
    }

    /** Shares the pixels of a picture that is not drawn on any more. */
    public static Image of(BufferedImage picture) {
        int[] pixels = ((DataBufferInt) picture.getRaster().getDataBuffer()).getData();
        return new WritableImage(new PixelBuffer<>(
                picture.getWidth(), picture.getHeight(), IntBuffer.wrap(pixels), PixelFormat.getIntArgbPreInstance()));
    }
}
