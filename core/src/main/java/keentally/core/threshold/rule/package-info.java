/** The automatic rules for one cut, each a class named after its author or idea, from a histogram to the cut. */
package keentally.core.threshold.rule;
