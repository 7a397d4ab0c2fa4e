/**
 * Two views on the stage, and what they differ in. The first is the stage itself; {@code PairModel} says what the second shows, and
 * {@code ComparisonModel} holds the two together.
 */
package keentally.desk.pair;
