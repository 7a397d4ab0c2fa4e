package keentally.study.caution;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import keentally.core.colour.ChannelPlane;
import keentally.core.find.EvenLight;
import keentally.core.find.RoundField;
import keentally.core.geometry.Ellipse;
import keentally.core.geometry.Rectangle;
import keentally.core.picture.Channel;
import keentally.core.picture.Depth;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.Plane;
import keentally.core.run.Sample;
import keentally.core.stats.Histogram;
import keentally.core.words.Figures;
import keentally.core.work.Work;
import keentally.study.file.RecentMap;

/**
 * Checks over a picture and its field, whatever the method. They take longer than a run and change only with the sample, so the
 * last few findings are remembered. For any thread.
 */
public final class PictureCautions {
    private static final double MOST_CLIPPED_PERCENT = 0.5;
    /** A photograph has more values than this. */
    private static final int MOST_DRAWN = 32;

    private static final int LEAST_QUALITY = 75;
    private static final double FIELD_OFF = 0.02;
    private static final double FIELD_UNLIKE = 1.25;
    private static final int REMEMBERED = 16;

    private final RecentMap<Key, List<Caution>> known = new RecentMap<>(REMEMBERED);
    private final Captions captions;

    public PictureCautions(Captions captions) {
        this.captions = captions;
    }

    private record Key(String picture, List<Field.Part> field, boolean scaled, Background background) {}

    public List<Caution> of(Sample sample, Background background, Work work) {
        Key key = new Key(sample.key(), sample.parts(), sample.scale().isPresent(), background);
        Optional<List<Caution>> before = known.find(key);
        if (before.isPresent()) {
            return before.get();
        }
        List<Caution> found = check(sample, background, work);
        known.keep(key, found);
        return found;
    }

    private List<Caution> check(Sample sample, Background background, Work work) {
        List<Caution> found = new ArrayList<>();
        noScale(sample).ifPresent(found::add);
        clipped(sample, work).ifPresent(found::add);
        unevenLight(sample, work).ifPresent(found::add);
        barInField(sample, work).ifPresent(found::add);
        fieldUnlike(sample, background, work).ifPresent(found::add);
        lossy(background).ifPresent(found::add);
        morePages(background).ifPresent(found::add);
        return List.copyOf(found);
    }

    private static Optional<Caution> noScale(Sample sample) {
        if (sample.scale().isPresent()) {
            return Optional.empty();
        }
        return Optional.of(new Caution(
                CautionKind.NO_SCALE,
                "The sample has no scale.",
                "All lengths and areas are in pixels, which mean nothing beside another picture.",
                "Draw along the scale bar, or type the length of a pixel."));
    }

    private static Optional<Caution> clipped(Sample sample, Work work) {
        if (sample.picture().depth() == Depth.FLOAT) {
            return Optional.empty();
        }
        double worst = 0;
        String where = "";
        int values = 0;
        for (Channel channel : sample.picture().channels()) {
            int most = channel.plane().depth().most();
            Histogram h = Histogram.of(channel.plane(), sample.field(), work);
            double ends = 100.0 * (h.count(0) + h.count(most)) / h.total();
            int own = occupied(h);
            if (own > 2 && ends > worst) {
                values = own;
                worst = ends;
                where = Figures.number(most) + " in " + channel.name();
            }
        }
        if (worst <= MOST_CLIPPED_PERCENT) {
            return Optional.empty();
        }
        return Optional.of(new Caution(
                CautionKind.CLIPPED,
                Figures.percent(worst) + " % of the field is at 0 or " + where + ".",
                values > MOST_DRAWN
                        ? "What lies beyond black or white was lost when the picture was taken, so brightness there is wrong."
                        : "Its " + values
                                + " values look drawn rather than taken; if black and white are meant, nothing was lost.",
                "Take the picture again with less or more light, unless it is drawn."));
    }

    /** How many values there are in the field. */
    private static int occupied(Histogram h) {
        int n = 0;
        for (int i = 0; i < h.bins(); i++) {
            n += h.count(i) > 0 ? 1 : 0;
        }
        return n;
    }

    private static Optional<Caution> unevenLight(Sample sample, Work work) {
        Optional<Plane> plane = ChannelPlane.of(sample.picture(), Channel.GREY, work);
        Optional<Double> percent = plane.flatMap(p -> EvenLight.variation(p, sample.field(), work))
                .filter(v -> v > EvenLight.UNEVEN_PERCENT);
        return percent.map(v -> new Caution(
                CautionKind.UNEVEN_LIGHT,
                "The ground varies in brightness by " + Figures.percent(v) + " % across the field.",
                "Whether the light is uneven or what lies there, one cut for the whole field takes too much on one side and too little on the"
                        + " other.",
                "Light the sample evenly, or keep the field to its evenly lit part."));
    }

    private Optional<Caution> barInField(Sample sample, Work work) {
        Optional<Rectangle> covered =
                captions.of(sample.key(), sample.picture(), work).covered();
        long pixels = covered.map(box -> inside(sample.field(), box)).orElse(0L);
        if (pixels == 0) {
            return Optional.empty();
        }
        return Optional.of(new Caution(
                CautionKind.BAR_IN_FIELD,
                "A caption or scale bar covers " + Figures.number(pixels) + " pixels of the field ("
                        + Figures.percent(100.0 * pixels / sample.field().pixels()) + " %).",
                "It would be counted as sample.",
                "Leave it out of the field."));
    }

    private static long inside(Field field, Rectangle box) {
        Mask mask = field.mask();
        long n = 0;
        int right = (int) Math.min(field.width(), Math.ceil(box.right()));
        int left = (int) Math.max(0, box.x());
        for (int y = (int) Math.max(0, box.y()); y < Math.min(field.height(), Math.ceil(box.bottom())); y++) {
            n += left < right ? mask.count(y, left, right) : 0;
        }
        return n;
    }

    /** A field left over from the picture before, or one that is far larger or smaller than there. */
    private static Optional<Caution> fieldUnlike(Sample sample, Background background, Work work) {
        if (background.previous().isEmpty() || sample.parts().isEmpty()) {
            return Optional.empty();
        }
        Background.Neighbour previous = background.previous().get();
        if (previous.key().equals(sample.key()) || previous.field().isEmpty()) {
            return Optional.empty();
        }
        return previous.field().equals(sample.parts()) ? leftOver(sample, previous, work) : resized(sample, previous);
    }

    private static Optional<Caution> leftOver(Sample sample, Background.Neighbour previous, Work work) {
        boolean round = sample.parts().size() == 1 && sample.parts().getFirst().shape() instanceof Ellipse;
        if (!round) {
            return Optional.empty();
        }
        Ellipse drawn = (Ellipse) sample.parts().getFirst().shape();
        return RoundField.find(sample.picture(), work)
                .map(RoundField.Fit::rim)
                .map(rim -> StrictMath.hypot(rim.cx() - drawn.cx(), rim.cy() - drawn.cy()))
                .filter(off -> off > FIELD_OFF * drawn.a())
                .map(off -> new Caution(
                        CautionKind.FIELD_UNLIKE,
                        "The field is that of " + previous.name() + ", but the round field in this picture lies "
                                + Figures.fixed(off, 0) + " px beside it.",
                        "Part of the sample is left out and something else is counted.",
                        "Find the round field in this picture."));
    }

    private static Optional<Caution> resized(Sample sample, Background.Neighbour previous) {
        Field before;
        try {
            if (previous.pixels()
                    != (long) sample.picture().width() * sample.picture().height()) {
                return Optional.empty();
            }
            before = Field.of(sample.picture().width(), sample.picture().height(), previous.field());
        } catch (IllegalArgumentException e) {
            return Optional.empty(); // another size altogether, of which nothing falls into this picture
        }
        double ratio = (double) sample.field().pixels() / before.pixels();
        if (ratio <= FIELD_UNLIKE && ratio >= 1 / FIELD_UNLIKE) {
            return Optional.empty();
        }
        return Optional.of(new Caution(
                CautionKind.FIELD_UNLIKE,
                "The field has " + Figures.percent(100 * ratio) + " % of the pixels that " + previous.name()
                        + "'s field has.",
                "Counts can be compared only by area, and a field drawn by mistake looks just like this.",
                "Look at both fields; give the same field to all where it should be the same."));
    }

    private static Optional<Caution> morePages(Background background) {
        return background.pages() == 1
                ? Optional.empty()
                : Optional.of(new Caution(
                        CautionKind.OTHER_PAGES,
                        "The file has " + background.pages() + " pages; the first was measured, and "
                                + (background.pages() - 1) + (background.pages() == 2 ? " was" : " were") + " left.",
                        "What the other pages show is in no number.",
                        "Say what the pages are: the first alone, a sample each, or channels of one sample."));
    }

    private static Optional<Caution> lossy(Background background) {
        if (background.quality().isEmpty() || background.quality().getAsInt() >= LEAST_QUALITY) {
            return Optional.empty();
        }
        return Optional.of(new Caution(
                CautionKind.LOSSY,
                "The file keeps its picture at a quality of about "
                        + background.quality().getAsInt() + " of 100.",
                "Blocks and ripples of the packing are cut and measured as if they were sample.",
                "Use the original file, or save as PNG or TIFF when the picture is taken."));
    }
}
