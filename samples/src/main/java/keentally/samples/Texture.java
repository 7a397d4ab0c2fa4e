package keentally.samples;

import keentally.core.filter.Gaussian;
import keentally.core.picture.PlaneF;
import keentally.core.work.Work;

/** Unevenness by chance, as surfaces and sensors have it. */
final class Texture {
    private Texture() {}

    /** Noise with mean 0 and standard deviation about 1 whose grains are about {@code grainPx} across; 0 for single pixels. */
    static PlaneF noise(int width, int height, double grainPx, long seed, Work work) {
        Chance chance = new Chance(seed);
        float[] values = new float[width * height];
        for (int i = 0; i < values.length; i++) {
            values[i] = (float) chance.normal();
        }
        PlaneF white = PlaneF.of(width, height, values);
        if (grainPx == 0) {
            return white;
        }
        float[] smooth = Gaussian.of(white, grainPx / 2, work).values();
        // smoothing by sigma leaves 1 / (2 sigma sqrt(pi)) of the standard deviation
        float back = (float) (grainPx * Math.sqrt(Math.PI));
        float[] scaled = new float[smooth.length];
        for (int i = 0; i < scaled.length; i++) {
            scaled[i] = smooth[i] * back;
        }
        return PlaneF.of(width, height, scaled);
    }
}
