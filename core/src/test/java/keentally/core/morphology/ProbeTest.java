package keentally.core.morphology;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.function.BiPredicate;
import java.util.stream.Stream;
import keentally.core.Chance;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.work.Cancel;
import keentally.core.work.Work;
import keentally.core.work.Workers;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

class ProbeTest {
    static Stream<Arguments> seeds() {
        return Chance.seeds(1500);
    }

    private static Element element(Chance chance) {
        double radius = chance.toss(0.2)
                ? chance.between(17.0, 60)
                : chance.toss(0.5) ? chance.between(0, 6) : chance.between(0.0, 6);
        return switch (chance.between(0, 2)) {
            case 0 -> new Element.Disk(radius);
            case 1 -> new Element.Square(radius);
            default ->
                new Element.Line(radius, chance.toss(0.4) ? 45 * chance.between(-4, 4) : chance.between(-180.0, 180));
        };
    }

    /** Whether a place belongs to an element, by its definition. */
    private static BiPredicate<Integer, Integer> belongs(Element element) {
        return switch (element) {
            case Element.Disk d -> (dx, dy) -> dx * dx + dy * dy <= d.radius() * d.radius();
            case Element.Square s -> (dx, dy) -> Math.max(Math.abs(dx), Math.abs(dy)) <= s.radius();
            case Element.Line l -> (dx, dy) -> onLine(l, dx, dy);
        };
    }

    private static boolean onLine(Element.Line line, int dx, int dy) {
        double angle = Math.toRadians(line.angleDegrees());
        double x = Math.cos(angle);
        double y = -Math.sin(angle);
        boolean flat = Math.abs(x) >= Math.abs(y);
        double along = flat ? dx : dy;
        double reach = line.radius() * Math.max(Math.abs(x), Math.abs(y));
        double other = flat ? dx * y / x : dy * x / y;
        return Math.abs(along) <= reach + 1e-9
                && Math.abs((flat ? dy : dx) - other) <= 0.5 + 1e-9
                && (flat ? dy : dx) == Math.signum(other) * Math.floor(Math.abs(other) + 0.5);
    }

    /** Pixels of {@code where} on which the element meets {@code met}. */
    private static Mask meets(Mask where, Mask met, Element element) {
        BiPredicate<Integer, Integer> belongs = belongs(element);
        byte[] out = new byte[where.width() * where.height()];
        for (int y = 0; y < where.height(); y++) {
            for (int x = where.nextSet(y, 0); x < where.width(); x = where.nextSet(y, x + 1)) {
                for (int v = 0; v < met.height(); v++) {
                    for (int u = met.nextSet(v, 0); u < met.width(); u = met.nextSet(v, u + 1)) {
                        if (belongs.test(u - x, v - y)) {
                            out[y * where.width() + x] = 1;
                        }
                    }
                }
            }
        }
        return Mask.from(out, where.width(), where.height());
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void everyProbeAgreesWithItsDefinition(long seed) {
        Chance chance = new Chance(seed);
        int width = chance.between(1, chance.toss(0.15) ? 80 : 15);
        int height = chance.between(1, 12);
        Field field = chance.field(width, height);
        Mask mask = field.clip(chance.mask(width, height));
        Element element = element(chance);
        Probe probe = Probe.of(element, field, new Work(Workers.of(2), new Cancel()));
        Mask dilated = meets(field.mask(), mask, element);
        Mask eroded = mask.minus(meets(mask, field.mask().minus(mask), element));
        assertThat(probe.dilate(mask)).as("%s", element).isEqualTo(dilated);
        assertThat(probe.erode(mask)).as("%s", element).isEqualTo(eroded);
        assertThat(probe.open(mask)).isEqualTo(probe.dilate(eroded));
        assertThat(probe.close(mask)).isEqualTo(probe.erode(dilated));
    }

    @Test
    void radiiBelowOneAndBeyondThePictureAreTaken() {
        Field field = Field.whole(5, 4);
        byte[] one = new byte[20];
        one[7] = 1;
        Mask mask = Mask.from(one, 5, 4);
        for (Element small : new Element[] {new Element.Disk(0.9), new Element.Square(0), new Element.Line(0.5, 30)}) {
            assertThat(Probe.of(small, field, Work.alone()).dilate(mask)).isEqualTo(mask);
        }
        for (Element huge : new Element[] {new Element.Disk(9e5), new Element.Square(9e5)}) {
            assertThat(Probe.of(huge, field, Work.alone()).dilate(mask)).isEqualTo(Mask.full(5, 4));
            assertThat(Probe.of(huge, field, Work.alone()).erode(Mask.full(5, 4)))
                    .isEqualTo(Mask.full(5, 4));
        }
        assertThatThrownBy(() -> new Element.Disk(-1)).hasMessageContaining("from 0 to 1,000,000");
        assertThatThrownBy(() -> new Element.Line(Double.NaN, 0)).isInstanceOf(IllegalArgumentException.class);
    }
}
