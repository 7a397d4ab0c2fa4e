/**
 * Documents round the pixels: reading pictures ({@code picture}), methods as files ({@code method}), what a study holds and its
 * undo ({@code document}), notices that a number may mislead ({@code caution}), results as files ({@code result}), many samples ({@code
 * series}, {@code cluster}), what is handed over ({@code report}) and whether it comes out again ({@code proof}). Knows {@code core}; is known by the command line and the desk, and knows neither.
 */
package keentally.study;
