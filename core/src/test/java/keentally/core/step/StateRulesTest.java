package keentally.core.step;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Optional;
import keentally.core.Chance;
import keentally.core.geometry.Rectangle;
import keentally.core.label.Labeller;
import keentally.core.picture.Buffers;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.Neighbours;
import keentally.core.picture.PhaseMap;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane;
import keentally.core.region.ObjectSet;
import keentally.core.work.Work;
import org.junit.jupiter.api.Test;

/** The order picture, phases, mask, objects: what giving one of them does to the others. */
class StateRulesTest {
    private static final int SIDE = 12;
    private static final Plane PLANE = new Chance(1).plane8(SIDE, SIDE);
    private static final Picture PICTURE = Picture.grey(PLANE);
    private static final Field FIELD = Field.whole(SIDE, SIDE);
    private static final Mask MASK = new Chance(2).mask(SIDE, SIDE);
    private static final ObjectSet OBJECTS = ObjectSet.of(Labeller.regions(MASK, Neighbours.EIGHT, Work.alone()));
    private static final State START = State.of(PICTURE, FIELD, Optional.empty());
    private static final PhaseMap PHASES = PhaseMap.of(MASK, FIELD);
    private static final State ALL = START.give(PHASES).give(MASK).give(OBJECTS);

    @Test
    void aPictureClearsNothing() {
        State after = ALL.give(Picture.grey(new Chance(3).plane8(SIDE, SIDE)));
        assertThat(after.phases()).isEqualTo(ALL.phases());
        assertThat(after.mask()).isEqualTo(ALL.mask());
        assertThat(after.objects()).isEqualTo(ALL.objects());
        assertThat(after.original()).isSameAs(PICTURE);
        assertThat(after.current()).isNotSameAs(PICTURE);
    }

    @Test
    void phasesClearMaskAndObjects() {
        State after = ALL.give(PHASES);
        assertThat(after.phases()).contains(PHASES);
        assertThat(after.mask()).isEmpty();
        assertThat(after.objects()).isEmpty();
        assertThat(after.flow()).isEqualTo(Flow.PHASES);
    }

    @Test
    void aMaskClearsObjectsAndKeepsPhases() {
        State after = ALL.give(Mask.full(SIDE, SIDE));
        assertThat(after.phases()).isEqualTo(ALL.phases());
        assertThat(after.objects()).isEmpty();
        assertThat(after.flow()).isEqualTo(Flow.MASK);
    }

    @Test
    void objectsSetTheMaskToTheUnionOfThoseKept() {
        ObjectSet some = OBJECTS.drop("gate-1", region -> region % 2 == 0);
        State after = START.give(Mask.full(SIDE, SIDE)).give(some);
        assertThat(after.needMask()).isEqualTo(some.mask());
        assertThat(after.flow()).isEqualTo(Flow.OBJECTS);
    }

    @Test
    void aMaskIsEmptyOutsideTheField() {
        Field left = Field.of(SIDE, SIDE, List.of(new Field.Part(new Rectangle(0, 0, 5, SIDE), false)));
        State after = State.of(PICTURE, left, Optional.empty()).give(Mask.full(SIDE, SIDE));
        assertThat(after.needMask()).isEqualTo(left.mask());
    }

    @Test
    void aFieldOfAnotherSizeIsRefused() {
        assertThatThrownBy(() -> State.of(PICTURE, Field.whole(3, 3), Optional.empty()))
                .hasMessage("a field of 3 × 3 does not fit a picture of 12 × 12");
    }

    @Test
    void aColourPictureSaysWhichStepToAdd() {
        State colour = State.of(Picture.colour(PLANE, PLANE, PLANE), FIELD, Optional.empty());
        assertThatThrownBy(colour::plane)
                .isInstanceOf(StepFault.class)
                .hasMessageContaining("red, green, blue")
                .hasMessageContaining("add a 'channel' step before it");
    }

    @Test
    void theSignalIsAChannelOfTheOriginal() throws StepFault {
        Plane other = new Chance(4).plane8(SIDE, SIDE);
        State prepared = START.give(Picture.grey(other));
        assertThat(prepared.signal("grey", Work.alone())).isSameAs(PLANE);
        assertThat(prepared.signal(State.PREPARED, Work.alone())).isSameAs(other);
        assertThatThrownBy(() -> prepared.signal("blue", Work.alone()))
                .hasMessage("takes brightness from 'blue', but the picture has grey");
    }

    @Test
    void greyOfAColourPictureIsExact() throws StepFault {
        Plane red = new Chance(5).plane8(SIDE, SIDE);
        Plane green = new Chance(6).plane8(SIDE, SIDE);
        Plane blue = new Chance(7).plane8(SIDE, SIDE);
        Plane grey = State.of(Picture.colour(red, green, blue), FIELD, Optional.empty())
                .signal("grey", Work.alone());
        Plane same =
                State.of(Picture.colour(red, red, red), FIELD, Optional.empty()).signal("grey", Work.alone());
        for (int i = 0; i < SIDE * SIDE; i++) {
            int x = i % SIDE;
            int y = i / SIDE;
            double expected = (2126 * red.at(x, y) + 7152 * green.at(x, y) + 722 * blue.at(x, y)) / 10000.0;
            assertThat(grey.at(x, y)).isEqualTo((float) expected);
            assertThat(same.at(x, y)).isEqualTo(red.at(x, y));
        }
    }

    @Test
    void memoryIsCountedOnce() {
        long picture = START.original().bytes();
        assertThat(Buffers.of(START).bytes()).isEqualTo(picture);
        assertThat(Buffers.of(START.give(MASK)).bytes()).isEqualTo(picture + MASK.bytes());
        Buffers two = new Buffers();
        two.add(START.give(MASK));
        two.add(START.give(MASK).aside("kept", MASK));
        assertThat(two.bytes()).isEqualTo(picture + MASK.bytes());
        assertThat(Buffers.of(ALL).bytes())
                .isEqualTo(picture
                        + ALL.needPhases().map().bytes()
                        + ALL.needMask().bytes()
                        + Buffers.of(OBJECTS).bytes());
    }
}
