package keentally.core.run;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import keentally.core.Chance;
import keentally.core.method.Held;
import keentally.core.method.Method;
import keentally.core.method.MethodStep;
import keentally.core.method.MethodTree;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane;
import keentally.core.picture.Plane16;
import keentally.core.picture.Plane8;
import keentally.core.picture.PlaneF;
import keentally.core.quantity.LengthUnit;
import keentally.core.setting.Values;
import keentally.core.step.ClusterStep;
import keentally.core.step.LevelsStep;
import keentally.core.step.ThresholdStep;
import keentally.core.work.Cancel;
import keentally.core.work.Workers;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class HoldingTest {
    private static final LocalDate DAY = LocalDate.of(2026, 11, 28);

    private final Runner runner = new Runner(Workers.alone(), new StateCache(0));

    static IntStream seeds() {
        return IntStream.range(0, 40);
    }

    private static Sample sample(Picture picture) {
        return Sample.of("k" + System.identityHashCode(picture), picture, List.of(), Optional.empty());
    }

    private Values found(Method method, List<Picture> pictures) throws RunFault {
        Holding holding = new Holding(method.steps().getLast(), runner, new Cancel());
        for (Picture picture : pictures) {
            holding.add(method, sample(picture));
        }
        return holding.found(method);
    }

    private static int value(Chance chance, int depth) {
        int level = chance.below(3) * (depth / 4) + chance.below(depth / 3);
        return Math.min(level, depth - 1);
    }

    /** A plane of some rows, of one of three depths. */
    private static Plane plane(Chance chance, int kind, int width, int height) {
        int n = width * height;
        switch (kind) {
            case 0 -> {
                byte[] bytes = new byte[n];
                for (int i = 0; i < n; i++) {
                    bytes[i] = (byte) value(chance, 256);
                }
                return Plane8.of(width, height, bytes);
            }
            case 1 -> {
                short[] shorts = new short[n];
                for (int i = 0; i < n; i++) {
                    shorts[i] = (short) value(chance, 65536);
                }
                return Plane16.of(width, height, shorts);
            }
            default -> {
                float[] floats = new float[n];
                for (int i = 0; i < n; i++) {
                    floats[i] = value(chance, 4000) / 777f;
                }
                return PlaneF.of(width, height, floats);
            }
        }
    }

    private static Plane below(List<Plane> planes) {
        int width = planes.getFirst().width();
        int height = planes.stream().mapToInt(Plane::height).sum();
        float[] all = new float[width * height];
        int y = 0;
        for (Plane plane : planes) {
            for (int row = 0; row < plane.height(); row++) {
                plane.readRow(row, 0, width, all, y++ * width);
            }
        }
        return switch (planes.getFirst()) {
            case Plane8 p -> {
                byte[] bytes = new byte[all.length];
                IntStream.range(0, all.length).forEach(i -> bytes[i] = (byte) all[i]);
                yield Plane8.of(width, height, bytes);
            }
            case Plane16 p -> {
                short[] shorts = new short[all.length];
                IntStream.range(0, all.length).forEach(i -> shorts[i] = (short) (int) all[i]);
                yield Plane16.of(width, height, shorts);
            }
            case PlaneF p -> PlaneF.of(width, height, all);
        };
    }

    private static final List<Method> ON_GREY = List.of(
            Method.empty("m", LengthUnit.PX).then("threshold", "rule", "otsu"),
            Method.empty("m", LengthUnit.PX).then("threshold", "rule", "share", "share", 30),
            Method.empty("m", LengthUnit.PX).then("levels", "count", 3),
            Method.empty("m", LengthUnit.PX).then("levels", "by", "quantiles", "count", 2),
            Method.empty("m", LengthUnit.PX).then("stretch"),
            Method.empty("m", LengthUnit.PX).then("cluster", "k", 3));

    /** Fitted to several pictures together, all find what they find on the pictures joined. */
    @ParameterizedTest
    @MethodSource("seeds")
    void whatIsFoundTogetherIsFoundOnTheJoinedPicture(int seed) throws RunFault {
        Chance chance = new Chance(seed);
        int width = chance.between(5, 30);
        List<Plane> planes = new ArrayList<>();
        for (int i = 0; i < chance.between(2, 4); i++) {
            planes.add(plane(chance, seed % 3, width, chance.between(4, 20)));
        }
        List<Picture> pictures = planes.stream().map(Picture::grey).toList();
        for (Method method : ON_GREY) {
            assertThat(found(method, pictures)).isEqualTo(found(method, List.of(Picture.grey(below(planes)))));
        }
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void coloursOfSeveralPicturesAreClusteredAsOfTheJoinedOne(int seed) throws RunFault {
        Chance chance = new Chance(seed);
        int width = chance.between(5, 20);
        List<List<Plane>> channels = List.of(new ArrayList<>(), new ArrayList<>(), new ArrayList<>());
        List<Picture> pictures = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            int height = chance.between(4, 12);
            channels.forEach(c -> c.add(plane(chance, 0, width, height)));
            pictures.add(Picture.colour(
                    channels.get(0).getLast(),
                    channels.get(1).getLast(),
                    channels.get(2).getLast()));
        }
        Picture joined = Picture.colour(below(channels.get(0)), below(channels.get(1)), below(channels.get(2)));
        Method method = Method.empty("m", LengthUnit.PX).then("cluster", "k", 3, "space", "lab");
        Values held = found(method, pictures);
        assertThat(held).isEqualTo(found(method, List.of(joined)));
        assertThat(held.find(ClusterStep.CENTRES).orElseThrow())
                .hasSize(3)
                .allSatisfy(c -> assertThat(c).hasSize(3));
    }

    /** Held on one sample, it gives there what it gave when it was fitted. */
    @ParameterizedTest
    @MethodSource("seeds")
    void heldOnASampleItGivesTheSameThere(int seed) throws Exception {
        Chance chance = new Chance(seed);
        Picture picture = Picture.grey(plane(chance, seed % 3, 30, 20));
        for (Method method : ON_GREY) {
            MethodStep step = method.steps().getFirst();
            Method held =
                    method.hold(step.id(), found(method, List.of(picture)), new Held(step.values(), List.of("a"), DAY));
            assertThat(held.steps().getFirst().fitting()).isEmpty();
            Method read = MethodTree.read(MethodTree.write(held));
            assertThat(MethodTree.write(read)).isEqualTo(MethodTree.write(held));
            assertThat(read.steps().getFirst().held()).isPresent();
            State of = new State(run(method, picture), run(read, picture));
            assertThat(of.second.mask()).isEqualTo(of.first.mask());
            assertThat(of.second.phases().map(p -> Arrays.hashCode(p.map().values())))
                    .isEqualTo(
                            of.first.phases().map(p -> Arrays.hashCode(p.map().values())));
            assertThat(values(of.second)).isEqualTo(values(of.first));
            assertThat(held.free(step.id()).steps().getFirst().values()).isEqualTo(step.values());
        }
    }

    private record State(keentally.core.step.State first, keentally.core.step.State second) {}

    private keentally.core.step.State run(Method method, Picture picture) throws RunFault {
        return runner.run(method, sample(picture), 99, new Cancel(), Progress.SILENT)
                .last();
    }

    private static List<Float> values(keentally.core.step.State state) {
        Plane plane = state.current().single().orElseThrow();
        List<Float> values = new ArrayList<>();
        for (int y = 0; y < plane.height(); y++) {
            for (int x = 0; x < plane.width(); x++) {
                values.add(plane.at(x, y));
            }
        }
        return values;
    }

    @Test
    void whatAHandMovesIsHeldNoMore() throws RunFault {
        Picture picture = Picture.grey(plane(new Chance(1), 0, 30, 20));
        Method method = ON_GREY.getFirst();
        MethodStep step = method.steps().getFirst();
        Held origin = new Held(step.values(), List.of("a", "b"), DAY);
        Method held = method.hold(step.id(), found(method, List.of(picture)), origin);
        MethodStep moved = held.steps().getFirst();
        assertThat(moved.with(moved.values()).held()).contains(origin);
        assertThat(moved.muted(true).held()).contains(origin);
        Values other = held.then("threshold", "rule", "manual", "cut", 3)
                .steps()
                .getLast()
                .values();
        assertThat(held.with(step.id(), other).steps().getFirst().held()).isEmpty();
        assertThat(MethodTree.canonical(held)).isEqualTo(MethodTree.canonical(held.with(step.id(), moved.values())));
    }

    /** Another side or other names leave a step held; another rule or number of groups makes it find anew. */
    @Test
    void onlyWhatTheFindingHangsOnLetsGo() throws RunFault {
        Picture picture = Picture.grey(plane(new Chance(1), 0, 30, 20));
        Method cut = ON_GREY.getFirst();
        Held origin = new Held(cut.steps().getFirst().values(), List.of("a"), DAY);
        MethodStep held = cut.hold("threshold-1", found(cut, List.of(picture)), origin)
                .steps()
                .getFirst();
        MethodStep dark = held.with(held.values().withTree(ThresholdStep.KEEP, "dark"));
        assertThat(dark.held().orElseThrow().free()).isEqualTo(origin.free().withTree(ThresholdStep.KEEP, "dark"));
        assertThat(dark.values().find(ThresholdStep.CUT))
                .isEqualTo(held.values().find(ThresholdStep.CUT));
        assertThat(held.isHeld(ThresholdStep.CUT)).isTrue();
        assertThat(held.isHeld(ThresholdStep.KEEP)).isFalse();
        MethodStep ruled = held.with(held.values().withTree(ThresholdStep.RULE, "triangle"));
        assertThat(ruled.held()).isEmpty();
        assertThat(ruled.fitting()).isPresent();
        Method groups = ON_GREY.getLast();
        Held three = new Held(groups.steps().getFirst().values(), List.of("a"), DAY);
        MethodStep clusters = groups.hold("cluster-1", found(groups, List.of(picture)), three)
                .steps()
                .getFirst();
        MethodStep four = clusters.with(clusters.values().withTree(ClusterStep.K, 4));
        assertThat(four.held()).isEmpty();
        assertThat(four.values()).isEqualTo(three.free().withTree(ClusterStep.K, 4));
        MethodStep named = clusters.with(clusters.values().withTree(LevelsStep.NAMES, List.of("x", "y", "z")));
        assertThat(named.held()).isPresent();
    }

    @Test
    void whatCannotBeTakenTogetherIsSaid() {
        Picture grey = Picture.grey(plane(new Chance(1), 0, 30, 20));
        Picture deep = Picture.grey(plane(new Chance(1), 1, 30, 20));
        Plane red = plane(new Chance(1), 0, 30, 20);
        Method cluster = ON_GREY.getLast();
        assertThatThrownBy(() -> found(cluster, List.of(grey, Picture.colour(red, red, red))))
                .hasMessageContaining("cannot be fitted to these samples together: one picture has");
        assertThatThrownBy(() -> found(cluster, List.of(grey, deep)))
                .hasMessageContaining("of 8 bits, another")
                .hasMessageContaining("of 16 bits");
        Method placed = Method.empty("m", LengthUnit.PX).then("cluster", "positionWeight", 1);
        assertThatThrownBy(() -> found(placed, List.of(grey))).hasMessageContaining("while the place has a weight");
    }
}
