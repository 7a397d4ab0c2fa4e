package keentally.desk.model;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import keentally.core.hand.HandWork;
import keentally.core.picture.Field;
import keentally.core.run.Sample;
import keentally.study.document.Study;
import keentally.study.document.Thing.SampleThing;

/** Makes samples for the runner; the field drawn last is not drawn again while its shapes stay. For any thread. */
final class SampleMaker {
    /** What the study says of a sample, for a method. */
    record SampleRequest(SampleThing thing, Map<String, HandWork> hand) {
        static SampleRequest of(Study study, String sampleId, String methodId) {
            return new SampleRequest(study.sample(sampleId).orElseThrow(), study.hand(sampleId, methodId));
        }
    }

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
        Sample made = same
                ? last.get().with(thing.scale()).with(asked.hand())
                : Sample.of(key, open.file().picture(), parts, thing.scale()).with(asked.hand());
        last = Optional.of(made);
        return made;
    }
}
