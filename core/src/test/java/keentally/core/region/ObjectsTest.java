package keentally.core.region;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import keentally.core.label.Labeller;
import keentally.core.picture.Mask;
import keentally.core.picture.Neighbours;
import keentally.core.work.Work;
import org.junit.jupiter.api.Test;

class ObjectsTest {
    /** Four single pixels in one row. */
    private static final ObjectSet FOUR =
            ObjectSet.of(Labeller.regions(Mask.of(8, 1, new long[] {0b01010101}), Neighbours.EIGHT, Work.alone()));

    @Test
    void numbersCloseUpAfterDrops() {
        ObjectSet two = FOUR.drop("gate-1", region -> region == 0 || region == 2);
        assertThat(two.count()).isEqualTo(2);
        assertThat(two.number(0)).isZero();
        assertThat(two.number(1)).isEqualTo(1);
        assertThat(two.number(3)).isEqualTo(2);
        assertThat(two.region(1)).isEqualTo(3);
        assertThat(two.mask().count()).isEqualTo(2);
    }

    @Test
    void whatIsDroppedKeepsTheStationThatDroppedItFirst() {
        ObjectSet after = FOUR.drop("edge-1", region -> region == 0).drop("gate-1", region -> region < 2);
        assertThat(after.droppedBy(0)).isEqualTo("edge-1");
        assertThat(after.droppedBy(1)).isEqualTo("gate-1");
        assertThat(after.droppedBy(2)).isEmpty();
        assertThat(after.dropped("edge-1")).isEqualTo(1);
        assertThat(after.dropped("gate-1")).isEqualTo(1);
        assertThat(after.dropped("nobody")).isZero();
    }

    @Test
    void droppingLeavesTheEarlierObjectsAlone() {
        FOUR.drop("gate-1", region -> true);
        assertThat(FOUR.count()).isEqualTo(4);
        assertThat(FOUR.mask().count()).isEqualTo(4);
    }

    @Test
    void whoQualifiesIsAskedOnceOfEachHoweverManyRunsItHas() {
        List<Integer> asked = new ArrayList<>();
        Regions comb = Labeller.regions(
                Mask.of(8, 3, new long[] {0b01010101, 0b01111111, 0b01010101}), Neighbours.FOUR, Work.alone());
        assertThat(comb.runCount()).isEqualTo(9);
        assertThat(comb.mask(asked::add).count()).isEqualTo(15);
        assertThat(comb.lines(asked::add).count()).isZero();
        assertThat(comb.touching(asked::add)).isEmpty();
        assertThat(asked).containsExactly(0, 0, 0);
    }
}
