package keentally.core.colour;

/**
 * Three numbers for a colour. {@link #RGB} runs from 0 to 255 whatever the picture's depth; {@link #HSV} is hue in degrees, 0 to 360,
 * saturation and value 0 to 1; {@link #LAB} is CIE L*a*b* under D65.
 */
public enum ColourSpace {
    RGB("red", "green", "blue"),
    HSV("hue", "saturation", "value"),
    LAB("lightness", "a", "b");

    private final String[] components;

    ColourSpace(String... components) {
        this.components = components;
    }

    /** The letter of a component, counted from 0. */
    public String component(int index) {
        return components[index];
    }

    /** Whether a component comes round again after 360. */
    public boolean wraps(int index) {
        return this == HSV && index == 0;
    }

    /** The lowest value that a component can have. */
    public double least(int index) {
        return this == LAB && index > 0 ? -128 : 0;
    }

    /** The highest. */
    public double most(int index) {
        return switch (this) {
            case RGB -> 255;
            case HSV -> index == 0 ? 360 : 1;
            case LAB -> index == 0 ? 100 : 128;
        };
    }

    /**
     * The three numbers of a colour.
     *
     * @param rgb red, green and blue on the 0 to 255 scale
     * @param into three places
     */
    public void of(double[] rgb, double[] into) {
        float r = (float) (rgb[0] / 255);
        float g = (float) (rgb[1] / 255);
        float b = (float) (rgb[2] / 255);
        switch (this) {
            case RGB -> System.arraycopy(rgb, 0, into, 0, 3);
            case HSV -> {
                into[0] = ChannelPlane.hue(r, g, b);
                into[1] = ChannelPlane.saturation(r, g, b);
                into[2] = Math.max(r, Math.max(g, b));
            }
            case LAB -> ChannelPlane.lab(r, g, b, into);
        }
    }

    /** The three components of a colour of sRGB in this space, each in the space's own units. */
    public double[] of(Rgb colour) {
        double[] into = new double[3];
        of(new double[] {colour.red(), colour.green(), colour.blue()}, into);
        return into;
    }

    /** Squared distance in the space; hue by the shorter way round, its degrees weighed as parts of a circle of saturation. */
    public double squareDistance(double[] a, double[] b) {
        if (this == HSV) {
            double turn = StrictMath.toRadians(a[0] - b[0]);
            double chord = a[1] * a[1] + b[1] * b[1] - 2 * a[1] * b[1] * StrictMath.cos(turn);
            return chord + (a[2] - b[2]) * (a[2] - b[2]);
        }
        double sum = 0;
        for (int i = 0; i < 3; i++) {
            sum += (a[i] - b[i]) * (a[i] - b[i]);
        }
        return sum;
    }
}
