package keentally.core.refine;

import static org.assertj.core.api.Assertions.assertThat;

import keentally.core.geometry.Point;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.work.Work;
import org.junit.jupiter.api.Test;

class LostPartsTest {
    private static final int WIDTH = 60;
    private static final int HEIGHT = 30;

    private static Mask boxes(int... leftTopWidthHeight) {
        byte[] set = new byte[WIDTH * HEIGHT];
        for (int b = 0; b < leftTopWidthHeight.length; b += 4) {
            for (int y = 0; y < leftTopWidthHeight[b + 3]; y++) {
                for (int x = 0; x < leftTopWidthHeight[b + 2]; x++) {
                    set[(leftTopWidthHeight[b + 1] + y) * WIDTH + leftTopWidthHeight[b] + x] = 1;
                }
            }
        }
        return Mask.from(set, WIDTH, HEIGHT);
    }

    private static LostParts between(Mask before, Mask after) {
        return LostParts.between(before, after, Field.whole(WIDTH, HEIGHT), Work.alone());
    }

    @Test
    void nothingIsLostWhereNothingChanged() {
        Mask two = boxes(2, 2, 20, 20, 40, 2, 8, 8);
        LostParts lost = between(two, two);
        assertThat(lost.pieces()).isZero();
        assertThat(lost.thin()).isZero();
        assertThat(lost.places()).isEmpty();
    }

    /** Two boxes joined by a bridge of 2 × 14 px, and a speck of 3 × 3 px. */
    @Test
    void aPieceAndABridgeThatAreGoneAreNamed() {
        Mask before = boxes(2, 2, 20, 20, 22, 10, 14, 2, 36, 2, 20, 20, 5, 26, 3, 3);
        LostParts lost = between(before, boxes(2, 2, 20, 20, 36, 2, 20, 20));
        assertThat(lost.pieces()).isEqualTo(1);
        assertThat(lost.thin()).isEqualTo(1);
        assertThat(lost.area()).isBetween(9 + 24L, 9 + 28L);
        assertThat(lost.places().getFirst()).isEqualTo(new Point(6.5, 27.5));
        assertThat(lost.places().getLast().x()).isBetween(28.0, 30.0);
        assertThat(lost.left()).isEqualTo(2);
        assertThat(lost.gap()).hasValue(14);
    }

    @Test
    void aPieceThatKeepsAPixelIsNotLostNorIsABridgeThatKeepsMost() {
        Mask before = boxes(2, 2, 20, 20, 22, 10, 14, 2, 36, 2, 20, 20, 5, 26, 3, 3);
        LostParts lost = between(before, boxes(2, 2, 20, 20, 22, 10, 10, 2, 36, 2, 20, 20, 6, 27, 1, 1));
        assertThat(lost.pieces()).isZero();
        assertThat(lost.thin()).isZero();
        assertThat(lost.left()).isEqualTo(3);
    }

    @Test
    void onePieceHasNoGap() {
        assertThat(between(boxes(2, 2, 20, 20), boxes(2, 2, 22, 22)).gap()).isEmpty();
    }
}
