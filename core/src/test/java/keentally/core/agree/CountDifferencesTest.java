package keentally.core.agree;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import keentally.core.agree.CountDifferences.Pair;
import org.junit.jupiter.api.Test;

class CountDifferencesTest {
    @Test
    void theLimitsLieAboutTheMeanDifference() {
        CountDifferences all =
                CountDifferences.of(List.of(new Pair("a", 10, 12), new Pair("b", 20, 19), new Pair("c", 30, 35)));
        assertThat(all.mean()).isEqualTo(2, within(1e-12));
        assertThat(all.sd()).isEqualTo(3, within(1e-12));
        assertThat(all.lower()).isEqualTo(2 - 1.96 * 3, within(1e-12));
        assertThat(all.upper()).isEqualTo(2 + 1.96 * 3, within(1e-12));
        assertThat(all.pairs().getFirst().mean()).isEqualTo(11);
    }

    @Test
    void oneSampleHasNoLimits() {
        CountDifferences one = CountDifferences.of(List.of(new Pair("a", 4, 7)));
        assertThat(one.mean()).isEqualTo(3);
        assertThat(one.upper()).isNaN();
    }
}
