package keentally.core.step;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import keentally.core.measure.Measure;
import keentally.core.measure.ObjectTable;
import keentally.core.picture.Mask;
import keentally.core.picture.PhaseMap;
import keentally.core.picture.Plane8;
import keentally.core.region.ObjectSet;
import keentally.core.setting.ListSetting;

/**
 * Gives every kept object a phase by the first rule that it fits. What fits none, and what no kept object covers, is phase 0, the rest;
 * the other phases are numbered as the rules name them first.
 */
public record SortRegionsStep(List<SortingRule> rules) implements Step {
    public static final String ID = "sort-regions";
    static final String REST = "rest";
    public static final ListSetting<SortingRule> RULES = ListSetting.free("rules", SortingRule.ITEM, 200);

    static final StepDescription DESCRIPTION = new StepDescription(
            ID,
            1,
            Flow.OBJECTS,
            Flow.PHASES,
            Set.of(Use.FIELD, Use.SCALE, Use.SIGNAL),
            List.of(RULES),
            v -> new SortRegionsStep(v.get(RULES)));

    @Override
    public Outcome apply(State before, Site site) throws StepFault {
        ObjectSet objects = before.needObjects();
        List<Measure> measures = rules.stream()
                .flatMap(r -> r.where().stream())
                .map(MeasureRange::measure)
                .distinct()
                .toList();
        ObjectTable table = ObjectTable.of(objects, measures, before.ground(site.signal(), site.work()), site.work());
        List<String> names = names();
        List<List<MeasureRange.Ends>> ends = rules.stream()
                .map(r -> r.where().stream().map(w -> w.ends(before.scale())).toList())
                .toList();
        int[] phase = new int[objects.count()];
        int sorted = 0;
        for (int i = 0; i < phase.length; i++) {
            int rule = firstRule(table, measures, ends, i);
            phase[i] = rule < 0 ? 0 : names.indexOf(rules.get(rule).phase());
            sorted += rule < 0 ? 0 : 1;
        }
        PhaseMap map = new PhaseMap(paint(objects, phase, before.field().mask()), names);
        return new Outcome(
                before.give(map),
                Findings.NONE
                        .count("phases", names.size())
                        .count("sorted", sorted)
                        .count("of", objects.count()));
    }

    private List<String> names() {
        Set<String> names = new LinkedHashSet<>(List.of(REST));
        rules.forEach(r -> names.add(r.phase()));
        return new ArrayList<>(names);
    }

    private int firstRule(ObjectTable table, List<Measure> measures, List<List<MeasureRange.Ends>> ends, int row) {
        for (int r = 0; r < rules.size(); r++) {
            List<MeasureRange> where = rules.get(r).where();
            boolean fits = true;
            for (int w = 0; w < where.size(); w++) {
                double value = table.at(row, measures.indexOf(where.get(w).measure()));
                fits &= ends.get(r).get(w).hold(value);
            }
            if (fits) {
                return r;
            }
        }
        return -1;
    }

    /** Each kept object in its phase, the rest of the field in 0. */
    static Plane8 paint(ObjectSet objects, int[] phase, Mask field) {
        int width = field.width();
        byte[] map = new byte[width * field.height()];
        Arrays.fill(map, (byte) PhaseMap.OUTSIDE);
        for (int y = 0; y < field.height(); y++) {
            for (int x = field.nextSet(y, 0); x < width; ) {
                int end = field.nextClear(y, x);
                Arrays.fill(map, y * width + x, y * width + end, (byte) 0);
                x = field.nextSet(y, end);
            }
        }
        for (int i = 0; i < phase.length; i++) {
            byte number = (byte) phase[i];
            objects.regions()
                    .runs(
                            objects.region(i),
                            (y, from, to) -> Arrays.fill(map, y * width + from, y * width + to, number));
        }
        return Plane8.of(width, field.height(), map);
    }
}
