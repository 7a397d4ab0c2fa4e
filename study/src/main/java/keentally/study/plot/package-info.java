/** Plots as pictures, drawings and tables: the same for screen, files and reports. */
package keentally.study.plot;
