/**
 * Notices that a number may mislead: pure checks over a picture, its field, the method and a finished run. Each says what it saw,
 * in numbers, why it matters and what to do. Desk and command line call the same ones, {@link
 * keentally.study.caution.Cautions}.
 */
package keentally.study.caution;
