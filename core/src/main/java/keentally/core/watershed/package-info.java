/**
 * Flooding of heights. <em>Basin</em>: what runs down to one minimum. <em>Dynamics</em> of a basin: how far the water must rise from its
 * minimum before it spills over into a deeper one; the deepest basin of a piece never spills. Neighbours are eight. Equal heights are
 * ordered by reading order, so that every result is the same for any number of threads.
 */
package keentally.core.watershed;
