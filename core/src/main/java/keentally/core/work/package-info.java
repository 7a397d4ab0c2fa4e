/**
 * How work is shared out: {@link keentally.core.work.Workers} runs bands of rows on a fixed set of threads, {@link
 * keentally.core.work.Cancel} says that an answer is no longer wanted. Every algorithm takes a {@link
 * keentally.core.work.Work}, which is the two together. Results never depend on the number of threads: bands are cut by
 * the size of the job alone, and whatever is summed is merged in the order of the bands.
 */
package keentally.core.work;
