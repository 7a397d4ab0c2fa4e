/** Masks from masks: filling, cleaning, growing and shrinking. The field's edge is neutral throughout. */
package keentally.core.morphology;
