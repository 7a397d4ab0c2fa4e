package keentally.core.bring;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.IntUnaryOperator;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import keentally.core.Chance;
import keentally.core.bring.MaskPicture.How;
import keentally.core.bring.MaskPicture.Meaning;
import keentally.core.hand.Brought;
import keentally.core.hand.LabelRuns;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane16;
import keentally.core.picture.Plane8;
import keentally.core.picture.PlaneF;
import keentally.core.region.Regions;
import keentally.core.setting.Values;
import keentally.core.step.Site;
import keentally.core.step.State;
import keentally.core.step.StepFault;
import keentally.core.step.Steps;
import keentally.core.work.Work;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

class MaskPictureTest {
    private static final int WIDTH = 8;
    private static final int HEIGHT = 6;

    static Stream<Arguments> seeds() {
        return Chance.seeds(100);
    }

    /** A square of 3 by 2 from (2, 1) on. */
    private static boolean square(int i) {
        int x = i % WIDTH;
        int y = i / WIDTH;
        return x >= 2 && x < 5 && y >= 1 && y < 3;
    }

    private static Picture grey(IntUnaryOperator value) {
        byte[] bytes = new byte[WIDTH * HEIGHT];
        IntStream.range(0, bytes.length).forEach(i -> bytes[i] = (byte) value.applyAsInt(i));
        return Picture.grey(Plane8.of(WIDTH, HEIGHT, bytes));
    }

    private static Brought read(Picture picture) {
        MaskPicture seen = MaskPicture.of(picture);
        return seen.read(seen.usual(), WIDTH, HEIGHT, "made up");
    }

    private static boolean[] chosen(Brought brought) {
        byte[] values = brought.runs().bytes(0);
        boolean[] chosen = new boolean[values.length];
        IntStream.range(0, values.length).forEach(i -> chosen[i] = values[i] != 0);
        return chosen;
    }

    private static boolean[] squares() {
        boolean[] all = new boolean[WIDTH * HEIGHT];
        IntStream.range(0, all.length).forEach(i -> all[i] = square(i));
        return all;
    }

    @Test
    void masksOfAnyTwoValuesAreCutBetweenThem() {
        for (int on : new int[] {1, 255, 7}) {
            Picture picture = grey(i -> square(i) ? on : 0);
            assertThat(MaskPicture.of(picture).meanings().getFirst()).isEqualTo(Meaning.MASK);
            assertThat(chosen(read(picture))).isEqualTo(squares());
        }
        MaskPicture dark = MaskPicture.of(grey(i -> square(i) ? 0 : 255));
        Brought inverted = dark.read(new How(Meaning.MASK, 127.5, true), WIDTH, HEIGHT, "");
        assertThat(chosen(inverted)).isEqualTo(squares());
    }

    @Test
    void softAndDamagedEdgesAreCutInTheMiddle() {
        int[] noise = {0, 3, 1, 6, 2, 9, 4, 7};
        Picture picture = grey(i -> square(i) ? 255 - noise[i % 8] : i % 11 == 0 ? 90 : noise[(i * 3) % 8]);
        MaskPicture seen = MaskPicture.of(picture);
        assertThat(seen.usual()).isEqualTo(new How(Meaning.MASK, (seen.least() + seen.greatest()) / 2, false));
        assertThat(seen.betweenPercent()).isGreaterThan(50);
        assertThat(chosen(read(picture))).isEqualTo(squares());
    }

    @Test
    void probabilitiesAreCutWhereOneSays() {
        float[] values = new float[WIDTH * HEIGHT];
        IntStream.range(0, values.length).forEach(i -> values[i] = i / (float) (values.length - 1));
        MaskPicture seen = MaskPicture.of(Picture.grey(PlaneF.of(WIDTH, HEIGHT, values)));
        assertThat(seen.meanings()).containsExactly(Meaning.MASK);
        assertThat(seen.usual().cut()).isEqualTo(0.5);
        Brought most = seen.read(new How(Meaning.MASK, 0.9, false), WIDTH, HEIGHT, "");
        assertThat(most.runs().mask().count())
                .isEqualTo(IntStream.range(0, values.length)
                        .filter(i -> values[i] > 0.9)
                        .count());
    }

    @Test
    void anEmptyAndAFullOneAreThat() {
        assertThat(read(grey(i -> 0)).runs().mask().count()).isZero();
        assertThat(read(grey(i -> 255)).runs().mask().count()).isEqualTo(WIDTH * HEIGHT);
    }

    @Test
    void labelsAreObjectsEvenWhereTheyTouch() {
        short[] labels = new short[WIDTH * HEIGHT];
        IntStream.range(0, labels.length)
                .forEach(i ->
                        labels[i] = (short) (i / WIDTH < 2 ? 0 : i % WIDTH < 4 ? 700 : i % WIDTH < 6 ? 41_000 : 3));
        Brought brought = read(Picture.grey(Plane16.of(WIDTH, HEIGHT, labels)));
        assertThat(brought.isLabels()).isTrue();
        Regions regions = brought.runs().regions(Mask.full(WIDTH, HEIGHT));
        assertThat(regions.count()).isEqualTo(3);
        assertThat(regions.pixels(0)).isEqualTo(4 * 4);
        assertThat(regions.pixels(1)).isEqualTo(2 * 4);
        assertThat(brought.runs().most()).isEqualTo(41_000);
    }

    @Test
    void coloursAreClassesDarkToLight() {
        int[] colours = {0xffffff, 0x7a2e6e, 0x0e6470};
        byte[][] planes = new byte[3][WIDTH * HEIGHT];
        IntStream.range(0, WIDTH * HEIGHT).forEach(i -> {
            for (int c = 0; c < 3; c++) {
                planes[c][i] = (byte) (colours[i % WIDTH / 3] >> 16 - 8 * c);
            }
        });
        Brought brought = read(Picture.colour(
                Plane8.of(WIDTH, HEIGHT, planes[0]),
                Plane8.of(WIDTH, HEIGHT, planes[1]),
                Plane8.of(WIDTH, HEIGHT, planes[2])));
        assertThat(brought.classes()).containsExactly("#7a2e6e", "#0e6470", "#ffffff");
        assertThat(Arrays.copyOf(brought.runs().bytes(0), WIDTH)).containsExactly(3, 3, 3, 1, 1, 1, 2, 2);
        assertThat(read(colouredGrey()).isClasses()).isFalse();
    }

    /** A colour picture of 16 bits is cut in its own values, by the grey that everything else has. */
    @Test
    void coloursOfAnyDepthAreCutOnTheirGrey() {
        Plane16 ramp = Plane16.of(2, 1, new short[] {(short) 60_000, 20_000});
        Plane16 flat = Plane16.of(2, 1, new short[] {0, 20_000});
        Picture picture = Picture.colour(flat, ramp, flat);
        MaskPicture seen = MaskPicture.of(picture);
        assertThat(seen.usual().meaning()).isEqualTo(Meaning.CLASSES);
        Brought mask = seen.read(new How(Meaning.MASK, seen.usual().cut(), false), 2, 1, "");
        assertThat(chosen(mask)).containsExactly(true, false);
    }

    /** Black and white, but kept as colours. */
    private static Picture colouredGrey() {
        Plane8 plane = (Plane8) grey(i -> square(i) ? 255 : 0).single().orElseThrow();
        return Picture.colour(plane, plane, plane);
    }

    @Test
    void otherSizesAreLaidOnInWholeRatiosOnly() {
        MaskPicture seen = MaskPicture.of(grey(i -> square(i) ? 255 : 0));
        Brought larger = seen.read(seen.usual(), 3 * WIDTH, 3 * HEIGHT, "");
        assertThat(larger.runs().mask().count()).isEqualTo(9 * 6);
        assertThat(larger.runs().mask().at(6, 3)).isTrue();
        Brought smaller = seen.read(seen.usual(), WIDTH / 2, HEIGHT / 2, "");
        assertThat(smaller.runs().mask().at(1, 0)).isTrue();
        for (int[] size : new int[][] {{WIDTH + 1, HEIGHT}, {2 * WIDTH, HEIGHT}, {12, 9}}) {
            assertThatThrownBy(() -> seen.read(seen.usual(), size[0], size[1], ""))
                    .isInstanceOf(IllegalArgumentException.class)
                    .hasMessageContaining("only the same size, or a whole multiple of it");
        }
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void runsReadBackTheSame(long seed) {
        Chance chance = new Chance(seed);
        int width = chance.between(1, 200);
        int height = chance.between(1, 12);
        Mask mask = chance.mask(width, height);
        Field field = chance.field(width, height);
        int[] values = new int[width * height];
        for (int i = 0; i < values.length; i++) {
            values[i] = mask.at(i % width, i / width) ? chance.between(1, chance.toss(0.5) ? 2 : 1 << 24) : 0;
        }
        LabelRuns runs = LabelRuns.of(width, height, values);
        LabelRuns again = LabelRuns.of(width, height, runs.text());
        assertThat(again).isEqualTo(runs);
        assertThat(again.mask()).isEqualTo(mask);
        Regions regions = again.regions(field.mask());
        long inside = 0;
        for (int i = 0; i < values.length; i++) {
            boolean there = values[i] != 0 && field.contains(i % width, i / width);
            assertThat(regions.at(i % width, i / width) >= 0).isEqualTo(there);
            inside += there ? 1 : 0;
        }
        assertThat(IntStream.range(0, regions.count())
                        .mapToLong(regions::pixels)
                        .sum())
                .isEqualTo(inside);
    }

    @Test
    void tornRunsAreRefused() {
        String text = LabelRuns.of(
                        8, 6, IntStream.range(0, 48).map(i -> i * i % 97).toArray())
                .text();
        for (String torn : List.of("", "x", "!!!", text.substring(0, text.length() / 2), "AAAA")) {
            assertThatThrownBy(() -> LabelRuns.of(8, 6, torn)).isInstanceOf(IllegalArgumentException.class);
        }
        String wide = LabelRuns.of(8, 1, new int[] {0, 0, 0, 0, 0, 0, 1, 1}).text();
        assertThatThrownBy(() -> LabelRuns.of(7, 1, wide)).hasMessageContaining("outside its row");
    }

    @Test
    void theStationGivesWhatItIsAskedFor() throws StepFault {
        Picture picture = grey(i -> square(i) ? 255 : 0);
        State start = State.of(picture, Field.whole(WIDTH, HEIGHT), Optional.empty());
        Brought brought = read(picture);
        assertThat(apply("mask", start, brought).needMask().count()).isEqualTo(6);
        assertThat(apply("objects", start, brought).needObjects().count()).isEqualTo(1);
        assertThat(apply("phases", start, brought).needPhases().names()).containsExactly("rest", "chosen");
        Brought classes = new Brought(brought.runs(), List.of("a", "b"), "");
        assertThat(apply("phases", start, classes).needPhases().names()).containsExactly("rest", "a", "b");
        assertThatThrownBy(() -> apply("mask", start, classes)).hasMessageContaining("take them as phases");
        Brought labels = new Brought(brought.runs(), List.of(), "");
        assertThatThrownBy(() -> apply("phases", start, labels)).hasMessageContaining("labels");
        State other = State.of(Picture.grey(Plane8.of(2, 2, new byte[4])), Field.whole(2, 2), Optional.empty());
        assertThatThrownBy(() -> apply("mask", other, brought))
                .hasMessageContaining("8 × 6 px, but this one has 2 × 2");
    }

    private static State apply(String as, State start, Brought brought) throws StepFault {
        var step = Steps.find("bring-mask").orElseThrow();
        Values values = Values.NONE.withTree(step.setting("as").orElseThrow(), as);
        Site none = Site.of("bring-mask-1", "grey", Work.alone());
        assertThatThrownBy(() -> step.make().apply(values).apply(start, none)).hasMessageContaining("none has been");
        Site site = new Site("bring-mask-1", "grey", Optional.of(brought), none.references(), Work.alone());
        assertThat(Map.of("mask", "MASK", "phases", "PHASES", "objects", "OBJECTS"))
                .containsEntry(as, step.gives(values).name());
        return step.make().apply(values).apply(start, site).state();
    }
}
