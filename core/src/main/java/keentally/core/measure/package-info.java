/**
 * Numbers about objects. A {@link keentally.core.measure.Measure} is one of them, with its dimension; {@link
 * keentally.core.measure.ObjectTable} holds a column of each for the kept objects, in pixels, and turns them into a unit when
 * asked. For an object's own measures other objects are background.
 */
package keentally.core.measure;
