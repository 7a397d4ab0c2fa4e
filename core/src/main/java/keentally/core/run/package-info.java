/**
 * The one way a method is run: {@link keentally.core.run.Runner}. Desk, command line and everything that compares settings
 * call it; states are kept in a {@link keentally.core.run.StateCache} under what made them, so that a change re-runs only
 * what comes after it. {@link keentally.core.run.Lanes} decides whose turn it is. {@link keentally.core.run.Readings} are the
 * numbers at the end.
 */
package keentally.core.run;
