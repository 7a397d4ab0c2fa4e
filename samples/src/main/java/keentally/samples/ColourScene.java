package keentally.samples;

import java.util.Arrays;
import keentally.core.filter.Gaussian;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane8;
import keentally.core.picture.PlaneF;
import keentally.core.work.Work;

/** Red, green and blue light of a scene on the 0 to 255 scale, built up layer by layer and then photographed. */
final class ColourScene {
    private final int width;
    private final int height;
    private final float[][] rgb;

    ColourScene(int width, int height, int colour) {
        this.width = width;
        this.height = height;
        this.rgb = new float[3][width * height];
        for (int c = 0; c < 3; c++) {
            Arrays.fill(rgb[c], level(colour, c));
        }
    }

    private static float level(int colour, int channel) {
        return colour >> 16 - 8 * channel & 0xff;
    }

    /**
     * Lays a colour over what is there.
     *
     * @param colour 0xrrggbb
     * @param tone how much lighter (above 0) or darker it is from place to place, as a share
     */
    ColourScene lay(PlaneF coverage, int colour, PlaneF tone, double strength) {
        float[] cover = coverage.values();
        float[] tones = tone.values();
        for (int c = 0; c < 3; c++) {
            float level = level(colour, c);
            for (int i = 0; i < cover.length; i++) {
                float own = level * (1 + (float) strength * tones[i]);
                rgb[c][i] += (own - rgb[c][i]) * cover[i];
            }
        }
        return this;
    }

    /** Lays a colour over everything. */
    ColourScene ground(int colour, PlaneF tone, double strength) {
        float[] ones = new float[width * height];
        Arrays.fill(ones, 1);
        return lay(PlaneF.of(width, height, ones), colour, tone, strength);
    }

    /** Takes light away: e.g. a shadow of a fifth where {@code cover} is 1. */
    ColourScene darken(PlaneF cover, double share) {
        for (float[] plane : rgb) {
            for (int i = 0; i < plane.length; i++) {
                plane[i] *= 1 - (float) share * cover.values()[i];
            }
        }
        return this;
    }

    /** Lets light through dyes: {@code density} times the dye's vector for red, green and blue. */
    ColourScene absorb(PlaneF density, double... vector) {
        for (int c = 0; c < 3; c++) {
            for (int i = 0; i < rgb[c].length; i++) {
                rgb[c][i] *= (float) StrictMath.pow(10, -vector[c] * density.values()[i]);
            }
        }
        return this;
    }

    /** Through optics that blur a little, by a sensor of 8 bits that is noisy. */
    Picture photograph(double blur, double noise, long seed, Work work) {
        Plane8[] planes = new Plane8[3];
        for (int c = 0; c < 3; c++) {
            float[] seen =
                    Gaussian.of(PlaneF.of(width, height, rgb[c]), blur, work).values();
            float[] grain = Texture.noise(width, height, 0, seed + c, work).values();
            byte[] values = new byte[seen.length];
            for (int i = 0; i < values.length; i++) {
                double spread = noise * (0.5 + Math.sqrt(Math.max(0, seen[i]) / 255));
                values[i] = (byte) Math.clamp(Math.round(seen[i] + spread * grain[i]), 0, 255);
            }
            planes[c] = Plane8.of(width, height, values);
        }
        return Picture.colour(planes[0], planes[1], planes[2]);
    }
}
