package keentally.study.report;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import keentally.core.agree.Agreement;
import keentally.core.hand.Marks;
import keentally.core.hand.TallyClass;
import keentally.core.words.Figures;
import keentally.study.report.Block.Head;

/** What was counted by hand, and how the methods' objects agree with it. */
final class HandCountPart {
    private HandCountPart() {}

    static List<Block> of(ReportMaterial material) {
        List<List<String>> counts = new ArrayList<>();
        List<List<String>> agreements = new ArrayList<>();
        double reach = 0;
        for (String id : material.study().samples()) {
            String sample = material.thing(id).name();
            for (Map.Entry<String, Marks> tally : material.study().tallies(id).entrySet()) {
                counts.add(List.of(
                        sample,
                        tally.getKey(),
                        String.valueOf(tally.getValue().list().size()),
                        classes(material, tally.getValue())));
            }
            Optional<SampleSight> sight = material.of(id).flatMap(ReportMaterial.Gathered::sight);
            if (sight.isPresent()) {
                reach = sight.get().reach();
                sight.get().agreements().forEach(c -> agreements.add(row(material, sample, c)));
            }
        }
        List<Block> blocks = new ArrayList<>();
        if (counts.isEmpty()) {
            return blocks;
        }
        blocks.add(new Block.Table(
                List.of(Head.words("Sample"), Head.words("Counted by"), Head.number("Marks"), Head.words("By class")),
                counts));
        if (!agreements.isEmpty()) {
            blocks.add(new Block.Heading("Held against the objects of the method"));
            blocks.add(new Block.Table(
                    List.of(
                            Head.words("Sample"),
                            Head.words("Counted by"),
                            Head.words("Class"),
                            Head.number("Marks"),
                            Head.number("Objects"),
                            Head.number("Matched"),
                            Head.number("Missed"),
                            Head.number("Extra"),
                            Head.number("Precision"),
                            Head.number("Recall"),
                            Head.number("F1"),
                            Head.number("Difference")),
                    agreements));
            blocks.add(
                    new Block.Note(
                            "A mark goes with the object that it lies in, else with the nearest within "
                                    + Figures.number(reach)
                                    + " px, one to one. The difference is objects less marks, with its 95 %"
                                    + " interval. Each class is held against all objects: what a method is after is the class that it finds."));
        }
        return blocks;
    }

    private static String classes(ReportMaterial material, Marks marks) {
        Map<String, Integer> counts = marks.counts();
        return material.study().classes().stream()
                .filter(c -> counts.containsKey(c.id()))
                .map((TallyClass c) -> c.name() + " " + counts.get(c.id()))
                .collect(Collectors.joining(", "));
    }

    private static List<String> row(ReportMaterial material, String sample, SampleSight.Counted counted) {
        Agreement of = counted.agreement();
        String kind = material.study().classes().stream()
                .filter(c -> c.id().equals(counted.kind()))
                .map(TallyClass::name)
                .findFirst()
                .orElse("–");
        return List.of(
                sample,
                counted.counter(),
                kind,
                String.valueOf(of.first()),
                String.valueOf(of.second()),
                String.valueOf(of.matched()),
                String.valueOf(of.missed().length),
                String.valueOf(of.extra().length),
                Figures.number(of.precision()),
                Figures.number(of.recall()),
                Figures.number(of.f1()),
                "%+d ± %s".formatted(of.difference(), Figures.number(of.margin())));
    }
}
