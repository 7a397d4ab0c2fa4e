/**
 * The one way to run a sample. A {@link keentally.study.run.SampleOrder} says what is to be run, {@link keentally.study.run.SampleRun}
 * runs it, and its {@link keentally.study.run.SampleRecord} holds every number that came of it, said once: how large the whole is that
 * shares are of, what was counted, where it was cut, what to beware of. Desk and command line look at runs, and tables, sheets and pages are
 * made of records alone; nothing else sums, averages or names a whole. A record as a file is {@link keentally.study.run.RecordFile}.
 * This package knows no folder of results and no window.
 */
package keentally.study.run;
