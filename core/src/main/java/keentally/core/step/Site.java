package keentally.core.step;

import keentally.core.work.Work;

/**
 * Where and with what a step is done.
 *
 * @param station the id of the step in its method
 * @param signal the channel that the method takes brightness from
 */
public record Site(String station, String signal, Work work) {}
