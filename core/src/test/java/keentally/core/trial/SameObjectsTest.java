package keentally.core.trial;

import static org.assertj.core.api.Assertions.assertThat;

import keentally.core.label.Labeller;
import keentally.core.picture.Mask;
import keentally.core.picture.Neighbours;
import keentally.core.region.ObjectSet;
import keentally.core.work.Work;
import org.junit.jupiter.api.Test;

class SameObjectsTest {
    private static final String[] TWO = {
        ".###..###", //
        ".###..###",
        ".###..###"
    };

    @Test
    void anObjectWhoseBorderMovedStaysItself() {
        String[] wider = {
            "####..###", //
            "####..###",
            "####..###"
        };
        assertThat(SameObjects.unlike(of(TWO), of(wider))).isEqualTo(3);
        assertThat(SameObjects.unlike(of(wider), of(TWO))).isEqualTo(3);
        assertThat(SameObjects.unlike(of(TWO), of(TWO))).isZero();
    }

    @Test
    void anObjectThatWasPartedGoesOnInItsLargestPart() {
        String[] whole = {
            "#########", //
            "#########"
        };
        String[] parted = {
            "##.######", //
            "##.######"
        };
        assertThat(SameObjects.unlike(of(whole), of(parted))).isEqualTo(2 * (1 + 2));
        assertThat(SameObjects.unlike(of(parted), of(whole))).isEqualTo(2 * (1 + 2));
    }

    @Test
    void theLargestPartCountsAndOfEqualOnesTheFirst() {
        assertThat(SameObjects.unlike(of(".########"), of("####.####"))).isEqualTo(1 + 3 + 1);
        assertThat(SameObjects.unlike(of("#########"), of("####.####"))).isEqualTo(1 + 4);
    }

    @Test
    void whatWasDroppedIsInNoObject() {
        ObjectSet one = of(TWO).drop("gate-1", region -> region == 1);
        assertThat(SameObjects.unlike(of(TWO), one)).isEqualTo(9);
        assertThat(SameObjects.unlike(of(TWO), of(".........", ".........", ".........")))
                .isEqualTo(18);
    }

    private static ObjectSet of(String... rows) {
        byte[] chosen = new byte[rows.length * rows[0].length()];
        for (int i = 0; i < chosen.length; i++) {
            chosen[i] = (byte) (rows[i / rows[0].length()].charAt(i % rows[0].length()) == '#' ? 1 : 0);
        }
        Mask mask = Mask.from(chosen, rows[0].length(), rows.length);
        return ObjectSet.of(Labeller.regions(mask, Neighbours.EIGHT, Work.alone()));
    }
}
