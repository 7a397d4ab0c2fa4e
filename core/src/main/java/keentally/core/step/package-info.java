/**
 * The steps a method is made of. Each is one small file: a record of its settings and its {@link
 * keentally.core.step.StepDescription}, from which the parser, the canonical form, the listing and a fair panel are made.
 * {@link keentally.core.step.Steps} is the only list of all. Titles, help and sentences stand in {@code steps.properties}.
 * A step turns one {@link keentally.core.step.State} into the next and says what it found.
 */
package keentally.core.step;
