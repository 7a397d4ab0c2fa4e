/**
 * Pixels: what every other package works on. A {@link keentally.core.picture.Picture} is named {@link
 * keentally.core.picture.Plane}s of one size, a {@link keentally.core.picture.Mask} is one bit a pixel, a {@link
 * keentally.core.picture.Field} says which pixels count. x comes before y; storage is row by row from the top left;
 * ranges are [from, to). All are immutable: whoever hands an array to a constructor gives it up.
 */
package keentally.core.picture;
