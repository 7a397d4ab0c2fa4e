package keentally.core.run;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import keentally.core.Chance;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.PhaseMap;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane;
import keentally.core.picture.Plane16;
import keentally.core.picture.Plane8;
import keentally.core.picture.PlaneF;
import keentally.core.work.Cancel;
import keentally.core.work.Work;
import keentally.core.work.Workers;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

class PhaseSumsTest {
    private static final int WIDTH = 23;
    private static final int HEIGHT = 40;

    static Stream<Arguments> seeds() {
        return Chance.seeds(60);
    }

    /** Whole numbers of 8 bits are counted by value, others are gone over twice. */
    @ParameterizedTest
    @MethodSource("seeds")
    void meanAndSpreadAreThoseOfThePixelsAtEveryDepth(long seed) {
        Chance chance = new Chance(seed);
        byte[] bytes = new byte[WIDTH * HEIGHT];
        short[] shorts = new short[bytes.length];
        float[] floats = new float[bytes.length];
        for (int i = 0; i < bytes.length; i++) {
            int value = chance.between(0, 255);
            bytes[i] = (byte) value;
            shorts[i] = (short) value;
            floats[i] = value;
        }
        Mask mask = chance.toss(0.1) ? Mask.empty(WIDTH, HEIGHT) : chance.mask(WIDTH, HEIGHT);
        byte[] corner = new byte[bytes.length];
        corner[0] = 1;
        Field field = chance.toss(0.5)
                ? Field.whole(WIDTH, HEIGHT)
                : Field.of(chance.mask(WIDTH, HEIGHT).or(Mask.from(corner, WIDTH, HEIGHT)));
        PhaseMap phases = PhaseMap.of(mask.and(field.mask()), field);
        for (Plane plane : List.of(
                Plane8.of(WIDTH, HEIGHT, bytes), Plane16.of(WIDTH, HEIGHT, shorts), PlaneF.of(WIDTH, HEIGHT, floats))) {
            List<PhaseReading> found =
                    PhaseSums.of(phases, plane, Picture.grey(plane), field, new Work(Workers.of(2), new Cancel()));
            for (int phase = 0; phase < 2; phase++) {
                int number = phase;
                double[] values = IntStream.range(0, bytes.length)
                        .filter(i -> (phases.map().values()[i] & 0xff) == number)
                        .mapToDouble(i -> bytes[i] & 0xff)
                        .toArray();
                double mean = Arrays.stream(values).sum() / values.length;
                double squares =
                        Arrays.stream(values).map(v -> (v - mean) * (v - mean)).sum();
                PhaseReading reading = found.get(phase);
                assertThat(reading.pixels()).isEqualTo(values.length);
                if (values.length == 0) {
                    assertThat(reading.mean()).isNaN();
                    assertThat(reading.sd()).isNaN();
                } else {
                    assertThat(reading.mean()).isCloseTo(mean, within(1e-10));
                    assertThat(reading.sd()).isCloseTo(Math.sqrt(squares / values.length), within(1e-10));
                }
            }
        }
    }
}
