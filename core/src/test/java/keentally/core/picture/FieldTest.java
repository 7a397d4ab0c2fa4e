package keentally.core.picture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.stream.Stream;
import keentally.core.Chance;
import keentally.core.geometry.Ellipse;
import keentally.core.geometry.Polygon;
import keentally.core.geometry.Rectangle;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

class FieldTest {
    static Stream<Arguments> seeds() {
        return Chance.seeds(150);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void innerPixelsHaveAllTheirNeighboursInside(long seed) {
        Chance chance = new Chance(seed);
        int width = chance.between(1, 140);
        int height = chance.between(1, 9);
        Field field = chance.field(width, height);
        for (Neighbours neighbours : Neighbours.values()) {
            Mask inner = field.inner(neighbours);
            for (int y = 0; y < height; y++) {
                for (int x = 0; x < width; x++) {
                    assertThat(inner.at(x, y))
                            .as("%d %d %s", x, y, neighbours)
                            .isEqualTo(isInner(field, x, y, neighbours));
                }
            }
        }
    }

    private static boolean isInner(Field field, int x, int y, Neighbours neighbours) {
        for (int dy = -1; dy <= 1; dy++) {
            for (int dx = -1; dx <= 1; dx++) {
                boolean counts = neighbours == Neighbours.EIGHT || dx == 0 || dy == 0;
                if (counts && !field.contains(x + dx, y + dy)) {
                    return false;
                }
            }
        }
        return true;
    }

    @Test
    void aPixelIsInWhereItsCentreIsInOrOnTheShape() {
        Field field = Field.of(10, 10, List.of(new Field.Part(new Rectangle(1.5, 2, 3, 2.5), false)));
        assertThat(field.contains(1, 2)).isTrue();
        assertThat(field.contains(4, 4)).isTrue();
        assertThat(field.contains(5, 4)).isFalse();
        assertThat(field.contains(0, 2)).isFalse();
        assertThat(field.pixels()).isEqualTo(4 * 3);
    }

    @Test
    void shapesAreTakenAwayFromAllThatAreAdded() {
        Field.Part round = new Field.Part(Ellipse.disc(10, 10, 8), false);
        Field.Part hole = new Field.Part(Ellipse.disc(10, 10, 3), true);
        Field ring = Field.of(20, 20, List.of(round, hole));
        assertThat(ring.contains(10, 10)).isFalse();
        assertThat(ring.contains(15, 10)).isTrue();
        assertThat(Field.of(20, 20, List.of(hole, round))).isEqualTo(ring);
        assertThat(Field.of(20, 20, List.of(hole)).contains(0, 0)).isTrue();
        assertThat(Field.of(20, 20, List.of())).isEqualTo(Field.whole(20, 20));
    }

    @Test
    void aFieldWithoutAPixelIsRefused() {
        Field.Part outside = new Field.Part(Polygon.of(50, 50, 60, 50, 60, 60), false);
        assertThatThrownBy(() -> Field.of(20, 10, List.of(outside)))
                .hasMessage("the field holds no pixel of this picture of 20 × 10");
    }

    @Test
    void clippingLeavesOnlyWhatIsInside() {
        Field field = Field.of(8, 8, List.of(new Field.Part(new Rectangle(0, 0, 4, 8), false)));
        assertThat(field.clip(Mask.full(8, 8)).count()).isEqualTo(32);
    }

    @Test
    void theBorderMirrorsWithTheBorderPixelTwice() {
        int[] expected = {3, 2, 1, 0, 0, 1, 2, 3, 3, 2, 1, 0, 0, 1};
        for (int i = -4; i < 10; i++) {
            assertThat(Border.mirror(i, 4)).isEqualTo(expected[i + 4]);
        }
        assertThat(Border.mirror(-1000, 1)).isZero();
    }
}
