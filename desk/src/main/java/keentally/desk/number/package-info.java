/** Numbers of a sample: the panel where they are read and typed, and the dialog where they are written. */
package keentally.desk.number;
