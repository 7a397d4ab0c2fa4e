package keentally.core.refine;

import java.util.Arrays;
import keentally.core.work.Cancel;

/**
 * Parts nodes into two sides so that what is cut weighs least.
 *
 * <p>Definition: every node has up to eight neighbours with a weight each, the same from either end, and a pull to one of the sides. The cut is the
 * sum of weights between sides and of pulls that are not followed; of equal cuts the one with the fewest nodes inside is taken. Weights are whole, so the result is exact.
 *
 * <p>Edge cases: nodes without any pull are outside. Cost: 80 bytes a node; in pictures about linear, at worst far more. Looks at nothing outside
 * itself; not to be shared between threads.
 *
 * <p>Source: Y. Boykov and V. Kolmogorov (2004), An experimental comparison of min-cut/max-flow algorithms for energy minimization in vision,
 * IEEE Transactions on Pattern Analysis and Machine Intelligence 26, 1124–1137.
 */
final class MinimumCut {
    /** Neighbours of a node. */
    static final int AROUND = 8;

    private static final int STEPS = 4096;
    private static final int NONE = -1;
    private static final byte FREE = 0;
    private static final byte SOURCE = 1;
    private static final byte SINK = 2;
    private static final byte ROOT = AROUND;
    private static final byte ORPHAN = AROUND + 1;
    private static final byte NO_PARENT = AROUND + 2;

    private final int count;
    private final Cancel cancel;
    private final int[] next;
    private final int[] room;
    private final int[] pull;
    private final byte[] tree;
    private final byte[] parent;
    private final int[] stamp;
    private final int[] far;
    private final int[] queued;
    private int head = NONE;
    private int tail = NONE;
    private int[] orphans = new int[64];
    private int orphanCount;
    private int now;
    private long flow;

    /** @param cancel looked at now and then while ways are sought */
    MinimumCut(int count, Cancel cancel) {
        this.count = count;
        this.cancel = cancel;
        this.next = new int[count * AROUND];
        Arrays.fill(next, NONE);
        this.room = new int[count * AROUND];
        this.pull = new int[count];
        this.tree = new byte[count];
        this.parent = new byte[count];
        this.stamp = new int[count];
        this.far = new int[count];
        this.queued = new int[count];
        Arrays.fill(queued, -2);
    }

    /** Pulls a node inside (above 0) or outside (below 0), beside what pulled it before. */
    void pull(int node, int by) {
        pull[node] += by;
    }

    /**
     * Makes two nodes neighbours.
     *
     * @param direction from 0 to 7: the place at which {@code from} keeps it; {@code to} keeps it at the opposite one, 7 less
     */
    void join(int from, int direction, int to, int weight) {
        next[from * AROUND + direction] = to;
        room[from * AROUND + direction] = weight;
        next[to * AROUND + opposite(direction)] = from;
        room[to * AROUND + opposite(direction)] = weight;
    }

    private static int opposite(int direction) {
        return AROUND - 1 - direction;
    }

    /** Whether each node is inside. */
    boolean[] inside() {
        Arrays.fill(parent, NO_PARENT);
        for (int i = 0; i < count; i++) {
            if (pull[i] != 0) {
                tree[i] = pull[i] > 0 ? SOURCE : SINK;
                parent[i] = ROOT;
                far[i] = 1;
                activate(i);
            }
        }
        int steps = 0;
        for (int at = nextActive(); at != NONE; at = nextActive()) {
            steps++;
            if (steps % STEPS == 0) {
                cancel.check();
            }
            int met = grow(at);
            while (met != NONE) { // the node is still active: it may meet the other tree again
                now++;
                augment(at, met);
                adopt();
                if (parent[at] == NO_PARENT) {
                    break;
                }
                met = grow(at);
            }
        }
        boolean[] inside = new boolean[count];
        for (int i = 0; i < count; i++) {
            inside[i] = tree[i] == SOURCE;
        }
        return inside;
    }

    /** What was cut, less what every cut holds; after {@link #inside}. */
    long flow() {
        return flow;
    }

    private void activate(int node) {
        if (queued[node] != -2) {
            return;
        }
        queued[node] = NONE;
        if (tail == NONE) {
            head = node;
        } else {
            queued[tail] = node;
        }
        tail = node;
    }

    private int nextActive() {
        while (head != NONE) {
            int node = head;
            head = queued[node];
            tail = head == NONE ? NONE : tail;
            queued[node] = -2;
            if (parent[node] != NO_PARENT) {
                return node;
            }
        }
        return NONE;
    }

    /** How much may still flow from the source's side along an edge of a node. */
    private int open(int node, int direction, byte side) {
        return side == SOURCE
                ? room[node * AROUND + direction]
                : room[next[node * AROUND + direction] * AROUND + opposite(direction)];
    }

    /** Takes free neighbours into the node's tree. @return the direction in which it meets the other tree */
    private int grow(int node) {
        byte side = tree[node];
        for (int d = 0; d < AROUND; d++) {
            int other = next[node * AROUND + d];
            if (other == NONE || open(node, d, side) == 0) {
                continue;
            }
            if (parent[other] == NO_PARENT) {
                tree[other] = side;
                parent[other] = (byte) opposite(d);
                stamp[other] = stamp[node];
                far[other] = far[node] + 1;
                activate(other);
            } else if (tree[other] != side) {
                return d;
            } else if (stamp[other] <= stamp[node] && far[other] > far[node]) { // a shorter way to the root
                parent[other] = (byte) opposite(d);
                stamp[other] = stamp[node];
                far[other] = far[node] + 1;
            }
        }
        return NONE;
    }

    /** Sends as much as goes along the way that was found. */
    private void augment(int node, int direction) {
        int other = next[node * AROUND + direction];
        boolean forward = tree[node] == SOURCE;
        int from = forward ? node : other;
        int to = forward ? other : node;
        int along = forward ? direction : opposite(direction);
        int most = room[from * AROUND + along];
        int i = from;
        while (parent[i] != ROOT) {
            int up = next[i * AROUND + parent[i]];
            most = Math.min(most, room[up * AROUND + opposite(parent[i])]);
            i = up;
        }
        most = Math.min(most, pull[i]);
        int j = to;
        while (parent[j] != ROOT) {
            most = Math.min(most, room[j * AROUND + parent[j]]);
            j = next[j * AROUND + parent[j]];
        }
        most = Math.min(most, -pull[j]);
        send(from, along, most);
        drain(from, most, true);
        drain(to, most, false);
        flow += most;
    }

    private void send(int from, int along, int much) {
        room[from * AROUND + along] -= much;
        room[next[from * AROUND + along] * AROUND + opposite(along)] += much;
    }

    private void drain(int from, int much, boolean source) {
        int i = from;
        while (parent[i] != ROOT) {
            int direction = parent[i];
            int up = next[i * AROUND + direction];
            int left;
            if (source) {
                send(up, opposite(direction), much);
                left = room[up * AROUND + opposite(direction)];
            } else {
                send(i, direction, much);
                left = room[i * AROUND + direction];
            }
            if (left == 0) {
                orphan(i);
            }
            i = up;
        }
        pull[i] += source ? -much : much;
        if (pull[i] == 0) {
            orphan(i);
        }
    }

    private void orphan(int node) {
        parent[node] = ORPHAN;
        if (orphanCount == orphans.length) {
            orphans = Arrays.copyOf(orphans, 2 * orphanCount);
        }
        orphans[orphanCount] = node;
        orphanCount++;
    }

    private void adopt() {
        while (orphanCount > 0) {
            orphanCount--;
            int node = orphans[orphanCount];
            byte side = tree[node];
            int best = NONE;
            int least = Integer.MAX_VALUE;
            for (int d = 0; d < AROUND; d++) {
                int other = next[node * AROUND + d];
                if (other == NONE || tree[other] != side || parent[other] == NO_PARENT || openTo(node, d, side) == 0) {
                    continue;
                }
                int length = toRoot(other);
                if (length < least) {
                    least = length;
                    best = d;
                }
            }
            if (best == NONE) {
                free(node, side);
            } else {
                parent[node] = (byte) best;
                stamp[node] = now;
                far[node] = least + 1;
            }
        }
    }

    /** How much may still flow to a node of the source's tree, or from one of the sink's. */
    private int openTo(int node, int direction, byte side) {
        return side == SOURCE
                ? room[next[node * AROUND + direction] * AROUND + opposite(direction)]
                : room[node * AROUND + direction];
    }

    /** The length of the way to a root; the greatest number where it ends at an orphan. */
    private int toRoot(int from) {
        int length = 0;
        int i = from;
        while (true) {
            if (stamp[i] == now) {
                length += far[i];
                break;
            }
            length++;
            byte up = parent[i];
            if (up == ROOT) {
                stamp[i] = now;
                far[i] = 1;
                break;
            }
            if (up == ORPHAN || up == NO_PARENT) {
                return Integer.MAX_VALUE;
            }
            i = next[i * AROUND + up];
        }
        int left = length;
        for (int k = from; stamp[k] != now; k = next[k * AROUND + parent[k]]) {
            stamp[k] = now;
            far[k] = left;
            left--;
        }
        return length;
    }

    private void free(int node, byte side) {
        for (int d = 0; d < AROUND; d++) {
            int other = next[node * AROUND + d];
            if (other == NONE || tree[other] != side || parent[other] == NO_PARENT) {
                continue;
            }
            if (openTo(node, d, side) > 0) {
                activate(other);
            }
            if (parent[other] < AROUND && next[other * AROUND + parent[other]] == node) {
                orphan(other);
            }
        }
        parent[node] = NO_PARENT;
        tree[node] = FREE;
    }
}
