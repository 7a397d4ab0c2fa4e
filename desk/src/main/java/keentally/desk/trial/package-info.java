/** The trial sheet: alternatives of one step side by side, to be compared and taken. */
package keentally.desk.trial;
