/**
 * The picture itself, before the first station: what it is, how long its pixels are, which part of it counts, and its
 * histogram. {@link keentally.desk.picture.PictureModel} holds what is being drawn; the sections of {@link
 * keentally.desk.picture.PicturePanel} show it.
 */
package keentally.desk.picture;
