/**
 * What steps, settings and measures are called and how they are explained, read from {@code words.properties}; and how numbers
 * look to people ({@link keentally.core.words.Figures}). Files are written by {@code Amounts} instead, at full precision.
 */
package keentally.core.words;
