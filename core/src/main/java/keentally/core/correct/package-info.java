/**
 * Masks and objects as a hand left them: {@link keentally.core.correct.PaintedMask} paints, {@link keentally.core.correct.Correcting}
 * joins, cuts, drops and draws. Each takes what was done from {@link keentally.core.hand}, in its order, and says what no longer fits.
 */
package keentally.core.correct;
