package keentally.study.starter;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import keentally.core.find.Caption;
import keentally.core.geometry.Rectangle;
import keentally.core.picture.Field;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane8;
import keentally.core.run.Sample;
import org.junit.jupiter.api.Test;

class AskedFieldTest {
    private static final Rectangle STRIP = new Rectangle(0, 20, 40, 10);
    private static final Caption CAPTION = new Caption(Optional.of(STRIP), Optional.empty());

    private static Sample sample(Field.Part... parts) {
        return Sample.of("key", Picture.grey(Plane8.of(40, 30, new byte[1200])), List.of(parts), Optional.empty());
    }

    @Test
    void theStripIsTakenOutOfTheField() {
        AskedField asked = AskedField.of(sample(), CAPTION);
        assertThat(asked.leftOut()).contains(STRIP);
        assertThat(asked.sample().field().pixels()).isEqualTo(40 * 20);
        assertThat(asked.sample().parts()).containsExactly(new Field.Part(STRIP, true));
    }

    @Test
    void aFieldThatLeavesItOutAlreadyStaysAsItIs() {
        Sample fenced = sample(new Field.Part(new Rectangle(0, 0, 40, 20), false));
        AskedField asked = AskedField.of(fenced, CAPTION);
        assertThat(asked.leftOut()).isEmpty();
        assertThat(asked.sample()).isSameAs(fenced);
    }

    @Test
    void withoutACaptionOrWithNothingLeftTheSampleStaysAsItIs() {
        Sample whole = sample();
        assertThat(AskedField.of(whole, Caption.NONE).sample()).isSameAs(whole);
        Caption all = new Caption(Optional.of(new Rectangle(0, 0, 40, 30)), Optional.empty());
        assertThat(AskedField.of(whole, all).sample()).isSameAs(whole);
        assertThat(AskedField.of(whole, all).leftOut()).isEmpty();
    }
}
