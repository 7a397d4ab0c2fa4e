package keentally.study.series;

import java.util.List;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import keentally.core.picture.Field;
import keentally.study.document.Calibration;
import keentally.study.document.FieldText;
import keentally.study.document.Study;
import keentally.study.document.Thing.SampleThing;
import keentally.study.run.SampleRequest;
import keentally.study.store.SampleKey;

/**
 * One sample of a series.
 *
 * @param id in its study
 * @param request what the study says of it
 * @param key of all that the outcome hangs on
 * @param scaleFrom in words; empty without a scale
 * @param fieldFrom in words
 * @param tallies what was counted by hand, by counter
 */
public record SeriesSample(
        String id,
        SampleRequest request,
        String key,
        String scaleFrom,
        String fieldFrom,
        SortedMap<String, Integer> tallies) {

    /** A sample with the method that is used on it. */
    public static SeriesSample of(Study study, String id) {
        SampleThing thing = study.sample(id).orElseThrow();
        SampleRequest request = SampleRequest.of(study, id, thing.method());
        TreeMap<String, Integer> tallies = new TreeMap<>();
        study.tallies(id)
                .forEach((counter, marks) -> tallies.put(counter, marks.list().size()));
        return new SeriesSample(
                id,
                request,
                SampleKey.of(request, tallies),
                thing.calibration().map(SeriesSample::from).orElse(""),
                field(thing),
                tallies);
    }

    private static String from(Calibration calibration) {
        String origin = switch (calibration.origin()) {
            case TYPED -> "typed";
            case DRAWN -> "drawn";
            case FOUND -> "found";
            case FILE -> "from the file";
            case GIVEN -> "copied";
            case DEMO -> "known of the demo";
        };
        return calibration.how().isEmpty() ? origin : origin + " (" + calibration.how() + ")";
    }

    private static String field(SampleThing thing) {
        List<Field.Part> parts = thing.field();
        return parts.isEmpty()
                ? "whole picture"
                : IntStream.range(0, parts.size())
                        .mapToObj(i -> part(parts.get(i)) + ", "
                                + thing.fieldFrom().get(i).words())
                        .collect(Collectors.joining("; "));
    }

    private static String part(Field.Part part) {
        String text = FieldText.write(part);
        int colon = text.startsWith("not:") ? text.indexOf(':', 4) : text.indexOf(':');
        return (colon < 0 ? text : text.substring(0, colon)).replace("not:", "without ");
    }

    public SampleThing thing() {
        return request.thing();
    }
}
