/** One plane out of a picture's colours: its own channels, grey, and the components of HSV and CIE L*a*b*. */
package keentally.core.colour;
