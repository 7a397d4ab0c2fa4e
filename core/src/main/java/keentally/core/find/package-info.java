/**
 * Finds what a person would otherwise draw: the rim of a round tray, a caption strip, a burnt-in scale bar; and tells how even
 * the light is. What is found is a proposal: nothing here changes a picture or a field.
 */
package keentally.core.find;
