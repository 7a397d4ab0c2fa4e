/**
 * Two answers to one question held together: marks that a person put with objects that were found, or with another person's marks
 * ({@link keentally.core.agree.Matching}, which gives an {@link keentally.core.agree.Agreement}); two masks by their pixels
 * ({@link keentally.core.agree.MaskOverlap}) and by their borders ({@link keentally.core.agree.BorderDistance}).
 */
package keentally.core.agree;
