package keentally.study.run;

import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;
import keentally.core.hand.HandWork;
import keentally.core.method.Departures;
import keentally.core.method.Method;
import keentally.core.run.Sample;
import keentally.study.caution.Background;
import keentally.study.document.SlideLabel;
import keentally.study.document.Study;
import keentally.study.document.Thing.SampleThing;
import keentally.study.picture.PictureFile;

/**
 * What a study says of a sample, for a method: all that a run needs but the picture.
 *
 * @param method as it goes on the sample, departures and all
 * @param several whether the method is used on more than one sample
 */
public record SampleRequest(
        SampleThing thing,
        Method method,
        Map<String, HandWork> hand,
        Weighing weighing,
        Departures departures,
        boolean several) {
    public static SampleRequest of(Study study, String sampleId, String methodId) {
        SampleThing thing = study.sample(sampleId).orElseThrow();
        Map<String, Double> densities = new TreeMap<>();
        study.phaseNotes(methodId).forEach((phase, note) -> note.density().ifPresent(d -> densities.put(phase, d)));
        long used = study.samples().stream()
                .flatMap(id -> study.sample(id).stream())
                .filter(s -> s.method().equals(methodId))
                .count();
        return new SampleRequest(
                thing,
                study.methodOn(sampleId, methodId),
                study.hand(sampleId, methodId),
                new Weighing(thing.mass(), densities, false),
                study.departures(sampleId, methodId),
                used > 1);
    }

    /** @throws IllegalArgumentException where the field holds no pixel of the picture, as that of another file may not */
    public Sample sample(PictureFile file) {
        return Sample.of(file.key(), file.picture(), thing.field(), thing.scale())
                .with(hand);
    }

    /** With the sample made. */
    public SampleOrder order(Sample made, Background background) {
        Optional<SlideLabel.Amount> amount = thing.label().amount();
        OptionalDouble tag = amount.isPresent() ? OptionalDouble.of(amount.get().value()) : OptionalDouble.empty();
        return new SampleOrder(
                thing.name(), made, background, several, weighing, new TypedNumbers(tag, thing.numbers()), departures);
    }
}
