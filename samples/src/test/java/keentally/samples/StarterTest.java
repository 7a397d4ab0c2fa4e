package keentally.samples;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import keentally.core.draw.ShapeRenderer;
import keentally.core.geometry.Ellipse;
import keentally.core.method.Method;
import keentally.core.picture.Field;
import keentally.core.picture.Picture;
import keentally.core.picture.PlaneF;
import keentally.core.quantity.LengthUnit;
import keentally.core.run.Progress;
import keentally.core.run.Readings;
import keentally.core.run.Runner;
import keentally.core.run.Sample;
import keentally.core.run.StateCache;
import keentally.core.starter.Starter;
import keentally.core.starter.Suggestion;
import keentally.core.starter.Whole;
import keentally.core.step.State;
import keentally.core.work.Cancel;
import keentally.core.work.Work;
import keentally.core.work.Workers;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Starters on pictures that look like nothing in the demo: the right share at once, or nearly. */
class StarterTest {
    private static final double NEAR = 2;

    /**
     * A picture nobody has seen.
     *
     * @param phase whose share is asked for, at the method's end
     */
    private record Unseen(String name, Picture picture, Starter starter, int phase, double percent) {
        @Override
        public String toString() {
            return name;
        }
    }

    static Stream<Unseen> unseen() {
        PlaneF rings = Drawing.discs(1, 14, 18, 34);
        PlaneF few = Drawing.discs(2, 5, 26, 40);
        PlaneF many = Drawing.discs(3, 160, 5, 9);
        PlaneF bars = Drawing.stripes(11, 17);
        PlaneF thin = Drawing.stripes(6, 30);
        PlaneF one = new ShapeRenderer(Drawing.WIDTH, Drawing.HEIGHT)
                .add(new Ellipse(200, 150, 150, 90, 20))
                .coverage();
        return Stream.of(
                new Unseen(
                        "bright plates on dark",
                        Drawing.grey(rings, 4000, 22000, 900, 0, 10),
                        Starter.BRIGHT,
                        1,
                        Drawing.share(rings)),
                new Unseen(
                        "dark pores in pale stone",
                        Drawing.grey(few, 30000, 12000, 1500, 0.1, 11),
                        Starter.DARK,
                        1,
                        Drawing.share(few)),
                new Unseen(
                        "many bright dots",
                        Drawing.grey(many, 900, 5200, 260, 0.1, 12),
                        Starter.BRIGHT,
                        1,
                        Drawing.share(many)),
                new Unseen(
                        "dark bars",
                        Drawing.grey(bars, 50000, 20000, 2500, 0, 13),
                        Starter.DARK,
                        1,
                        Drawing.share(bars)),
                new Unseen(
                        "thin bright threads",
                        Drawing.grey(thin, 6000, 40000, 1800, 0, 14),
                        Starter.BRIGHT,
                        1,
                        Drawing.share(thin)),
                new Unseen(
                        "a moss cushion on sand",
                        Drawing.colour(0xd9c9a0, one, 0x4d7a35, 0.08, 20),
                        Starter.COLOUR,
                        1,
                        Drawing.share(one)),
                new Unseen(
                        "red beads on slate",
                        Drawing.colour(0x56606a, rings, 0xb4372c, 0.05, 30),
                        Starter.COLOUR,
                        1,
                        Drawing.share(rings)),
                new Unseen(
                        "blue paint spots on white",
                        Drawing.colour(0xf0efe9, many, 0x2f5fae, 0.03, 40),
                        Starter.COLOUR,
                        1,
                        Drawing.share(many)),
                new Unseen(
                        "two shades of clay",
                        Drawing.colour(0xc78f60, few, 0x6e4630, 0.05, 50),
                        Starter.SHADES,
                        0,
                        Drawing.share(few)),
                new Unseen("lilac stain on glass", Drawing.stained(rings), Starter.DYES, 1, Drawing.share(rings)));
    }

    @ParameterizedTest
    @MethodSource("unseen")
    void theShareIsRightOrNearlyAtOnce(Unseen unseen) throws Exception {
        Runner runner = new Runner(Workers.alone(), new StateCache(0));
        Sample sample = Sample.of(unseen.name(), unseen.picture(), List.of(), Optional.empty());
        State start = State.of(sample.picture(), sample.field(), sample.scale());
        Method method = Drawing.laid(unseen.starter(), start).stream()
                .filter(l -> l.of() == Whole.PICTURE)
                .findFirst()
                .orElseThrow()
                .method();
        Readings readings =
                runner.readings(runner.run(method, sample, 99, new Cancel(), Progress.SILENT), new Cancel());
        assertThat(readings.fractions().get(unseen.phase()).percent()).isCloseTo(unseen.percent(), within(NEAR));
    }

    /** The dyes of a dough on glass are shared out within the dough: more of it than of the whole field. */
    @Test
    void dyesCanBeSharedOutWithinTheSampleAlone() throws Exception {
        Picture glass = DyedDough.draw(Work.alone()).picture();
        State start = State.of(glass, Field.whole(glass.width(), glass.height()), Optional.empty());
        Sample sample = Sample.of("dough", glass, List.of(), Optional.empty());
        Runner runner = new Runner(Workers.alone(), new StateCache(0));
        Map<Whole, Double> shares = new EnumMap<>(Whole.class);
        for (Suggestion suggestion : Drawing.laid(Starter.DYES, start)) {
            State end = runner.run(suggestion.method(), sample, 99, new Cancel(), Progress.SILENT)
                    .last();
            shares.put(suggestion.of(), suggestion.answer(end, Work.alone()).value());
        }
        assertThat(Drawing.laid(Starter.DYES, start).getFirst().of()).isEqualTo(Whole.SAMPLE);
        assertThat(shares.get(Whole.SAMPLE)).isGreaterThan(1.05 * shares.get(Whole.PICTURE));
        Picture grey = Drawing.grey(Drawing.discs(1, 5, 10, 20), 10, 200, 3, 0, 5);
        State without = State.of(grey, Field.whole(Drawing.WIDTH, Drawing.HEIGHT), Optional.empty());
        assertThat(Drawing.laid(Starter.BRIGHT, without))
                .extracting(Suggestion::of)
                .containsExactly(Whole.PICTURE);
    }

    @Test
    void aGreyPictureIsNotAskedForColours() {
        Picture picture = Drawing.grey(Drawing.discs(1, 5, 10, 20), 10, 200, 3, 0, 5);
        State start = State.of(picture, Field.whole(Drawing.WIDTH, Drawing.HEIGHT), Optional.empty());
        Method empty = Method.empty("new", LengthUnit.PX);
        assertThat(Drawing.laid(Starter.COLOUR, start)).isEmpty();
        assertThat(Drawing.laid(Starter.DYES, start)).isEmpty();
        assertThat(Drawing.first(Starter.BRIGHT, start).steps()).hasSize(2);
    }
}
