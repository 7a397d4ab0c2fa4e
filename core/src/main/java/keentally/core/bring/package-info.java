/** What a picture that was made elsewhere says of a sample: masks, classes, labels and probabilities, recognised and read. */
package keentally.core.bring;
