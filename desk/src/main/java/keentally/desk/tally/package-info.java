/**
 * Counting by hand: {@link keentally.desk.tally.TallyModel} is what is counted and held together, {@link keentally.desk.tally.TallyTool}
 * what the mouse does, {@link keentally.desk.tally.TallyPane} what stands at the right.
 */
package keentally.desk.tally;
