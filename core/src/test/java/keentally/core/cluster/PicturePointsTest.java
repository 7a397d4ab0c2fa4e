package keentally.core.cluster;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import keentally.core.Chance;
import keentally.core.colour.ColourSpace;
import keentally.core.picture.Channel;
import keentally.core.picture.Field;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane8;
import keentally.core.work.Work;
import org.junit.jupiter.api.Test;

class PicturePointsTest {
    private static final int SIDE = 500;

    /** One tile, or several side by side and below each other. */
    private static Picture tiled(byte[][] rgb, int tiles) {
        int side = SIDE * tiles;
        List<String> names = List.of(Channel.RED, Channel.GREEN, Channel.BLUE);
        Channel[] channels = new Channel[3];
        for (int c = 0; c < 3; c++) {
            byte[] values = new byte[side * side];
            for (int i = 0; i < values.length; i++) {
                values[i] = rgb[c][i / side % SIDE * SIDE + i % side % SIDE];
            }
            channels[c] = new Channel(names.get(c), Plane8.of(side, side, values));
        }
        return new Picture(List.of(channels));
    }

    private static byte[][] random(int levels, int apart) {
        Chance chance = new Chance(7);
        byte[][] rgb = new byte[3][SIDE * SIDE];
        for (byte[] values : rgb) {
            for (int i = 0; i < values.length; i++) {
                values[i] = (byte) (chance.between(0, levels - 1) * apart);
            }
        }
        return rgb;
    }

    private static Points points(Picture picture) {
        Field field = Field.whole(picture.width(), picture.height());
        return PicturePoints.of(picture, picture, field, ColourSpace.LAB, 0, Work.alone())
                .orElseThrow()
                .points();
    }

    /** Few pixels are sorted, many counted in a table: nine tiles of a picture hold its colours, each nine times as often. */
    @Test
    void coloursAreTheSameSortedOrCounted() {
        for (int levels : new int[] {4, 128}) { // one as they are, one gathered in cells
            byte[][] rgb = random(levels, 256 / levels);
            Points one = points(tiled(rgb, 1));
            Points nine = points(tiled(rgb, 3));
            assertThat(one.count()).as("levels %d", levels).isGreaterThan(50);
            assertThat(nine.count()).isEqualTo(one.count());
            assertThat(nine.weights())
                    .isEqualTo(Arrays.stream(one.weights()).map(w -> 9 * w).toArray());
            assertThat(nine.at()).isEqualTo(one.at());
        }
    }

    @Test
    void fewColoursStandForAllPixels() {
        Picture picture = tiled(random(64, 1), 1);
        Field field = Field.whole(SIDE, SIDE);
        Points few = PicturePoints.few(picture, picture, field, ColourSpace.LAB, Work.alone())
                .orElseThrow()
                .points();
        assertThat(few.count()).isLessThan(points(picture).count());
        assertThat(few.totalWeight()).isEqualTo(SIDE * SIDE);
    }
}
