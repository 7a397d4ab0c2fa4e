package keentally.core.measure;

import java.util.Arrays;
import java.util.EnumMap;
import java.util.Map;
import keentally.core.colour.ColourSpace;
import keentally.core.picture.Depth;

/** What colours are in other spaces; of pictures of 8 bits the newest are remembered, since they come again and again. For one thread. */
final class ColourMemo {
    /** Components, and where the hue points to. */
    static final int NUMBERS = 5;

    private static final int SLOTS = 1 << 13;

    private final double perLevel;
    private final boolean remembers;
    private final Map<ColourSpace, Table> tables = new EnumMap<>(ColourSpace.class);
    private final double[] rgb = new double[3];
    private final double[] is = new double[3];

    ColourMemo(Depth depth) {
        this.perLevel = depth.most() / 255.0;
        this.remembers = depth == Depth.BITS_8;
    }

    /** What one of 255 is in the picture's own values. */
    double perLevel() {
        return perLevel;
    }

    /** Of one space. */
    Table in(ColourSpace space) {
        return tables.computeIfAbsent(space, Table::new);
    }

    /** Answers in one space: {@value #NUMBERS} numbers from where {@link #find} says. */
    final class Table {
        private final ColourSpace space;
        private final int[] colours;
        final double[] numbers;

        private Table(ColourSpace space) {
            this.space = space;
            int slots = remembers ? SLOTS : 1;
            this.colours = new int[slots];
            this.numbers = new double[slots * NUMBERS];
            Arrays.fill(colours, -1);
        }

        /** @param red in the picture's own values, as the others */
        int find(float red, float green, float blue) {
            if (!remembers) {
                work(red, green, blue, 0);
                return 0;
            }
            int packed = (int) red << 16 | (int) green << 8 | (int) blue;
            int slot = packed * 0x9E3779B1 >>> 19;
            if (colours[slot] != packed) {
                colours[slot] = packed;
                work(red, green, blue, slot * NUMBERS);
            }
            return slot * NUMBERS;
        }

        private void work(float red, float green, float blue, int to) {
            rgb[0] = red / perLevel;
            rgb[1] = green / perLevel;
            rgb[2] = blue / perLevel;
            space.of(rgb, is);
            System.arraycopy(is, 0, numbers, to, 3);
            if (space == ColourSpace.HSV) {
                boolean hued = is[1] > 0;
                numbers[to + 3] = hued ? StrictMath.cos(StrictMath.toRadians(is[0])) : 0;
                numbers[to + 4] = hued ? StrictMath.sin(StrictMath.toRadians(is[0])) : 0;
            }
        }
    }
}
