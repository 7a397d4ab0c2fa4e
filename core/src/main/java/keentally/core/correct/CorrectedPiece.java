package keentally.core.correct;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import keentally.core.label.Labeller;
import keentally.core.picture.Mask;
import keentally.core.picture.Neighbours;
import keentally.core.region.Regions;
import keentally.core.work.Work;

/**
 * Pixels of one object while objects are corrected: runs in reading order, three numbers each.
 *
 * @param runs y, first pixel, behind the last pixel
 */
record CorrectedPiece(int[] runs) {
    static CorrectedPiece of(Regions regions, int region) {
        int first = regions.firstRun(region);
        int[] runs = new int[3 * (regions.firstRun(region + 1) - first)];
        for (int i = 0; i < runs.length / 3; i++) {
            runs[3 * i] = regions.runY(first + i);
            runs[3 * i + 1] = regions.runFrom(first + i);
            runs[3 * i + 2] = regions.runTo(first + i);
        }
        return new CorrectedPiece(runs);
    }

    /** The set pixels of a mask that lies at (left, top). */
    static CorrectedPiece of(Mask mask, int left, int top) {
        int[] runs = new int[48];
        int n = 0;
        for (int y = 0; y < mask.height(); y++) {
            int x = mask.nextSet(y, 0);
            while (x < mask.width()) {
                int end = mask.nextClear(y, x);
                runs = n + 3 > runs.length ? Arrays.copyOf(runs, 2 * n) : runs;
                runs[n++] = top + y;
                runs[n++] = left + x;
                runs[n++] = left + end;
                x = mask.nextSet(y, end);
            }
        }
        return new CorrectedPiece(Arrays.copyOf(runs, n));
    }

    boolean isEmpty() {
        return runs.length == 0;
    }

    boolean has(int x, int y) {
        for (int i = 0; i < runs.length; i += 3) {
            if (runs[i] == y && runs[i + 1] <= x && x < runs[i + 2]) {
                return true;
            }
        }
        return false;
    }

    int left() {
        int least = Integer.MAX_VALUE;
        for (int i = 0; i < runs.length; i += 3) {
            least = Math.min(least, runs[i + 1]);
        }
        return least;
    }

    int right() {
        int most = 0;
        for (int i = 0; i < runs.length; i += 3) {
            most = Math.max(most, runs[i + 2]);
        }
        return most;
    }

    int top() {
        return runs[0];
    }

    int bottom() {
        return runs[runs.length - 3] + 1;
    }

    /** Cut out by its own box. */
    Mask mask() {
        return in(left(), top(), right(), bottom());
    }

    /** What of it lies in a box. */
    private Mask in(int left, int top, int right, int bottom) {
        int stride = Mask.stride(right - left);
        long[] words = new long[stride * (bottom - top)];
        for (int i = 0; i < runs.length; i += 3) {
            if (runs[i] >= top && runs[i] < bottom) {
                int from = Math.max(runs[i + 1], left) - left;
                Mask.setRun(words, (runs[i] - top) * stride, from, Math.min(runs[i + 2], right) - left);
            }
        }
        return Mask.of(right - left, bottom - top, words);
    }

    CorrectedPiece and(CorrectedPiece other) {
        int left = Math.min(left(), other.left());
        int top = Math.min(top(), other.top());
        int right = Math.max(right(), other.right());
        int bottom = Math.max(bottom(), other.bottom());
        return of(in(left, top, right, bottom).or(other.in(left, top, right, bottom)), left, top);
    }

    /** Whether they share a pixel. */
    boolean meets(CorrectedPiece other) {
        boolean apart = isEmpty()
                || other.isEmpty()
                || bottom() <= other.top()
                || other.bottom() <= top()
                || right() <= other.left()
                || other.right() <= left();
        return !apart && mask().and(other.in(left(), top(), right(), bottom())).count() > 0;
    }

    /** What is left of it, in its own box. */
    Mask without(CorrectedPiece other) {
        return mask().minus(other.in(left(), top(), right(), bottom()));
    }

    /** What hangs together by eight neighbours, in reading order. */
    List<CorrectedPiece> parts() {
        return parts(mask(), left(), top());
    }

    static List<CorrectedPiece> parts(Mask mask, int left, int top) {
        return all(Labeller.regions(mask, Neighbours.EIGHT, Work.alone()), left, top);
    }

    /** A piece for each region of a box that lies at (left, top). */
    static List<CorrectedPiece> all(Regions regions, int left, int top) {
        List<CorrectedPiece> all = new ArrayList<>();
        for (int i = 0; i < regions.count(); i++) {
            int[] runs = of(regions, i).runs;
            for (int k = 0; k < runs.length; k++) {
                runs[k] += k % 3 == 0 ? top : left;
            }
            all.add(new CorrectedPiece(runs));
        }
        return all;
    }
}
