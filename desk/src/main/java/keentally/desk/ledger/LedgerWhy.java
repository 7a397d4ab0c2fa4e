package keentally.desk.ledger;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import keentally.core.words.Figures;
import keentally.core.words.Sentences;
import keentally.desk.help.Topic;
import keentally.desk.help.Why;
import keentally.desk.look.Texts;
import keentally.study.document.Study;
import keentally.study.series.LedgerColumn;
import keentally.study.series.LedgerEntry;

/** Why a number of the ledger is so: of one sample, or of several together. */
final class LedgerWhy {
    private LedgerWhy() {}

    /** Of one sample; what is to be run again has no number that could be asked about. */
    static Optional<Topic> of(Study study, LedgerColumn column, LedgerEntry entry) {
        double value = column.value().applyAsDouble(entry);
        if (Double.isNaN(value) || entry.standing() != LedgerEntry.Standing.DONE) {
            return Optional.empty();
        }
        return Optional.of(new Topic.OfNumber(
                Texts.of("why.of", Sentences.told(column.title()), entry.thing().name()),
                Figures.number(value),
                List.of(column.about().get()),
                Topic.Whose.of(study, entry.id()),
                "",
                Optional.of(column)
                        .filter(LedgerColumn::isWorkedOut)
                        .map(of -> Why.byRecord(
                                record -> of.value().applyAsDouble(entry.cameTo(record)), Figures::number))));
    }

    /**
     * Of the samples of a group together.
     *
     * @param kind of number, as the head of its column is called
     * @param named of whom it tells
     * @param told as it stands on the desk
     */
    static Topic of(Study study, LedgerColumn column, List<LedgerEntry> group, String kind, String named, String told) {
        List<Topic.Source> from = new ArrayList<>();
        for (LedgerEntry entry : group) {
            double value = column.value().applyAsDouble(entry);
            if (!Double.isNaN(value)) {
                from.add(new Topic.Source(
                        entry.id(), entry.thing().name(), Figures.number(value), () -> of(study, column, entry)));
            }
        }
        String title = Sentences.told(column.title());
        return new Topic.OfSeveral(
                Texts.of("why.group", title, named, Texts.of("ledger.head." + kind)),
                told,
                List.of(
                        column.about().get(),
                        Texts.of("why.ledger." + kind),
                        Texts.of("help.source", Texts.of("why.ledger.source"))),
                from);
    }
}
