/**
 * Whether numbers that were handed over come out again. Come in by {@link keentally.study.proof.Rerun}, which runs a study or a folder of
 * results once more and holds every number of the {@link keentally.study.proof.Proof} against the old one. Changes nothing.
 */
package keentally.study.proof;
