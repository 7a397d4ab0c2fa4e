package keentally.desk.model;

import java.util.List;
import java.util.Optional;
import keentally.core.picture.Field;
import keentally.core.run.Sample;
import keentally.study.document.Thing.SampleThing;
import keentally.study.run.SampleRequest;

/** Makes samples for the runner; the field drawn last is not drawn again while its shapes stay. For any thread. */
final class SampleMaker {
    private Optional<Sample> last = Optional.empty();

    /** @throws IllegalArgumentException where the field holds no pixel of the picture, as that of another file may not */
    synchronized Sample sample(OpenSample open, SampleRequest asked) {
        SampleThing thing = asked.thing();
        String key = open.file().key();
        List<Field.Part> parts = thing.field();
        boolean same = last.isPresent()
                && last.get().key().equals(key)
                && last.get().picture() == open.file().picture()
                && last.get().parts().equals(parts);
        Sample made = same ? last.get().with(thing.scale()).with(asked.hand()) : asked.sample(open.file());
        last = Optional.of(made);
        return made;
    }
}
