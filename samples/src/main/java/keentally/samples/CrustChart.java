package keentally.samples;

import java.util.Arrays;
import java.util.List;
import keentally.core.measure.Measure;
import keentally.core.method.Method;
import keentally.core.picture.PlaneF;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.Scale;
import keentally.core.work.Work;

/** A photo of a loaf's crust, baked in five shades from pale to nearly burnt, with fine cracks of light in all of them. */
final class CrustChart {
    private static final int WIDTH = 1200;
    private static final int HEIGHT = 900;
    private static final int[] COLOURS = {0x3a2113, 0x6d3e1e, 0xa0642f, 0xcb9750, 0xe9cb92};
    private static final String[] NAMES = {"burnt", "dark", "brown", "golden", "pale"};
    /** Shares of the field, dark to light. */
    private static final double[] SHARES = {0.06, 0.17, 0.34, 0.28, 0.15};

    private CrustChart() {}

    static DemoSample draw(Work work) {
        float[] heat = heat(work);
        float[] sorted = heat.clone();
        Arrays.sort(sorted);
        PlaneF grain = Texture.noise(WIDTH, HEIGHT, 5, 853, work);
        ColourScene scene = new ColourScene(WIDTH, HEIGHT, COLOURS[0]);
        double upTo = 0;
        Truth.Share[] shares = new Truth.Share[COLOURS.length];
        for (int zone = 0; zone < COLOURS.length; zone++) {
            float from = sorted[(int) Math.min(sorted.length - 1, Math.round(upTo * sorted.length))];
            upTo += SHARES[zone];
            float to = zone == COLOURS.length - 1
                    ? Float.POSITIVE_INFINITY
                    : sorted[(int) Math.round(upTo * sorted.length)];
            float[] cover = new float[heat.length];
            long count = 0;
            for (int i = 0; i < heat.length; i++) {
                boolean in = heat[i] >= from && heat[i] < to;
                cover[i] = in ? 1 : 0;
                count += in ? 1 : 0;
            }
            scene.lay(PlaneF.of(WIDTH, HEIGHT, cover), COLOURS[zone], grain, 0.03);
            shares[zone] = new Truth.Share(NAMES[zone], zone, 100.0 * count / heat.length);
        }
        return new DemoSample(
                "crust-chart",
                "Crust chart",
                scene.photograph(0.8, 3, 860, work),
                new Scale(0.1, LengthUnit.MM),
                List.of(),
                new Truth(0, false, List.of(shares), List.of()),
                method());
    }

    /** How pale the crust is: patches, and paler towards the upper edge where the loaf tore. */
    private static float[] heat(Work work) {
        PlaneF patches = Texture.noise(WIDTH, HEIGHT, 150, 851, work);
        PlaneF blisters = Texture.noise(WIDTH, HEIGHT, 40, 852, work);
        float[] heat = new float[WIDTH * HEIGHT];
        for (int i = 0; i < heat.length; i++) {
            float tear = 1.6f * (1 - (float) (i / WIDTH) / HEIGHT);
            heat[i] = patches.values()[i] + 0.35f * blisters.values()[i] + tear;
        }
        return heat;
    }

    private static Method method() {
        return new MethodMaker("Shades of crust", LengthUnit.MM)
                .step("smooth", "by", "median", "radius", "2 px")
                .step("cluster", "k", 5, "space", "lab", "names", List.of(NAMES))
                .make(List.of(Measure.AREA, Measure.ECD, Measure.CIRCULARITY, Measure.MEAN));
    }
}
