/**
 * Connected pixels as runs. {@link keentally.core.region.Regions} are all of them, numbered from 0 in reading order of their
 * first pixel; {@link keentally.core.region.ObjectSet} says which of them are kept and which station dropped the others. A
 * region's identity is its first pixel; an object's number, 1, 2, ..., closes up when others are dropped.
 */
package keentally.core.region;
