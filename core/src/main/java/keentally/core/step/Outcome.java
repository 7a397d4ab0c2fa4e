package keentally.core.step;

/** What a step gives: the state after it, and what it has to tell. */
public record Outcome(State state, Findings findings) {}
