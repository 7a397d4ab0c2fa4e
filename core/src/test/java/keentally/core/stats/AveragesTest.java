package keentally.core.stats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.Random;
import org.junit.jupiter.api.Test;

class AveragesTest {
    private static final double NAN = Double.NaN;

    @Test
    void numbersOnALine() {
        Averages of = Averages.of(new double[] {4, NAN, 1, 2, 9}, Averaging.PLAIN);
        assertThat(of.count()).isEqualTo(4);
        assertThat(of.mean()).isEqualTo(4);
        assertThat(of.median()).isEqualTo(3);
        assertThat(of.sd()).isEqualTo(Math.sqrt(38 / 4.0));
        assertThat(of.least()).isEqualTo(1);
        assertThat(of.greatest()).isEqualTo(9);
        assertThat(of.vector()).isNaN();
    }

    @Test
    void nothingHasNoAverage() {
        for (Averaging how : Averaging.values()) {
            Averages of = Averages.of(new double[] {NAN}, how);
            assertThat(of.count()).isZero();
            assertThat(of.mean()).isNaN();
            assertThat(of.median()).isNaN();
            assertThat(of.vector()).isNaN();
        }
    }

    @Test
    void linesThatAreNearlyUprightAreUprightInTheMean() {
        Averages of = Averages.of(new double[] {-89, 89}, Averaging.AXIAL);
        assertThat(of.mean()).isCloseTo(90, within(1e-9));
        assertThat(of.median()).isCloseTo(90, within(1e-9));
        assertThat(of.sd()).isCloseTo(1, within(1e-9));
        assertThat(of.vector()).isCloseTo(Math.cos(Math.toRadians(2)), within(1e-12));
        assertThat(Averages.of(new double[] {80, -80, -85}, Averaging.AXIAL).median())
                .isEqualTo(-85);
    }

    @Test
    void reddishHuesAreRedInTheMean() {
        Averages of = Averages.of(new double[] {350, 10, 30}, Averaging.CIRCULAR);
        assertThat(of.mean()).isCloseTo(10, within(1e-9));
        assertThat(of.median()).isEqualTo(10);
        assertThat(Averages.of(new double[] {355, 5}, Averaging.CIRCULAR).mean() % 360)
                .satisfiesAnyOf(
                        m -> assertThat(m).isCloseTo(0, within(1e-9)),
                        m -> assertThat(m).isCloseTo(360, within(1e-9)));
    }

    @Test
    void directionsThatCancelOutHaveNoMean() {
        assertThat(Averages.of(new double[] {0, 90}, Averaging.AXIAL).mean()).isNaN();
        assertThat(Averages.of(new double[] {0, 90}, Averaging.AXIAL).vector()).isZero();
        assertThat(Averages.of(new double[] {10, 190}, Averaging.CIRCULAR).median())
                .isNaN();
    }

    /** Lines that are turned together turn their mean and median by as much; far from the seam both are those of plain numbers. */
    @Test
    void averagesTurnWithTheDirections() {
        Random random = new Random(5);
        for (int run = 0; run < 500; run++) {
            double middle = random.nextDouble(-20, 20);
            double[] near = random.doubles(1 + random.nextInt(9), -30, 30)
                    .map(v -> v + middle)
                    .toArray();
            double turn = random.nextDouble(-400, 400);
            double[] turned =
                    Arrays.stream(near).map(v -> Averaging.AXIAL.told(v + turn)).toArray();
            Averages plain = Averages.of(near, Averaging.PLAIN);
            Averages axial = Averages.of(near, Averaging.AXIAL);
            Averages moved = Averages.of(turned, Averaging.AXIAL);
            assertThat(axial.median()).as("run %d", run).isCloseTo(plain.median(), within(1e-9));
            assertThat(Averaging.AXIAL.apart(axial.mean() + turn, moved.mean())).isCloseTo(0, within(1e-7));
            assertThat(Averaging.AXIAL.apart(axial.median() + turn, moved.median()))
                    .isCloseTo(0, within(1e-7));
            assertThat(moved.mean()).isGreaterThan(-90).isLessThanOrEqualTo(90);
        }
    }
}
