package keentally.study.document;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import keentally.core.geometry.Ellipse;
import keentally.core.geometry.Polygon;
import keentally.core.geometry.Rectangle;
import keentally.core.picture.Field;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class FieldTextTest {
    @Test
    void shapesAreReadInPixels() {
        assertThat(FieldText.read("rect:1,2,30,40")).isEqualTo(new Field.Part(new Rectangle(1, 2, 30, 40), false));
        assertThat(FieldText.read("not:ellipse: 5, 6, 7, 8"))
                .isEqualTo(new Field.Part(new Ellipse(5, 6, 7, 8, 0), true));
        assertThat(FieldText.read("polygon:0,0,9,0,9,9"))
                .isEqualTo(new Field.Part(Polygon.of(0, 0, 9, 0, 9, 9), false));
        Field whole = Field.of(50, 40, List.of(FieldText.read("whole"), FieldText.read("not:rect:0,0,50,10")));
        assertThat(whole.pixels()).isEqualTo(50 * 30);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "square:1,2",
                "rect:1,2,3",
                "rect:1,2,0,4",
                "ellipse:1,2,3,-4",
                "polygon:1,2,3,4",
                "rect:a,b,c,d",
                "whole:1"
            })
    void mistakesAreQuoted(String text) {
        assertThatThrownBy(() -> FieldText.read(text))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("the field \"" + text + "\"");
    }
}
