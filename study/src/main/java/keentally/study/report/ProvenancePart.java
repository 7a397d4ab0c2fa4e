package keentally.study.report;

import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import keentally.study.Program;
import keentally.study.method.MethodFile;
import keentally.study.report.Block.Head;

/** What every number leads back to. */
final class ProvenancePart {
    private ProvenancePart() {}

    static List<Block> of(ReportMaterial material) {
        List<Block> blocks = new ArrayList<>();
        blocks.add(new Block.Table(
                List.of(Head.words("What"), Head.words("Which")),
                List.of(
                        List.of("Program", Program.NAME + " " + Program.VERSION),
                        List.of("Study", material.name()),
                        List.of("Report made on", material.made().toString()),
                        List.of(
                                "Samples",
                                String.valueOf(material.study().samples().size())))));
        blocks.add(new Block.Heading("Methods"));
        blocks.add(new Block.Table(
                List.of(Head.words("Method"), Head.words("SHA-256 of its canonical form")),
                material.methods().stream()
                        .map(m -> List.of(m.method().name(), MethodFile.hash(m.method())))
                        .toList()));
        blocks.add(new Block.Heading("Pictures"));
        blocks.add(new Block.Table(
                List.of(
                        Head.words("Sample"),
                        Head.words("File"),
                        Head.words("SHA-256 of the picture, and its page"),
                        Head.words("Run on")),
                pictures(material)));
        return blocks;
    }

    private static List<List<String>> pictures(ReportMaterial material) {
        List<List<String>> rows = new ArrayList<>();
        for (String id : material.study().samples()) {
            String ran = material.ran().containsKey(id)
                    ? material.ran()
                            .get(id)
                            .atZone(ZoneOffset.UTC)
                            .toLocalDate()
                            .toString()
                    : "for this report";
            String files = material.thing(id).picture().sources().stream()
                    .map(s -> s.file().getFileName() + (s.channel().isEmpty() ? "" : " (" + s.channel() + ")"))
                    .collect(Collectors.joining(", "));
            String picture = material.of(id)
                    .map(g -> g.record().origin().picture())
                    .filter(p -> !p.isEmpty())
                    .orElse("not to be read");
            rows.add(List.of(material.thing(id).name(), files, picture, ran));
        }
        return rows;
    }
}
