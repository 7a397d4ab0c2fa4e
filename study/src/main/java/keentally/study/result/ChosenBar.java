package keentally.study.result;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import keentally.core.quantity.Length;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.Scale;
import keentally.core.view.Layer;
import keentally.core.words.Figures;

/**
 * A scale bar as it is wished for on pictures that are taken away.
 *
 * @param length above 0
 * @param right whether it stands at the right
 * @param below whether it stands at the bottom
 * @param light whether it is white
 */
public record ChosenBar(Length length, boolean right, boolean below, boolean light) {
    private static final List<String> PLACES = List.of("top left", "top right", "bottom left", "bottom right");
    private static final List<String> INKS = List.of("light", "dark");

    public ChosenBar {
        if (!(length.amount() > 0)) {
            throw new IllegalArgumentException("a scale bar is longer than 0, but was " + length);
        }
    }

    /**
     * Reads {@code "200 um"}, {@code "200 um, top left"} or {@code "200 um, top left, dark"}; bottom right and light where it does not
     * say so.
     */
    public static ChosenBar of(String text) {
        List<String> said = Arrays.stream(text.split(",")).map(String::strip).toList();
        String place = "bottom right";
        String ink = "light";
        for (String word : said.subList(1, said.size())) {
            if (PLACES.contains(word)) {
                place = word;
            } else if (INKS.contains(word)) {
                ink = word;
            } else {
                throw new IllegalArgumentException("a scale bar stands " + String.join(", ", PLACES) + " and is "
                        + String.join(" or ", INKS) + ", but found \"" + word + "\"");
            }
        }
        return new ChosenBar(
                Length.of(said.getFirst()), place.endsWith("right"), place.startsWith("bottom"), ink.equals("light"));
    }

    /** On a picture; nothing where that has no scale to tell the bar's pixels by, or it comes to less than one. */
    public Optional<Layer.ScaleBar> on(Optional<Scale> scale) {
        if (length.unit() != LengthUnit.PX && scale.isEmpty()) {
            return Optional.empty();
        }
        double px = length.px(scale);
        String told = Figures.number(length.amount()) + " " + length.unit().symbol();
        return px >= 1 ? Optional.of(new Layer.ScaleBar(told, px, right, below, light)) : Optional.empty();
    }

    /** As it is read. */
    @Override
    public String toString() {
        return length + ", " + (below ? "bottom " : "top ") + (right ? "right" : "left") + ", "
                + (light ? "light" : "dark");
    }
}
