package keentally.study.report;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.DoubleStream;
import keentally.core.method.Method;
import keentally.core.method.MethodStep;
import keentally.core.step.State;
import keentally.core.words.Figures;
import keentally.core.words.StepSentence;
import keentally.core.words.Words;
import keentally.study.document.Approval;
import keentally.study.run.SampleRecord.CutAt;
import keentally.study.run.SampleRecord.Numbers;
import keentally.study.series.LedgerEntry;

/** What was done, in sentences that a colleague could follow. */
final class MethodsPart {
    private MethodsPart() {}

    static List<Block> of(ReportMaterial material) {
        List<Block> blocks = new ArrayList<>();
        for (ReportMaterial.Used used : material.methods()) {
            blocks.add(Block.Together.of(
                    new Block.Heading(used.method().name()),
                    new Block.Text(usedOn(used) + " " + measured(used.method())),
                    new Block.Sentences(sentences(used)),
                    new Block.Note(locked(material, used))));
        }
        return blocks;
    }

    private static String usedOn(ReportMaterial.Used used) {
        int samples = used.entries().size();
        return samples == 1
                ? "Used on " + used.entries().getFirst().thing().name() + "."
                : "Used on " + samples + " samples.";
    }

    private static String measured(Method method) {
        String signal = method.signal().equals(State.PREPARED)
                ? "the picture as the steps prepared it"
                : "the channel " + method.signal() + " of the original picture";
        return "Brightness was measured on " + signal + ".";
    }

    private static List<String> sentences(ReportMaterial.Used used) {
        List<String> sentences = new ArrayList<>();
        for (int i = 0; i < used.method().steps().size(); i++) {
            MethodStep step = used.method().steps().get(i);
            sentences.add(
                    step.muted()
                            ? Words.title(step.description()) + " was switched off."
                            : StepSentence.of(step) + cuts(used, i + 1, step));
        }
        return sentences.isEmpty() ? List.of("Nothing was done to the picture.") : sentences;
    }

    /** Where a station that fits itself parted values; nothing for one that is told where. */
    private static String cuts(ReportMaterial.Used used, int number, MethodStep step) {
        if (step.fitting().isEmpty()) {
            return "";
        }
        List<List<Double>> cuts = used.entries().stream()
                .flatMap(e -> e.row().stream())
                .flatMap(r -> r.record().numbers().stream())
                .map(Numbers::cuts)
                .map(all -> all.stream()
                        .filter(c -> c.step() == number)
                        .map(CutAt::value)
                        .toList())
                .filter(c -> !c.isEmpty())
                .toList();
        if (cuts.isEmpty()) {
            return "";
        }
        List<String> said = new ArrayList<>();
        for (int c = 0; c < cuts.getFirst().size(); c++) {
            int at = c;
            double[] values = cuts.stream()
                    .filter(l -> l.size() > at)
                    .mapToDouble(l -> l.get(at))
                    .toArray();
            double least = DoubleStream.of(values).min().orElseThrow();
            double most = DoubleStream.of(values).max().orElseThrow();
            said.add(least == most ? Figures.number(least) : Words.range(Figures.number(least), Figures.number(most)));
        }
        return " It lay at " + String.join(" and ", said) + (cuts.size() > 1 ? ", sample by sample." : ".");
    }

    /** Whether it was locked before it was first used. */
    private static String locked(ReportMaterial material, ReportMaterial.Used used) {
        Optional<Approval> approval = material.study().approval(used.id());
        if (approval.isEmpty()) {
            return "The method was not locked.";
        }
        String by =
                "Locked by " + approval.get().by() + " on " + day(approval.get().at());
        List<Instant> ran = used.entries().stream()
                .map(LedgerEntry::id)
                .map(material.ran()::get)
                .filter(Objects::nonNull)
                .sorted()
                .toList();
        if (ran.isEmpty()) {
            return by + ", before any sample of it was run.";
        }
        boolean before = approval.get().at().isBefore(ran.getFirst());
        return by + (before ? ", before" : ", after") + " its first sample was run (" + day(ran.getFirst()) + ").";
    }

    private static LocalDate day(Instant at) {
        return at.atZone(ZoneOffset.UTC).toLocalDate();
    }
}
