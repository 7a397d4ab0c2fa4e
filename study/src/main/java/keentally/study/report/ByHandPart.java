package keentally.study.report;

import java.util.ArrayList;
import java.util.List;
import keentally.core.method.Departures.Departure;
import keentally.core.words.SettingWords;
import keentally.study.document.Study;
import keentally.study.report.Block.Head;
import keentally.study.run.SampleRecord.Numbers;

/** Where samples differ from their methods, where a hand went in, and which samples were left out. */
final class ByHandPart {
    private ByHandPart() {}

    static List<Block> of(ReportMaterial material) {
        Study study = material.study();
        List<List<String>> rows = new ArrayList<>();
        for (String id : study.samples()) {
            String sample = material.thing(id).name();
            String method = material.thing(id).method();
            for (Departure departure : study.departures(id).list()) {
                rows.add(
                        List.of(sample, "Setting of its own", SettingWords.departure(departure, study.method(method))));
            }
            long edits = material.of(id).stream()
                    .flatMap(g -> g.record().numbers().stream())
                    .mapToLong(Numbers::handEdits)
                    .sum();
            if (edits > 0) {
                rows.add(List.of(sample, "By hand", edits == 1 ? "1 correction" : edits + " corrections"));
            }
            material.thing(id).leftOut().ifPresent(reason -> rows.add(List.of(sample, "Left out of sums", reason)));
        }
        return rows.isEmpty()
                ? List.of(
                        new Block.Text("Every sample was run as its method says, nothing was corrected by hand, and no"
                                + " sample was left out."))
                : List.of(
                        new Block.Table(List.of(Head.words("Sample"), Head.words("What"), Head.words("Which")), rows));
    }
}
