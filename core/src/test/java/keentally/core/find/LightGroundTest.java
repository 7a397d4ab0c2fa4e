package keentally.core.find;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.SplittableRandom;
import keentally.core.picture.Channel;
import keentally.core.picture.Field;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane8;
import keentally.core.work.Work;
import org.junit.jupiter.api.Test;

class LightGroundTest {
    private static final int W = 400;
    private static final int H = 300;

    private interface Scene {
        int[] at(int x, int y);
    }

    private static Picture picture(Scene scene) {
        SplittableRandom random = new SplittableRandom(2);
        byte[][] rgb = new byte[3][W * H];
        for (int i = 0; i < W * H; i++) {
            int[] colour = scene.at(i % W, i / W);
            for (int c = 0; c < 3; c++) {
                rgb[c][i] = (byte) Math.clamp(colour[c] + random.nextInt(-2, 3), 0, 255);
            }
        }
        return new Picture(List.of(
                new Channel(Channel.RED, Plane8.of(W, H, rgb[0])),
                new Channel(Channel.GREEN, Plane8.of(W, H, rgb[1])),
                new Channel(Channel.BLUE, Plane8.of(W, H, rgb[2]))));
    }

    private static final int[] GLASS = {240, 238, 234};
    private static final int[] DOUGH = {190, 150, 170};

    @Test
    void whatLiesRoundASampleAndReachesTheEdgeIsItsGround() {
        Picture picture = picture((x, y) -> x < 100 ? GLASS : DOUGH);
        LightGround ground =
                LightGround.of(picture, Field.whole(W, H), Work.alone()).orElseThrow();
        assertThat(ground.percent()).isEqualTo(25);
        assertThat(ground.colour().red()).isBetween(238, 242);
        assertThat(ground.reach()).isBetween(1.0, 4.0);
        assertThat(ground.mask().at(99, 10)).isTrue();
        assertThat(ground.mask().at(100, 10)).isFalse();
    }

    @Test
    void aLightThingInsideASmallCornerAndColourAreNone() {
        Field whole = Field.whole(W, H);
        assertThat(LightGround.of(
                        picture((x, y) -> Math.hypot(x - 200, y - 150) < 100 ? GLASS : DOUGH), whole, Work.alone()))
                .as("does not reach the edge")
                .isEmpty();
        assertThat(LightGround.ofDyes(
                                picture((x, y) -> Math.hypot(x - 200, y - 150) < 100 ? GLASS : DOUGH),
                                whole,
                                Work.alone())
                        .orElseThrow()
                        .percent())
                .as("a hole")
                .isBetween(25.9, 26.5);
        assertThat(LightGround.of(picture((x, y) -> x < 30 && y < 30 ? GLASS : DOUGH), whole, Work.alone()))
                .as("0.75 % of the field")
                .isEmpty();
        assertThat(LightGround.of(picture((x, y) -> new int[] {250, 240, 200}), whole, Work.alone()))
                .as("pale yellow")
                .isEmpty();
        assertThat(LightGround.of(Picture.grey(Plane8.of(W, H, new byte[W * H])), whole, Work.alone()))
                .isEmpty();
    }
}
