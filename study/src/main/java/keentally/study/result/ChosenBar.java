package keentally.study.result;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import keentally.core.quantity.Length;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.Scale;
import keentally.core.setting.ChoiceSetting;
import keentally.core.view.Layer;
import keentally.core.words.Figures;

/**
 * A scale bar as it is wished for on pictures that are taken away.
 *
 * @param length above 0
 */
public record ChosenBar(Length length, Corner corner, Ink ink) {
    private static final double SHARE = 0.2;

    /** Where it stands. */
    public enum Corner {
        BOTTOM_RIGHT,
        BOTTOM_LEFT,
        TOP_RIGHT,
        TOP_LEFT
    }

    public enum Ink {
        LIGHT,
        DARK
    }

    public ChosenBar {
        if (!(length.amount() > 0)) {
            throw new IllegalArgumentException("a scale bar is longer than 0, but was " + length);
        }
    }

    /** About a fifth of a picture so wide, of a round length. */
    public static ChosenBar usual(int width, Scale scale) {
        double length = Length.roundBelow(SHARE * width * scale.amount());
        return new ChosenBar(new Length(length, scale.unit()), Corner.BOTTOM_RIGHT, Ink.LIGHT);
    }

    /**
     * Reads {@code "200 um"}, {@code "200 um, top left"} or {@code "200 um, top left, dark"}; bottom right and light where it does not
     * say so.
     */
    public static ChosenBar of(String text) {
        List<String> said = Arrays.stream(text.split(",")).map(String::strip).toList();
        ChosenBar bar = new ChosenBar(Length.of(said.getFirst()), Corner.BOTTOM_RIGHT, Ink.LIGHT);
        for (String each : said.subList(1, said.size())) {
            Optional<Corner> corner = find(Corner.values(), each);
            Optional<Ink> ink = find(Ink.values(), each);
            if (corner.isEmpty() && ink.isEmpty()) {
                throw new IllegalArgumentException("a scale bar stands " + words(Corner.values()) + " and is "
                        + words(Ink.values()) + ", but found \"" + each + "\"");
            }
            bar = new ChosenBar(bar.length, corner.orElse(bar.corner), ink.orElse(bar.ink));
        }
        return bar;
    }

    private static <E extends Enum<E>> Optional<E> find(E[] all, String word) {
        return Arrays.stream(all).filter(e -> word(e).equals(word)).findFirst();
    }

    private static String words(Enum<?>[] all) {
        return String.join(" or ", Arrays.stream(all).map(ChosenBar::word).toList());
    }

    private static String word(Enum<?> each) {
        return ChoiceSetting.word(each).replace('-', ' ');
    }

    /** Whether it can be told on a picture so large. */
    public boolean hasRoom(Optional<Scale> scale, int width, int height) {
        return on(scale).filter(bar -> Stamps.hasRoom(bar, width, height, 1)).isPresent();
    }

    /** On a picture; nothing where that has no scale to tell the bar's pixels by, or it comes to less than one. */
    public Optional<Layer.ScaleBar> on(Optional<Scale> scale) {
        if (length.unit() != LengthUnit.PX && scale.isEmpty()) {
            return Optional.empty();
        }
        double px = length.px(scale);
        String told = Figures.number(length.amount()) + " " + length.unit().symbol();
        return px >= 1
                ? Optional.of(new Layer.ScaleBar(
                        told,
                        px,
                        corner == Corner.BOTTOM_RIGHT || corner == Corner.TOP_RIGHT,
                        corner == Corner.BOTTOM_RIGHT || corner == Corner.BOTTOM_LEFT,
                        ink == Ink.LIGHT))
                : Optional.empty();
    }

    /** As it is read. */
    @Override
    public String toString() {
        return length + ", " + word(corner) + ", " + word(ink);
    }
}
