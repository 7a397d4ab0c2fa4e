/** How far pixels are from others, exactly. Distances run between the centres of pixels. */
package keentally.core.distance;
