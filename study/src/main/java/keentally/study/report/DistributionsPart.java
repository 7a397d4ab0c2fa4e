package keentally.study.report;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import keentally.core.words.Figures;
import keentally.core.work.Cancel;
import keentally.study.plot.LedgerPlot;
import keentally.study.plot.SizesPlot;
import keentally.study.series.GroupSizes;
import keentally.study.series.Ledger;
import keentally.study.series.LedgerColumn;
import keentally.study.series.LedgerEntry;
import keentally.study.series.SampleDots;

/** How the samples lie to each other, and how large their objects are. */
final class DistributionsPart {
    private DistributionsPart() {}

    static List<Block> of(ReportMaterial material) {
        List<Block> blocks = new ArrayList<>();
        for (ReportMaterial.Used used : material.methods()) {
            Ledger ledger = used.ledger();
            Optional<LedgerColumn> main = MainNumber.of(ledger);
            if (main.isEmpty()) {
                continue;
            }
            List<Block> plots = new ArrayList<>();
            dots(ledger, main.get()).ifPresent(plots::add);
            sizes(material, ledger).ifPresent(plots::add);
            for (int i = 0; i < plots.size(); i++) {
                blocks.add(
                        i == 0
                                ? Block.Together.of(
                                        new Block.Heading(used.method().name()), plots.get(i))
                                : plots.get(i));
            }
        }
        return blocks;
    }

    /** Against the number on the label where the samples differ in it, else by group; nothing for one sample. */
    private static Optional<Block> dots(Ledger ledger, LedgerColumn number) {
        List<LedgerEntry> counting =
                ledger.entries().stream().filter(LedgerEntry::counts).toList();
        if (counting.size() < 2) {
            return Optional.empty();
        }
        long tags = counting.stream()
                .flatMap(e -> e.thing().label().amount().stream())
                .distinct()
                .count();
        LedgerPlot plot = tags > 1 ? SampleDots.byTag(ledger, number) : SampleDots.byGroup(ledger, number);
        String caption = tags > 1
                ? plot.trend()
                        .map(t -> "A dot for each sample; the line fitted to them rises by "
                                + Figures.number(t.slope())
                                + (Double.isNaN(t.slopeHalfWidth()) ? "" : " ± " + Figures.number(t.slopeHalfWidth()))
                                + " for one more on the label, R² " + Figures.fixed(t.rSquared(), 3)
                                + ", with the 95 % interval of the line.")
                        .orElse("A dot for each sample.")
                : "A dot for each sample, with the mean of each group and its 95 % interval.";
        return Optional.of(new Block.Plot(plot.drawing(), number.title() + ". " + caption));
    }

    private static Optional<Block> sizes(ReportMaterial material, Ledger ledger) {
        Optional<LedgerColumn> of = ledger.numbers().stream()
                .filter(c -> c.id().startsWith("mean_ecd"))
                .findFirst()
                .or(() -> ledger.numbers().stream()
                        .filter(c -> c.id().startsWith("mean_"))
                        .findFirst());
        Optional<SizesPlot> plot = of.flatMap(c ->
                GroupSizes.of(ledger, c, id -> material.of(id).map(ReportMaterial.Gathered::record), new Cancel()));
        return plot.map(p ->
                new Block.Plot(p.drawing(), p.title() + ": what share of the objects has no more of it, by number."));
    }
}
