/**
 * Files that nobody would write: {@link keentally.study.fuzz.Fuzz} takes sound ones, damages them and looks at what becomes of it.
 * {@code build/fuzz} runs it for as long as is asked, {@link keentally.study.fuzz.FuzzTest} for some seconds.
 */
package keentally.study.fuzz;
