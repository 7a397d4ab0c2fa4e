package keentally.core.picture;

import java.util.Arrays;
import java.util.List;
import keentally.core.work.Work;

/**
 * Which phase each pixel of the field is in.
 *
 * @param map phase numbers from 0; {@value #OUTSIDE} outside the field
 * @param names one a phase
 * @param colours one a phase, red, green and blue packed, where classes were given colours; none where they are to be found for them
 */
public record PhaseMap(Plane8 map, List<String> names, List<Integer> colours) implements HoldsBuffers {
    public static final int OUTSIDE = 255;

    public PhaseMap {
        names = List.copyOf(names);
        colours = List.copyOf(colours);
        if (!colours.isEmpty() && colours.size() != names.size()) {
            throw new IllegalArgumentException(
                    names.size() + " phases have as many colours or none, were " + colours.size());
        }
        if (names.isEmpty() || names.size() > OUTSIDE) {
            throw new IllegalArgumentException("a phase map has 1 to " + OUTSIDE + " phases, was " + names.size());
        }
    }

    /** Without colours of their own. */
    public PhaseMap(Plane8 map, List<String> names) {
        this(map, names, List.of());
    }

    /** The two phases of a mask: 0 is the rest of the field, 1 what was chosen. */
    public static PhaseMap of(Mask mask, Field field) {
        int width = mask.width();
        byte[] values = new byte[width * mask.height()];
        Mask inside = field.mask();
        for (int y = 0; y < mask.height(); y++) {
            int row = y * width;
            for (int x = inside.nextClear(y, 0); x < width; ) {
                int end = inside.nextSet(y, x);
                Arrays.fill(values, row + x, row + end, (byte) OUTSIDE);
                x = inside.nextClear(y, end);
            }
            for (int x = mask.nextSet(y, 0); x < width; ) {
                int end = mask.nextClear(y, x);
                Arrays.fill(values, row + x, row + end, (byte) 1);
                x = mask.nextSet(y, end);
            }
        }
        return new PhaseMap(Plane8.of(width, mask.height(), values), List.of("rest", "chosen"));
    }

    /** The pixels of the phases that are {@code true}; {@code picked} has a place for each number a byte can hold. */
    public Mask mask(boolean[] picked, Work work) {
        int width = map.width();
        byte[] phases = map.values();
        int stride = Mask.stride(width);
        long[] words = new long[stride * map.height()];
        work.bands(map.height(), (from, to) -> {
            for (int y = from; y < to; y++) {
                for (int x = 0; x < width; x++) {
                    if (picked[phases[y * width + x] & 0xff]) {
                        words[y * stride + (x >>> 6)] |= 1L << x;
                    }
                }
            }
        });
        return Mask.of(width, map.height(), words);
    }

    /** Pixels of each phase. */
    public long[] counts(Work work) {
        byte[] phases = map.values();
        int width = map.width();
        long[] counts = new long[OUTSIDE + 1];
        for (long[] part : work.map(16, b -> {
            long[] own = new long[OUTSIDE + 1];
            int to = (int) ((long) map.height() * (b + 1) / 16) * width;
            for (int i = (int) ((long) map.height() * b / 16) * width; i < to; i++) {
                own[phases[i] & 0xff]++;
            }
            return own;
        })) {
            for (int p = 0; p < counts.length; p++) {
                counts[p] += part[p];
            }
        }
        return Arrays.copyOf(counts, names.size());
    }

    /** With every number replaced by what {@code to} holds in its place. */
    public PhaseMap changed(byte[] to, List<String> newNames, Work work) {
        byte[] phases = map.values();
        byte[] out = new byte[phases.length];
        work.bands(phases.length, (from, end) -> {
            for (int i = from; i < end; i++) {
                out[i] = to[phases[i] & 0xff];
            }
        });
        return new PhaseMap(Plane8.of(map.width(), map.height(), out), newNames);
    }

    /** With everything outside a mask in no phase. */
    public PhaseMap within(Mask mask, Work work) {
        int width = map.width();
        byte[] out = map.values().clone();
        work.bands(map.height(), (from, to) -> {
            for (int y = from; y < to; y++) {
                for (int x = mask.nextClear(y, 0); x < width; x = mask.nextClear(y, x + 1)) {
                    out[y * width + x] = (byte) OUTSIDE;
                }
            }
        });
        return new PhaseMap(Plane8.of(width, map.height(), out), names, colours);
    }

    @Override
    public void addTo(Buffers buffers) {
        buffers.add(map);
    }
}
