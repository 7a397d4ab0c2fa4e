/**
 * The window. {@code model} is what is shown and done, without a window; {@code stage} shows the picture, {@code station} the
 * method line and the panels of its stations, {@code view} everything round them, {@code look} colours, fonts and texts. Nobody
 * sees this module. The interface thread computes nothing: models hand work to lanes and take the outcome back.
 */
package keentally.desk;
