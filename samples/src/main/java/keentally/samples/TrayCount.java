package keentally.samples;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import keentally.core.colour.Rgb;
import keentally.core.draw.ShapeRenderer;
import keentally.core.geometry.Ellipse;
import keentally.core.geometry.Point;
import keentally.core.hand.Glyph;
import keentally.core.hand.Mark;
import keentally.core.hand.Marks;
import keentally.core.hand.TallyClass;
import keentally.core.picture.Plane8;
import keentally.core.picture.PlaneF;

/**
 * The grain tray as two people counted it, and a rough mask of its rye. The first counter marks every seed; the second passes over every
 * {@value #PASSED_OVER}th, takes every {@value #TAKEN_FOR_RYE}th grain of wheat for rye, and marks every {@value #TWICE}th pumpkin seed twice.
 */
final class TrayCount {
    static final String FIRST = "Ana";
    static final String SECOND = "Bo";
    static final int PASSED_OVER = 40;
    static final int TAKEN_FOR_RYE = 26;
    static final int TWICE = 15;

    /** As the picture is laid: pumpkin seeds, wheat, rye, linseed. */
    private static final List<TallyClass> CLASSES = List.of(
            new TallyClass("c1", "pumpkin", Glyph.LOZENGE, Rgb.from(0x6fb0cf)),
            new TallyClass("c2", "wheat", Glyph.CROSS, Rgb.from(0xf0c75e)),
            new TallyClass("c3", "rye", Glyph.RING, Rgb.from(0x2fa08f)),
            new TallyClass("c4", "linseed", Glyph.BOX, Rgb.from(0xe3a8c4)));

    private static final int WHEAT = 1;
    private static final String RYE = "c3";
    private static final long BEGAN = 1_793_000_000L;
    private static final double HAND = 1.6;
    private static final double DOUBLED = 6;

    private TrayCount() {}

    /** @param kinds the things of each class, in the order of the classes */
    static Beside of(int width, int height, List<List<Truth.Thing>> kinds) {
        Chance chance = new Chance(20261128);
        List<Mark> first = new ArrayList<>();
        List<Mark> second = new ArrayList<>();
        int seed = 0;
        for (int kind = 0; kind < kinds.size(); kind++) {
            List<Truth.Thing> things = kinds.get(kind);
            for (int i = 0; i < things.size(); i++) {
                String id = CLASSES.get(kind).id();
                first.add(mark(things.get(i), 0, id, first.size(), chance));
                seed++;
                if (seed % PASSED_OVER == 0) {
                    continue;
                }
                boolean mistaken = kind == WHEAT && i % TAKEN_FOR_RYE == TAKEN_FOR_RYE - 1;
                second.add(mark(things.get(i), 0, mistaken ? RYE : id, second.size(), chance));
                if (kind == 0 && i % TWICE == TWICE - 1) {
                    second.add(mark(things.get(i), DOUBLED, id, second.size(), chance));
                }
            }
        }
        return new Beside(
                CLASSES,
                Map.of(FIRST, new Marks(first), SECOND, new Marks(second)),
                Optional.of(rough(width / 2, height / 2, kinds.get(2))),
                List.of(),
                Map.of());
    }

    private static Mark mark(Truth.Thing thing, double aside, String kind, int number, Chance chance) {
        double x = thing.x() + aside + HAND * chance.normal();
        double y = thing.y() + HAND * chance.normal();
        return new Mark(new Point(Math.rint(x * 100) / 100, Math.rint(y * 100) / 100), kind, BEGAN + 3L * number);
    }

    /** Round blots over the grains, in half the size, soft at the edges; one grain in twelve is forgotten. */
    private static Plane8 rough(int width, int height, List<Truth.Thing> rye) {
        ShapeRenderer blots = new ShapeRenderer(width, height);
        for (int i = 0; i < rye.size(); i++) {
            if (i % 12 != 11) {
                Truth.Thing grain = rye.get(i);
                blots.add(Ellipse.disc(grain.x() / 2, grain.y() / 2, 0.62 * grain.ecdPx() / 2));
            }
        }
        PlaneF coverage = blots.coverage();
        byte[] values = new byte[width * height];
        for (int i = 0; i < values.length; i++) {
            values[i] = (byte) Math.round(255 * coverage.values()[i]);
        }
        return Plane8.of(width, height, values);
    }
}
