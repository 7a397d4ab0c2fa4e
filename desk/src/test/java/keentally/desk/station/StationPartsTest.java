package keentally.desk.station;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import keentally.core.picture.Field;
import keentally.core.picture.Plane8;
import keentally.core.picture.PlaneF;
import keentally.core.stats.Histogram;
import keentally.core.work.Work;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class StationPartsTest {
    @ParameterizedTest
    @CsvSource({
        "10 px, 1.1, 11 px",
        "35 um2, 0.9, 31.5 um2",
        "1.234 mm, 1.1, 1.36 mm",
        "0 px, 1.1, 1 px",
        "0.001 um, 0.9, 0.0009 um"
    })
    void amountsAreMadeATenthSmallerOrLarger(String text, double factor, String expected) {
        assertThat(Stepper.scaled(text, factor)).contains(expected);
    }

    @Test
    void aWordHasNoTenth() {
        assertThat(Stepper.scaled("all", 1.1)).isEmpty();
    }

    @Test
    void theProfileSpansTheLevelsThatOccurAndSharesThemOut() {
        byte[] values = {10, 10, 10, 20, 30, 30, 90, 90, 90, 90};
        Plane8 plane = Plane8.of(10, 1, values);
        LevelProfile profile = LevelProfile.of(plane, Histogram.of(plane, Field.whole(10, 1), Work.alone()));
        assertThat(profile.low()).isEqualTo(10);
        assertThat(profile.high()).isEqualTo(90);
        assertThat(profile.whole()).isTrue();
        assertThat(Arrays.stream(profile.rows()).sum()).isEqualTo(10);
        assertThat(profile.tallest()).isEqualTo(4);
        assertThat(profile.percentUpTo(9)).isZero();
        assertThat(profile.percentUpTo(10)).isCloseTo(30, within(1e-9));
        assertThat(profile.percentUpTo(29.5)).isCloseTo(40, within(1e-9));
        assertThat(profile.percentUpTo(90)).isCloseTo(100, within(1e-9));
    }

    /** What occurs equally often stands equally long, without gaps, however many levels share a row. */
    @ParameterizedTest
    @ValueSource(ints = {2, 100, 211, 240, 241, 1000, 65536})
    void rowsHoldAsManyLevels(int levels) {
        long[] counts = new long[levels];
        Arrays.fill(counts, 3);
        Plane8 any = Plane8.of(1, 1, new byte[1]);
        LevelProfile profile = LevelProfile.of(any, Histogram.ofLevels(counts));
        assertThat(Arrays.stream(profile.rows()).sum()).isEqualTo(3L * levels);
        assertThat(Arrays.stream(profile.rows())
                        .limit(profile.rows().length - 1)
                        .distinct())
                .hasSize(1);
        assertThat(profile.rows()).hasSizeBetween(Math.min(levels, 120), 240);
        assertThat(profile.rows()[profile.rows().length - 1]).isBetween(3L, profile.tallest());
    }

    @Test
    void aProfileOfOneValueIsStillOne() {
        PlaneF plane = PlaneF.of(2, 1, new float[] {5, 5});
        LevelProfile profile = LevelProfile.of(plane, Histogram.of(plane, Field.whole(2, 1), Work.alone()));
        assertThat(profile.low()).isEqualTo(profile.high()).isEqualTo(5);
        assertThat(profile.percentUpTo(5)).isCloseTo(100, within(1e-9));
    }
}
