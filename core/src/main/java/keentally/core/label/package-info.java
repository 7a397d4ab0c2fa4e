/** From a mask to its connected regions. */
package keentally.core.label;
