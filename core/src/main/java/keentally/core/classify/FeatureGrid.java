package keentally.core.classify;

/**
 * The features of every so many pixels, both ways, kept to be asked about again and again: what a learner thinks of a whole picture, coarsely, without working its features
 * out anew. Read by stretches of rows, in any order. Cost: 4 bytes a feature and place.
 */
public final class FeatureGrid {
    private static final int LINES = 8;

    private final FeatureRows rows;
    private final int step;
    private final int across;
    private final int down;
    private final float[][][] stretches;

    private FeatureGrid(FeatureRows rows, int step) {
        this.rows = rows;
        this.step = step;
        this.across = (rows.width() + step - 1) / step;
        this.down = (rows.height() + step - 1) / step;
        this.stretches = new float[(down + LINES - 1) / LINES][][];
    }

    /** @param most places */
    public static FeatureGrid of(FeatureRows rows, int most) {
        double pixels = (double) rows.width() * rows.height();
        return new FeatureGrid(rows, (int) Math.max(1, Math.ceil(Math.sqrt(pixels / most))));
    }

    /** How many pixels are from one place to the next. */
    public int step() {
        return step;
    }

    public int across() {
        return across;
    }

    public int down() {
        return down;
    }

    /** How many stretches of rows there are. */
    public int stretches() {
        return stretches.length;
    }

    /** Whether a stretch was worked out. */
    public boolean isRead(int stretch) {
        return stretches[stretch] != null;
    }

    /** The first line of places of a stretch. */
    public int firstLine(int stretch) {
        return stretch * LINES;
    }

    /** How many lines of places a stretch has. */
    public int lines(int stretch) {
        return Math.min(down, firstLine(stretch) + LINES) - firstLine(stretch);
    }

    /** The pixel row or column of a line of places: its middle. */
    public int middle(int line, int end) {
        return Math.min(end - 1, line * step + step / 2);
    }

    /** Works out a stretch; any number may be read at the same time. */
    public void read(int stretch) {
        int first = firstLine(stretch);
        int lines = lines(stretch);
        int top = middle(first, rows.height());
        int bottom = middle(first + lines - 1, rows.height()) + 1;
        float[][] all = rows.read(top, bottom);
        float[][] some = new float[all.length][across * lines];
        for (int f = 0; f < all.length; f++) {
            for (int line = 0; line < lines; line++) {
                int from = (middle(first + line, rows.height()) - top) * rows.width();
                for (int i = 0; i < across; i++) {
                    some[f][line * across + i] = all[f][from + middle(i, rows.width())];
                }
            }
        }
        stretches[stretch] = some;
    }

    /** How sure a learner is of each class, for the places of a stretch that was read, row by row. */
    public float[] sure(Learnt learnt, int stretch) {
        return learnt.probabilities(stretches[stretch], across * lines(stretch));
    }
}
