package keentally.study.series;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import keentally.core.stats.Outliers;
import keentally.study.document.SlideLabel;
import keentally.study.plot.LedgerPlot;

/** A number of the ledger as a dot for each sample that counts. */
public final class SampleDots {
    private SampleDots() {}

    /** Side by side in their groups. */
    public static LedgerPlot byGroup(Ledger ledger, LedgerColumn column) {
        return new LedgerPlot(column.title(), Optional.empty(), dots(ledger, column));
    }

    /** Against the number on the label. */
    public static LedgerPlot byTag(Ledger ledger, LedgerColumn column) {
        String unit = ledger.entries().stream()
                .flatMap(e -> e.thing().label().amount().stream())
                .map(SlideLabel.Amount::unit)
                .filter(u -> !u.isEmpty())
                .findFirst()
                .orElse("");
        String across = unit.isEmpty() ? "Number on the label" : "Number on the label, " + unit;
        return new LedgerPlot(column.title(), Optional.of(across), dots(ledger, column));
    }

    private static List<LedgerPlot.Dot> dots(Ledger ledger, LedgerColumn column) {
        List<LedgerPlot.Dot> dots = new ArrayList<>();
        for (List<LedgerEntry> group : ledger.groups().values()) {
            double[] values = group.stream().mapToDouble(column.value()).toArray();
            boolean[] far = Outliers.of(values);
            for (int i = 0; i < values.length; i++) {
                LedgerEntry entry = group.get(i);
                double tag = entry.thing()
                        .label()
                        .amount()
                        .map(SlideLabel.Amount::value)
                        .orElse(Double.NaN);
                dots.add(new LedgerPlot.Dot(
                        entry.id(), entry.thing().name(), entry.thing().label().group(), tag, values[i], far[i]));
            }
        }
        return dots;
    }
}
