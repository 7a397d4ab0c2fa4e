package keentally.core.run;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import keentally.core.measure.Ground;
import keentally.core.measure.ObjectTable;
import keentally.core.picture.PhaseMap;
import keentally.core.region.ObjectSet;
import keentally.core.region.Regions;
import keentally.core.step.State;
import keentally.core.work.Work;

/**
 * The numbers at the end of a run.
 *
 * @param objects the kept objects with the method's measures; empty where the method ends in a picture or in phases
 * @param phases what the fractions are of: the phase map where the last state still has one, else the final mask; empty
 *     where it has neither
 * @param fractions one a phase
 * @param keptPixels what the kept objects cover, in pixels
 * @param objectPhases for each kept object the phase that most of it lies in; the lowest of those that tie
 */
public record Readings(
        State state,
        Optional<ObjectTable> objects,
        Optional<PhaseMap> phases,
        List<PhaseReading> fractions,
        long keptPixels,
        int[] objectPhases) {

    /** @param ground what objects are measured on */
    static Readings of(Run run, State last, Ground ground, Work work) {
        Optional<PhaseMap> phases = last.phases().or(() -> last.mask().map(mask -> PhaseMap.of(mask, last.field())));
        Optional<ObjectTable> table = last.objects()
                .map(objects -> ObjectTable.of(objects, run.method().columns(), ground, work));
        List<PhaseReading> fractions = new ArrayList<>();
        phases.ifPresent(
                map -> fractions.addAll(PhaseSums.of(map, ground.signal(), last.original(), last.field(), work)));
        long kept = last.objects().map(o -> o.mask().count()).orElse(0L);
        int[] in = last.objects()
                .map(objects -> objectPhases(objects, last.phases()))
                .orElse(new int[0]);
        return new Readings(last, table, phases, List.copyOf(fractions), kept, in);
    }

    private static int[] objectPhases(ObjectSet objects, Optional<PhaseMap> phases) {
        int[] in = new int[objects.count()];
        for (int i = 0; i < in.length; i++) {
            int region = objects.region(i);
            in[i] = phases.map(map -> mostCommon(map, objects.regions(), region))
                    .orElse(1);
        }
        return in;
    }

    private static int mostCommon(PhaseMap phases, Regions regions, int region) {
        int width = phases.map().width();
        byte[] map = phases.map().values();
        long[] counts = new long[PhaseMap.OUTSIDE + 1];
        regions.runs(region, (y, from, to) -> {
            for (int x = from; x < to; x++) {
                counts[map[y * width + x] & 0xff]++;
            }
        });
        int best = 0;
        for (int i = 1; i < PhaseMap.OUTSIDE; i++) {
            best = counts[i] > counts[best] ? i : best;
        }
        return best;
    }
}
