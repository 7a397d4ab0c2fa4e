/** Drawing of known shapes with exact edges: the one truth behind demo pictures, property tests and the accuracy table. */
package keentally.core.draw;
