/**
 * How fast things are: JMH benchmarks on a drawn picture of 12 megapixels, and a table of their medians beside the targets and
 * beside a memory copy in the same run. Run with {@code build/speed}.
 */
package keentally.speed;
