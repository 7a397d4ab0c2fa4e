package keentally.core.step;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import keentally.core.picture.Channel;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane;
import keentally.core.picture.Plane16;
import keentally.core.picture.Plane8;
import keentally.core.picture.PlaneF;

/**
 * The fields of several states as one picture, pixel behind pixel. What hangs on values alone (histograms, colours) is the same as on the
 * pictures laid side by side; places mean nothing. Memory: the pixels of the fields, at their depth.
 */
public final class JoinedFields {
    private static final int WIDTH = 4096;
    private static final int MOST = 1 << 29;

    private final List<State> first = new ArrayList<>();
    private float[] row = new float[0];
    private final List<Packed> channels = new ArrayList<>();

    /** The values of one channel, at the depth that they came in. */
    private static final class Packed {
        private final Plane like;
        private byte[] bytes = {};
        private short[] shorts = {};
        private float[] floats = {};
        private int count;

        Packed(Plane like) {
            this.like = like;
        }

        void room(int more) {
            switch (like) {
                case Plane8 p -> bytes = Arrays.copyOf(bytes, count + more);
                case Plane16 p -> shorts = Arrays.copyOf(shorts, count + more);
                case PlaneF p -> floats = Arrays.copyOf(floats, count + more);
            }
        }

        void add(float value) {
            switch (like) {
                case Plane8 p -> bytes[count++] = (byte) value;
                case Plane16 p -> shorts[count++] = (short) (int) value;
                case PlaneF p -> floats[count++] = value;
            }
        }

        Plane plane(int height) {
            int size = WIDTH * height;
            return switch (like) {
                case Plane8 p -> Plane8.of(WIDTH, height, Arrays.copyOf(bytes, size));
                case Plane16 p -> Plane16.of(WIDTH, height, Arrays.copyOf(shorts, size));
                case PlaneF p -> PlaneF.of(WIDTH, height, Arrays.copyOf(floats, size));
            };
        }
    }

    /** @throws StepFault where the picture is of another kind than those before, or there are too many pixels */
    public void add(State state) throws StepFault {
        Picture picture = state.current();
        if (first.isEmpty()) {
            first.add(state);
            picture.channels().forEach(c -> channels.add(new Packed(c.plane())));
        }
        State like = first.getFirst();
        boolean alike = names(picture).equals(names(like.current()))
                && picture.depth() == like.current().depth()
                && state.original().depth() == like.original().depth();
        if (!alike) {
            throw new StepFault("cannot be fitted to these samples together: one picture has " + said(like)
                    + ", another " + said(state));
        }
        long pixels = state.field().pixels();
        if (channels.getFirst().count + pixels > MOST) {
            throw new StepFault("cannot be fitted to so many pixels together; take fewer samples");
        }
        channels.forEach(c -> c.room((int) pixels));
        Mask inside = state.field().mask();
        row = row.length < picture.width() ? new float[picture.width()] : row;
        for (int c = 0; c < channels.size(); c++) {
            Plane plane = picture.channels().get(c).plane();
            Packed into = channels.get(c);
            for (int y = 0; y < picture.height(); y++) {
                plane.readRow(y, 0, picture.width(), row, 0);
                for (int x = inside.nextSet(y, 0); x < picture.width(); x = inside.nextSet(y, x + 1)) {
                    into.add(row[x]);
                }
            }
        }
    }

    private static List<String> names(Picture picture) {
        return picture.channels().stream().map(Channel::name).toList();
    }

    private static String said(State state) {
        return state.current().channelNames() + " of "
                + state.original().depth().bits() + " bits";
    }

    /** What was added, joined; something must have been. */
    public State joined() {
        Picture like = first.getFirst().current();
        int count = channels.getFirst().count;
        int height = (count + WIDTH - 1) / WIDTH;
        List<Channel> joined = new ArrayList<>();
        for (int c = 0; c < channels.size(); c++) {
            Channel channel = like.channels().get(c);
            joined.add(new Channel(channel.name(), channels.get(c).plane(height), channel.ink()));
        }
        long[] words = new long[Mask.stride(WIDTH) * height];
        for (int y = 0; y < height; y++) {
            Mask.setRun(words, y * Mask.stride(WIDTH), 0, Math.min(WIDTH, count - y * WIDTH));
        }
        Field field = Field.of(Mask.of(WIDTH, height, words));
        return State.joined(new Picture(joined), field, first.getFirst().original());
    }
}
