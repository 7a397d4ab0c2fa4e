package keentally.study.store;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;
import keentally.core.method.Held;
import keentally.core.method.MethodStep;
import keentally.study.Program;
import keentally.study.document.FieldText;
import keentally.study.document.PictureRef.Source;
import keentally.study.document.Thing.SampleThing;
import keentally.study.file.Json;
import keentally.study.file.Sha256;
import keentally.study.method.MethodFile;
import keentally.study.run.SampleRequest;

/** One word for all that the outcome of a sample hangs on: as long as it is the same, so is every number. */
public final class SampleKey {
    private SampleKey() {}

    /** @param tallies what was counted by hand, by counter */
    public static String of(SampleRequest request, SortedMap<String, Integer> tallies) {
        SampleThing thing = request.thing();
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("program", Program.VERSION);
        tree.put("method", MethodFile.hash(request.method()));
        tree.put(
                "held",
                request.method().steps().stream()
                        .flatMap(s -> s.held().stream())
                        .map(Held::toString)
                        .toList());
        List<Object> muted = new ArrayList<>();
        for (MethodStep step : request.method().steps()) {
            muted.add(step.id() + " " + step.muted());
        }
        tree.put("steps", muted);
        tree.put(
                "picture",
                thing.picture().sources().stream().map(SampleKey::source).toList());
        tree.put("field", thing.field().stream().map(FieldText::write).toList());
        tree.put("fieldFrom", thing.fieldFrom().toString());
        tree.put("scale", thing.calibration().map(Object::toString).orElse(""));
        tree.put("mass", thing.mass().map(Object::toString).orElse(""));
        tree.put("densities", new TreeMap<>(request.weighing().densities()));
        tree.put("typed", thing.numbers());
        tree.put("tag", thing.label().amount().map(Object::toString).orElse(""));
        tree.put("departures", request.departures().toString());
        tree.put("several", request.several());
        tree.put("tallies", tallies);
        Map<String, Object> hand = new TreeMap<>();
        request.hand().forEach((step, work) -> hand.put(step, HandText.write(work)));
        tree.put("hand", hand);
        return Sha256.of(Json.compact(tree));
    }

    private static String source(Source source) {
        String picture = source.stamp()
                .map(s -> s.sha256())
                .orElseGet(() -> source.file().toString());
        return source.channel() + "=" + picture + "#" + source.page();
    }
}
