package keentally.core.morphology;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.Stream;
import keentally.core.Chance;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.Neighbours;
import keentally.core.region.SlowRegions;
import keentally.core.work.Work;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

class CleaningTest {
    static Stream<Arguments> seeds() {
        return Chance.seeds(800);
    }

    private static boolean reachesEdge(List<int[]> pixels, Field field) {
        return pixels.stream()
                .anyMatch(p -> !field.contains(p[0] - 1, p[1])
                        || !field.contains(p[0] + 1, p[1])
                        || !field.contains(p[0], p[1] - 1)
                        || !field.contains(p[0], p[1] + 1));
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void fillHolesAgreesWithFloodingTheBackground(long seed) {
        Chance chance = new Chance(seed);
        int width = chance.between(1, chance.toss(0.2) ? 100 : 18);
        int height = chance.between(1, 18);
        Field field = chance.field(width, height);
        Mask mask = field.clip(chance.mask(width, height));
        double upTo = chance.toss(0.5) ? Double.POSITIVE_INFINITY : chance.between(0, 6);
        FillHoles.Outcome filled = FillHoles.of(mask, field, upTo, Work.alone());
        Mask background = field.mask().minus(mask);
        int[][] pieces = SlowRegions.labels(background, Neighbours.FOUR);
        List<List<int[]>> pixels = SlowRegions.pixels(pieces);
        int holes = 0;
        int larger = 0;
        int open = 0;
        for (List<int[]> piece : pixels) {
            boolean hole = piece.size() <= upTo && !reachesEdge(piece, field);
            holes += hole ? 1 : 0;
            larger += !hole && !reachesEdge(piece, field) ? 1 : 0;
            open += reachesEdge(piece, field) ? 1 : 0;
            for (int[] p : piece) {
                assertThat(filled.mask().at(p[0], p[1])).isEqualTo(hole);
            }
        }
        assertThat(filled.holes()).isEqualTo(holes);
        assertThat(filled.larger()).isEqualTo(larger);
        assertThat(filled.open()).isEqualTo(Math.max(0, open - 1));
        assertThat(filled.mask().and(mask)).isEqualTo(mask);
        assertThat(field.clip(filled.mask())).isEqualTo(filled.mask());
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void removeSpecksTakesAwayWholePiecesAndNothingElse(long seed) {
        Chance chance = new Chance(seed);
        Mask mask = chance.mask(chance.between(1, 80), chance.between(1, 15));
        double below = chance.between(0.0, 9);
        for (Neighbours neighbours : Neighbours.values()) {
            RemoveSpecks.Outcome cleaned = RemoveSpecks.of(mask, below, neighbours, Work.alone());
            int removed = 0;
            for (List<int[]> piece : SlowRegions.pixels(SlowRegions.labels(mask, neighbours))) {
                boolean stays = piece.size() >= below;
                removed += stays ? 0 : 1;
                for (int[] p : piece) {
                    assertThat(cleaned.mask().at(p[0], p[1])).isEqualTo(stays);
                }
            }
            assertThat(cleaned.specks()).isEqualTo(removed);
            assertThat(mask.and(cleaned.mask())).isEqualTo(cleaned.mask());
        }
    }

    @Test
    void aBayThatIsOpenToTheFieldsEdgeIsNoHole() {
        Mask ring = Mask.of(5, 5, new long[] {0, 0b01110, 0b01010, 0b01110, 0});
        Field whole = Field.whole(5, 5);
        assertThat(FillHoles.of(ring, whole, 9, Work.alone()).holes()).isEqualTo(1);
        Mask halfField = Mask.of(5, 5, new long[] {0b11111, 0b11111, 0b11111, 0, 0});
        Field half = Field.of(halfField);
        assertThat(FillHoles.of(half.clip(ring), half, 9, Work.alone()).holes()).isZero();
    }

    @Test
    void emptyAndFullStayWhatTheyAre() {
        Field field = Field.whole(20, 9);
        for (Mask mask : List.of(Mask.empty(20, 9), Mask.full(20, 9))) {
            assertThat(FillHoles.of(mask, field, 1e9, Work.alone()).mask()).isEqualTo(mask);
            assertThat(RemoveSpecks.of(mask, 1, Neighbours.EIGHT, Work.alone()).mask())
                    .isEqualTo(mask);
        }
    }
}
