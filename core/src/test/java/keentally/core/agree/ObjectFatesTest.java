package keentally.core.agree;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashSet;
import java.util.Set;
import java.util.stream.Stream;
import keentally.core.Chance;
import keentally.core.label.Labeller;
import keentally.core.picture.Mask;
import keentally.core.picture.Neighbours;
import keentally.core.region.ObjectSet;
import keentally.core.work.Work;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

class ObjectFatesTest {
    static Stream<Arguments> seeds() {
        return Chance.seeds(200);
    }

    @Test
    void objectsAreTheSamePartedJoinedGoneOrNew() {
        ObjectSet first = of("####.##.##...#....", "####.##.##...#....");
        ObjectSet second = of("#.##.#####.....###", "#.##.#####.....###");
        assertThat(ObjectFates.of(first, second))
                .isEqualTo(new ObjectFates(Set.of(0), Set.of(0, 1), Set.of(1, 2), Set.of(2), Set.of(3), Set.of(3)));
        ObjectFates back = ObjectFates.of(second, first);
        assertThat(back.joined()).containsExactly(0);
        assertThat(back.parted()).containsExactly(2);
        assertThat(ObjectFates.of(first, first))
                .isEqualTo(new ObjectFates(Set.of(), Set.of(), Set.of(), Set.of(), Set.of(), Set.of()));
    }

    @Test
    void halfAnObjectIsNotMoreThanHalf() {
        ObjectFates fates = ObjectFates.of(of("####"), of("##.."));
        assertThat(fates.gone()).isEmpty();
        assertThat(ObjectFates.of(of("####...."), of("..####..")).gone()).containsExactly(0);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void fatesAreToldPixelByPixel(long seed) {
        Chance chance = new Chance(seed);
        int width = chance.between(1, 30);
        int height = chance.between(1, 12);
        ObjectSet first = some(chance, width, height);
        ObjectSet second = some(chance, width, height);
        Set<Integer> parted = new HashSet<>();
        Set<Integer> gone = new HashSet<>();
        for (int i = 0; i < first.count(); i++) {
            int held = 0;
            boolean lies = false;
            for (int j = 0; j < second.count(); j++) {
                long shared = shared(first, first.region(i), second, second.region(j));
                held += 2 * shared > second.regions().pixels(second.region(j)) ? 1 : 0;
                lies |= 2 * shared > first.regions().pixels(first.region(i));
            }
            if (held > 1) {
                parted.add(first.region(i));
            }
            if (held == 0 && !lies) {
                gone.add(first.region(i));
            }
        }
        ObjectFates fates = ObjectFates.of(first, second);
        assertThat(fates.parted()).isEqualTo(parted);
        assertThat(fates.gone()).isEqualTo(gone);
        ObjectFates back = ObjectFates.of(second, first);
        assertThat(back)
                .isEqualTo(new ObjectFates(
                        fates.joined(), fates.pieces(), fates.parts(), fates.parted(), fates.fresh(), fates.gone()));
    }

    private static long shared(ObjectSet a, int one, ObjectSet b, int other) {
        long n = 0;
        for (int y = 0; y < a.regions().height(); y++) {
            for (int x = 0; x < a.regions().width(); x++) {
                n += a.regions().at(x, y) == one && b.regions().at(x, y) == other ? 1 : 0;
            }
        }
        return n;
    }

    private static ObjectSet some(Chance chance, int width, int height) {
        ObjectSet all = of(chance.mask(width, height));
        return all.drop("gate-1", region -> region % 5 == 4);
    }

    private static ObjectSet of(String... rows) {
        byte[] chosen = new byte[rows.length * rows[0].length()];
        for (int i = 0; i < chosen.length; i++) {
            chosen[i] = (byte) (rows[i / rows[0].length()].charAt(i % rows[0].length()) == '#' ? 1 : 0);
        }
        return of(Mask.from(chosen, rows[0].length(), rows.length));
    }

    private static ObjectSet of(Mask mask) {
        return ObjectSet.of(Labeller.regions(mask, Neighbours.EIGHT, Work.alone()));
    }
}
