/** Objects as a hand corrects them. */
package keentally.core.correct;
