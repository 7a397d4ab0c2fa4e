/**
 * From pixels and objects to what a person sees: {@link keentally.core.view.StageComposer} paints the visible part of a picture
 * with its overlays into a buffer of the window's size. The desk's stage and the overlay files are painted by the same code, so
 * they look the same on every machine. Colours are 0xAARRGGBB. Nothing here changes a measured value.
 */
package keentally.core.view;
