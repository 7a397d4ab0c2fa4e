package keentally.core.view;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import keentally.core.geometry.Ellipse;
import keentally.core.geometry.Point;
import keentally.core.geometry.Rectangle;
import keentally.core.picture.Field;
import keentally.core.quantity.Scale;
import org.junit.jupiter.api.Test;

class SamePlaceTest {
    private static final Field SMALL = Field.whole(100, 50);
    private static final Field LARGE = Field.whole(400, 300);

    @Test
    void picturesOfOneSizeArePixelByPixel() {
        Field half = Field.of(100, 50, List.of(new Field.Part(new Rectangle(0, 0, 50, 50), false)));
        assertThat(SamePlace.of(SMALL, Optional.empty(), half, Optional.empty()))
                .isEqualTo(SamePlace.ITSELF);
        assertThat(SamePlace.of(SMALL, scale("2 um/px"), half, Optional.empty()))
                .isEqualTo(SamePlace.ITSELF);
        assertThat(SamePlace.of(SMALL, scale("2 um/px"), half, scale("0.002 mm/px")))
                .isEqualTo(SamePlace.ITSELF);
    }

    @Test
    void withScalesDistancesFromTheMiddleAreReal() {
        SamePlace place = SamePlace.of(SMALL, scale("2 um/px"), LARGE, scale("0.5 um/px"));
        assertThat(place.by()).isEqualTo(SamePlace.By.REAL_UNITS);
        near(place.there(new Point(50, 25)), 200, 150);
        near(place.there(new Point(60, 20)), 240, 130);
        near(place.back().there(new Point(240, 130)), 60, 20);
        assertThat(SamePlace.of(SMALL, scale("2 um/px"), SMALL, scale("1 um/px"))
                        .by())
                .isEqualTo(SamePlace.By.REAL_UNITS);
    }

    @Test
    void withoutThemItIsPartsOfTheField() {
        Field round = Field.of(400, 300, List.of(new Field.Part(new Ellipse(200, 100, 100, 50, 0), false)));
        SamePlace place = SamePlace.of(SMALL, Optional.empty(), round, scale("1 um/px"));
        assertThat(place.by()).isEqualTo(SamePlace.By.PARTS_OF_THE_FIELD);
        near(place.there(new Point(0, 0)), 100, 50);
        near(place.there(new Point(100, 50)), 300, 150);
        near(place.there(new Point(25, 50)), 150, 150);
    }

    @Test
    void bothWindowsShowTheSameMiddleAndTheSameStretch() {
        SamePlace place = SamePlace.of(SMALL, scale("2 um/px"), LARGE, scale("0.5 um/px"));
        Viewport first = new Viewport(40, 10, 8, 160, 120);
        Viewport second = place.there(first, 200, 120);
        Point middle = place.there(new Point(first.pictureX(80), first.pictureY(60)));
        near(new Point(second.pictureX(100), second.pictureY(60)), middle.x(), middle.y());
        assertThat(second.zoom()).isEqualTo(2, within(1e-9));
        Viewport back = place.back().there(second, 160, 120);
        assertThat(back.left()).isEqualTo(first.left(), within(1e-9));
        assertThat(back.zoom()).isEqualTo(first.zoom(), within(1e-9));
    }

    private static Optional<Scale> scale(String text) {
        return Optional.of(Scale.of(text));
    }

    private static void near(Point found, double x, double y) {
        assertThat(found.x()).isEqualTo(x, within(1e-9));
        assertThat(found.y()).isEqualTo(y, within(1e-9));
    }
}
