package keentally.core.refine;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayDeque;
import java.util.Arrays;
import java.util.SplittableRandom;
import keentally.core.work.Cancel;
import org.junit.jupiter.api.Test;

/** The cut against a plain maximum flow along shortest ways, over a matrix. */
class MinimumCutTest {
    private static final int[] DX = {-1, 0, 1, -1, 1, -1, 0, 1};
    private static final int[] DY = {-1, -1, -1, 0, 0, 1, 1, 1};

    /** A grid of weights and pulls. @param room from node to node; the last two are source and sink */
    private record Grid(int width, int height, int[][] room) {
        static Grid drawn(SplittableRandom random) {
            int width = random.nextInt(1, 8);
            int height = random.nextInt(1, 7);
            int nodes = width * height;
            int[][] room = new int[nodes + 2][nodes + 2];
            for (int i = 0; i < nodes; i++) {
                int pull = random.nextInt(4) == 0 ? 0 : random.nextInt(-30, 31);
                room[nodes][i] = Math.max(0, pull);
                room[i][nodes + 1] = Math.max(0, -pull);
                for (int d = 4; d < 8; d++) {
                    int x = i % width + DX[d];
                    int y = i / width + DY[d];
                    if (x >= 0 && x < width && y < height) {
                        int weight = random.nextInt(3) == 0 ? 0 : random.nextInt(25);
                        room[i][y * width + x] = weight;
                        room[y * width + x][i] = weight;
                    }
                }
            }
            return new Grid(width, height, room);
        }

        int nodes() {
            return width * height;
        }

        MinimumCut cut() {
            MinimumCut cut = new MinimumCut(nodes(), new Cancel());
            for (int i = 0; i < nodes(); i++) {
                cut.pull(i, room[nodes()][i] - room[i][nodes() + 1]);
                for (int d = 4; d < 8; d++) {
                    int x = i % width + DX[d];
                    int y = i / width + DY[d];
                    if (x >= 0 && x < width && y < height) {
                        cut.join(i, d, y * width + x, room[i][y * width + x]);
                    }
                }
            }
            return cut;
        }

        long weight(boolean[] inside) {
            long sum = 0;
            for (int i = 0; i < nodes(); i++) {
                sum += inside[i] ? room[i][nodes() + 1] : room[nodes()][i];
                for (int j = 0; j < nodes(); j++) {
                    sum += inside[i] && !inside[j] ? room[i][j] : 0;
                }
            }
            return sum;
        }

        /** Along shortest ways, as long as there are any. */
        long greatestFlow() {
            int[][] left = Arrays.stream(room).map(int[]::clone).toArray(int[][]::new);
            long flow = 0;
            int[] from = shortest(left);
            while (from[nodes() + 1] >= 0) {
                int most = Integer.MAX_VALUE;
                for (int i = nodes() + 1; i != nodes(); i = from[i]) {
                    most = Math.min(most, left[from[i]][i]);
                }
                for (int i = nodes() + 1; i != nodes(); i = from[i]) {
                    left[from[i]][i] -= most;
                    left[i][from[i]] += most;
                }
                flow += most;
                from = shortest(left);
            }
            return flow;
        }

        private int[] shortest(int[][] left) {
            int[] from = new int[nodes() + 2];
            Arrays.fill(from, -1);
            from[nodes()] = nodes();
            ArrayDeque<Integer> queue = new ArrayDeque<>();
            queue.add(nodes());
            while (!queue.isEmpty()) {
                int i = queue.remove();
                for (int j = 0; j < from.length; j++) {
                    if (from[j] < 0 && left[i][j] > 0) {
                        from[j] = i;
                        queue.add(j);
                    }
                }
            }
            return from;
        }
    }

    @Test
    void theCutWeighsWhatAPlainMaximumFlowIs() {
        SplittableRandom random = new SplittableRandom(20261130);
        for (int round = 0; round < 3000; round++) {
            Grid grid = Grid.drawn(random);
            MinimumCut cut = grid.cut();
            boolean[] inside = cut.inside();
            long greatest = grid.greatestFlow();
            assertThat(cut.flow()).as("flow of grid %d", round).isEqualTo(greatest);
            assertThat(grid.weight(inside)).as("cut of grid %d", round).isEqualTo(greatest);
        }
    }

    @Test
    void nodesThatNothingPullsAreOutside() {
        MinimumCut cut = new MinimumCut(3, new Cancel());
        cut.join(0, 4, 1, 5);
        cut.pull(0, 3);
        assertThat(cut.inside()).containsExactly(true, true, false);
        assertThat(new MinimumCut(2, new Cancel()).inside()).containsExactly(false, false);
    }
}
