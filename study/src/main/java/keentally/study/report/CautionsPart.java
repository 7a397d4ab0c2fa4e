package keentally.study.report;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import keentally.core.words.Words;
import keentally.study.caution.Caution;
import keentally.study.report.Block.Head;

/** What may mislead, said for each sample; the reason once. */
final class CautionsPart {
    private CautionsPart() {}

    static List<Block> of(ReportMaterial material) {
        Map<String, List<List<String>>> seen = new LinkedHashMap<>();
        Map<String, Caution> first = new LinkedHashMap<>();
        for (String id : material.study().samples()) {
            material.of(id)
                    .ifPresent(g -> g.record().cautions().forEach(c -> {
                        first.putIfAbsent(c.id(), c);
                        seen.computeIfAbsent(c.id(), k -> new ArrayList<>())
                                .add(List.of(material.thing(id).name(), Words.spoken(c.saw())));
                    }));
        }
        List<Block> blocks = new ArrayList<>();
        if (first.isEmpty()) {
            blocks.add(new Block.Text("No caution was given on any sample."));
        }
        first.forEach((id, caution) -> {
            blocks.add(new Block.Table(List.of(Head.words("Sample"), Head.words("What was seen")), seen.get(id)));
            blocks.add(new Block.Note("Why it matters: " + Words.spoken(caution.why())));
        });
        return blocks;
    }
}
