/**
 * Series: methods run over many samples of a study, a row each.
 *
 * <p>Come in by {@link keentally.study.series.SeriesRun}, which runs what has no row yet; a {@link keentally.study.series.LedgerRow} is
 * what stays of a run, and {@link keentally.study.series.Ledger} lays rows out as a table.
 */
package keentally.study.series;
