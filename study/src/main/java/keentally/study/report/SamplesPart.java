package keentally.study.report;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import keentally.core.words.Figures;
import keentally.core.words.Words;
import keentally.study.document.SlideLabel;
import keentally.study.report.Block.Shot;
import keentally.study.report.ReportMaterial.Gathered;
import keentally.study.run.SampleRecord;
import keentally.study.series.ObjectSums;

/** Every sample: its picture, and what its method found on it. */
final class SamplesPart {
    private SamplesPart() {}

    static List<Block> of(ReportMaterial material) {
        List<Block> blocks = new ArrayList<>();
        for (String id : material.study().samples()) {
            material.of(id).ifPresent(g -> blocks.add(sample(material, id, g)));
        }
        return blocks;
    }

    private static Block sample(ReportMaterial material, String id, Gathered gathered) {
        List<Block> blocks = new ArrayList<>();
        SlideLabel label = material.thing(id).label();
        blocks.add(new Block.Heading(label.name()));
        String about = about(material, id, gathered);
        if (!about.isEmpty()) {
            blocks.add(new Block.Text(about));
        }
        gathered.sight().ifPresent(s -> blocks.add(pictures(s, gathered)));
        return new Block.Together(blocks);
    }

    private static String about(ReportMaterial material, String id, Gathered gathered) {
        List<String> said = new ArrayList<>();
        SlideLabel label = material.thing(id).label();
        if (!label.group().isEmpty()) {
            said.add("Group " + label.group());
        }
        label.amount().ifPresent(a -> said.add(a.toString()));
        if (!label.note().isEmpty()) {
            said.add(label.note());
        }
        SampleRecord record = gathered.record();
        said.add("%s × %s px"
                .formatted(
                        Figures.number(record.origin().width()),
                        Figures.number(record.origin().height())));
        said.add("method: "
                + material.study().method(material.thing(id).method()).name());
        record.error().ifPresent(e -> said.add("not to be run: " + Words.spoken(e)));
        material.thing(id).leftOut().ifPresent(r -> said.add("left out: " + r));
        return String.join(" · ", said);
    }

    private static Block pictures(SampleSight sight, Gathered gathered) {
        List<Shot> shots = new ArrayList<>();
        shots.add(new Shot(sight.bare(), "jpeg", "The picture"));
        sight.outlined().ifPresent(o -> shots.add(new Shot(o, "jpeg", found(gathered))));
        return new Block.Pictures(shots);
    }

    private static String found(Gathered gathered) {
        Optional<ObjectSums> objects = gathered.row().objects();
        if (objects.isPresent()) {
            int count = objects.get().count();
            return "What was found: " + Figures.number(count) + (count == 1 ? " object" : " objects");
        }
        return "What was found: "
                + gathered.record().numbers().stream()
                        .flatMap(n -> n.phases().stream())
                        .map(p -> p.name() + " " + Figures.percent(p.percent()) + " %")
                        .collect(Collectors.joining(", "));
    }
}
