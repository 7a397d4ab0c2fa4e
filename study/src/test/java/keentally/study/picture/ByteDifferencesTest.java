package keentally.study.picture;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;

class ByteDifferencesTest {
    private static long plain(byte[] a, int fromA, byte[] b, int fromB, int n) {
        long sum = 0;
        for (int i = 0; i < n; i++) {
            sum += Math.abs((byte) (a[fromA + i] - b[fromB + i]));
        }
        return sum;
    }

    @Test
    void isThePlainSumAtAnyLengthAndPlace() {
        SplittableRandom random = new SplittableRandom(5);
        byte[] a = new byte[9000];
        byte[] b = new byte[9000];
        random.nextBytes(a);
        random.nextBytes(b);
        for (int n : new int[] {0, 1, 7, 8, 9, 15, 16, 63, 2039, 2040, 2041, 2048, 8990}) {
            for (int from = 0; from < 4; from++) {
                assertThat(ByteDifferences.sum(a, from, b, 3 - from, n)).isEqualTo(plain(a, from, b, 3 - from, n));
            }
        }
    }

    @Test
    void everyPairOfBytesCounts() {
        byte[] a = new byte[256];
        byte[] b = new byte[256];
        for (int i = 0; i < 256; i++) {
            a[i] = (byte) i;
        }
        for (int i = 0; i < 256; i++) {
            Arrays.fill(b, (byte) i);
            assertThat(ByteDifferences.sum(a, 0, b, 0, 256)).isEqualTo(plain(a, 0, b, 0, 256));
        }
    }

    @Test
    void theGreatestDifferencesDoNotRunOver() {
        byte[] a = new byte[20_000];
        byte[] b = new byte[20_000];
        Arrays.fill(a, (byte) -128);
        assertThat(ByteDifferences.sum(a, 0, b, 0, a.length)).isEqualTo(128L * a.length);
    }
}
