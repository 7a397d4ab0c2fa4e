/**
 * Alternatives of one step, side by side: an {@link keentally.core.trial.Axis} is a setting and the values to be tried, a
 * {@link keentally.core.trial.Variant} one of them, a {@link keentally.core.trial.Outcomes} what came of it. {@link
 * keentally.core.trial.Axes} knows which axes a step has.
 */
package keentally.core.trial;
