package keentally.cli;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import keentally.core.quantity.Scale;
import keentally.study.document.FieldText;
import keentally.study.document.PictureRef;
import keentally.study.result.PictureOrder;
import picocli.CommandLine.Option;

/** How long a pixel is, and which part of a picture counts. */
final class PlaceWords {
    @Option(
            names = "--scale",
            paramLabel = "LENGTH",
            description = "Length of a pixel, such as \"0.85 um/px\", or the word file.")
    private String scale;

    @Option(
            names = "--field",
            paramLabel = "SHAPE",
            description =
                    "whole, rect:x,y,w,h, ellipse:cx,cy,rx,ry, polygon:x,y,... in pixels, or round to find the rim of"
                            + " a tray; not: before it takes it away. May be repeated.")
    private List<String> field = List.of();

    /** @throws IllegalArgumentException in a sentence, where scale or field cannot be read */
    PictureOrder order(Optional<String> name, PictureRef picture, boolean settled) {
        boolean fromFile = "file".equals(scale);
        return new PictureOrder(
                name,
                picture,
                settled,
                scale == null || fromFile ? Optional.empty() : Optional.of(Scale.of(scale)),
                fromFile,
                field.stream().map(FieldText::readWish).toList(),
                Map.of());
    }
}
