/**
 * Results as files. {@link keentally.study.result.BatchRun} runs a method over pictures and fills a folder; the tables stand in
 * {@link keentally.study.result.ObjectSheet}, {@link keentally.study.result.PhaseSheet} and {@link
 * keentally.study.result.SampleSheet}, which the desk's exports use too. Rows are in a fixed order and numbers are written so that
 * they read back the same: two runs give the same bytes.
 */
package keentally.study.result;
