/** Phases as a result: their shares, of one sample or of all that have the method. */
package keentally.desk.phases;
