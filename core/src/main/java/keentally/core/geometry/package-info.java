/**
 * Shapes in the plane, without pixels' values. x runs right, y down; a pixel is a unit square and the centre of the first
 * one is (0.5, 0.5). Angles are in degrees from +x, counter-clockwise as seen. Come in by {@link
 * keentally.core.geometry.Shape} for fields and drawn truth, by {@link keentally.core.geometry.ConvexHull} for measures.
 */
package keentally.core.geometry;
