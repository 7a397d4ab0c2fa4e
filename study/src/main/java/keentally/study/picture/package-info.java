/**
 * Pictures from files and to files, at their full depth. {@link keentally.study.picture.PictureReader} checks the size that a
 * file declares before it makes room for it.
 */
package keentally.study.picture;
