/** What the values of a field look like as a whole: histograms at the picture's full depth. */
package keentally.core.stats;
