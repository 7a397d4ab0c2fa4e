/**
 * Methods as data: an ordered list of steps with their settings. {@link keentally.core.method.MethodTree} reads and writes
 * them as trees; {@link keentally.core.method.Method} changes them, one changed copy at a time, and knows which orders can
 * work.
 */
package keentally.core.method;
