package keentally.core.view;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import keentally.core.picture.Buffers;
import keentally.core.picture.Channel;
import keentally.core.picture.HoldsBuffers;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane;
import keentally.core.picture.Plane16;
import keentally.core.picture.Plane8;
import keentally.core.picture.PlaneF;
import keentally.core.work.Work;

/**
 * A picture and its halves: level k has every 2^k × 2^k pixels averaged into one. The first level is the picture itself and
 * costs nothing; the rest take a third of its memory. Averages of whole numbers are rounded, which shows nowhere.
 */
public final class Pyramid implements HoldsBuffers {
    private static final int SMALLEST = 256;

    private final List<List<Plane>> levels;
    private final Tone tone;
    private final List<Shade> shades;

    /** For densities of dyes: the colour that a density of 1 lets through, 0xffffff for what takes nothing away. */
    private final Optional<int[]> inks;

    private Pyramid(List<List<Plane>> levels, Tone tone, List<Shade> shades) {
        this(levels, tone, shades, Optional.empty());
    }

    private Pyramid(List<List<Plane>> levels, Tone tone, List<Shade> shades, Optional<int[]> inks) {
        this.levels = levels;
        this.tone = tone;
        this.shades = shades;
        this.inks = inks;
    }

    /** Of a prepared picture, as bright as the one it was made from where that shows all of it. */
    public static Pyramid of(Picture picture, Tone original, Work work) {
        Pyramid pyramid = of(picture, work);
        return pyramid.toned(pyramid.tone.like(original));
    }

    /** Of all channels: grey, red with green and blue, or each in a colour of its own where a sample has others. */
    public static Pyramid of(Picture picture, Work work) {
        List<List<Plane>> levels = levels(picture, work);
        Tone tone = Tone.of(picture, work);
        if (picture.single().isPresent()) {
            return new Pyramid(levels, tone, List.of(Shade.grey(tone)));
        }
        if (picture.isColour()) {
            return new Pyramid(
                    levels,
                    tone,
                    List.of(new Shade(tone, 1, 0, 0), new Shade(tone, 0, 1, 0), new Shade(tone, 0, 0, 1)));
        }
        List<Shade> own = new ArrayList<>();
        for (Channel channel : picture.channels()) {
            own.add(Shade.own(own.size(), Tone.of(Picture.grey(channel.plane()), work)));
        }
        boolean dyed = picture.channels().stream().anyMatch(c -> c.ink().isPresent());
        int[] inks = picture.channels().stream()
                .mapToInt(c -> c.ink().orElse(0xffffff))
                .toArray();
        return new Pyramid(levels, tone, own, dyed ? Optional.of(inks) : Optional.empty());
    }

    /** Of densities, one dye alone in its own colour. */
    public Pyramid alone(int dye) {
        int[] one = new int[levels.getFirst().size()];
        Arrays.fill(one, 0xffffff);
        inks.filter(i -> dye < i.length).ifPresent(i -> one[dye] = i[dye]);
        return new Pyramid(levels, tone, shades, inks.isPresent() ? Optional.of(one) : inks);
    }

    Optional<int[]> inks() {
        return inks;
    }

    /** Of one plane of a sample; in its own colour where it is one of several named channels, else grey. */
    public static Pyramid of(Plane plane, Picture of, Work work) {
        Picture alone = Picture.grey(plane);
        Tone tone = Tone.of(alone, work);
        int place = of.channels().stream().map(Channel::plane).toList().indexOf(plane);
        boolean own = place >= 0 && !of.isColour() && of.single().isEmpty();
        return new Pyramid(levels(alone, work), tone, List.of(own ? Shade.own(place, tone) : Shade.grey(tone)));
    }

    /** The same, seen with another contrast: every channel within its own range. */
    public Pyramid seen(Contrast contrast) {
        return new Pyramid(
                levels,
                contrast.of(tone),
                shades.stream().map(s -> s.with(contrast.of(s.tone()))).toList(),
                inks);
    }

    private Pyramid toned(Tone other) {
        return new Pyramid(
                levels, other, shades.stream().map(s -> s.with(other)).toList(), inks);
    }

    private static List<List<Plane>> levels(Picture picture, Work work) {
        List<List<Plane>> levels = new ArrayList<>();
        levels.add(
                picture.isColour()
                        ? Stream.of(Channel.RED, Channel.GREEN, Channel.BLUE)
                                .map(c -> picture.channel(c).orElseThrow())
                                .toList()
                        : picture.channels().stream().map(Channel::plane).toList());
        while (Math.max(
                        levels.getLast().getFirst().width(),
                        levels.getLast().getFirst().height())
                > SMALLEST) {
            levels.add(levels.getLast().stream().map(p -> half(p, work)).toList());
        }
        return levels;
    }

    public int width() {
        return levels.getFirst().getFirst().width();
    }

    public int height() {
        return levels.getFirst().getFirst().height();
    }

    public Tone tone() {
        return tone;
    }

    List<Shade> shades() {
        return shades;
    }

    /** Whether these are red, green and blue. */
    boolean isPlainColour() {
        return shades.size() == 3
                && shades.getFirst().green() == 0
                && shades.getFirst().blue() == 0;
    }

    /** The colour that values of each channel are shown in. */
    int colour(double... values) {
        double[] rgb = new double[3];
        for (int c = 0; c < values.length; c++) {
            Tone own =
                    isPlainColour() || values.length == 1 ? tone : shades.get(c).tone();
            double share = Math.clamp((values[c] - own.black()) / (own.white() - own.black()), 0, 1);
            rgb[0] += share * shades.get(c).red();
            rgb[1] += share * shades.get(c).green();
            rgb[2] += share * shades.get(c).blue();
        }
        int colour = 0xff;
        for (double part : rgb) {
            colour = colour << 8 | (int) Math.round(255 * Math.min(1, part));
        }
        return colour;
    }

    int top() {
        return levels.size() - 1;
    }

    List<Plane> level(int level) {
        return levels.get(level);
    }

    private static Plane half(Plane plane, Work work) {
        int width = (plane.width() + 1) / 2;
        int height = (plane.height() + 1) / 2;
        int last = plane.width() - 1;
        return switch (plane) {
            case Plane8 p -> {
                byte[] out = new byte[width * height];
                byte[] in = p.values();
                rows(p, width, height, work, (to, upper, lower) -> {
                    for (int x = 0; x < width; x++) {
                        int left = 2 * x;
                        int right = Math.min(left + 1, last);
                        int above = (in[upper + left] & 0xff) + (in[upper + right] & 0xff);
                        int below = (in[lower + left] & 0xff) + (in[lower + right] & 0xff);
                        out[to + x] = (byte) (above + below + 2 >> 2);
                    }
                });
                yield Plane8.of(width, height, out);
            }
            case Plane16 p -> {
                short[] out = new short[width * height];
                short[] in = p.values();
                rows(p, width, height, work, (to, upper, lower) -> {
                    for (int x = 0; x < width; x++) {
                        int left = 2 * x;
                        int right = Math.min(left + 1, last);
                        int above = (in[upper + left] & 0xffff) + (in[upper + right] & 0xffff);
                        int below = (in[lower + left] & 0xffff) + (in[lower + right] & 0xffff);
                        out[to + x] = (short) (above + below + 2 >> 2);
                    }
                });
                yield Plane16.of(width, height, out);
            }
            case PlaneF p -> {
                float[] out = new float[width * height];
                float[] in = p.values();
                rows(p, width, height, work, (to, upper, lower) -> {
                    for (int x = 0; x < width; x++) {
                        int left = 2 * x;
                        int right = Math.min(left + 1, last);
                        float sum = in[upper + left] + in[upper + right] + in[lower + left] + in[lower + right];
                        out[to + x] = sum / 4;
                    }
                });
                yield PlaneF.of(width, height, out);
            }
        };
    }

    /** Where a row of the half begins, and the two that it is made of. */
    private interface HalfRow {
        void make(int to, int upper, int lower);
    }

    /** With an odd last row doubled. */
    private static void rows(Plane plane, int width, int height, Work work, HalfRow row) {
        work.bands(height, (from, to) -> {
            for (int y = from; y < to; y++) {
                int lower = Math.min(2 * y + 1, plane.height() - 1);
                row.make(y * width, 2 * y * plane.width(), lower * plane.width());
            }
        });
    }

    @Override
    public void addTo(Buffers buffers) {
        levels.forEach(planes -> planes.forEach(buffers::add));
    }
}
