/**
 * What a person did by hand on one sample, kept with it under the id of a method's step: places clicked, strokes drawn. Plain values;
 * which step makes what of them is the step's own affair.
 */
package keentally.core.hand;
