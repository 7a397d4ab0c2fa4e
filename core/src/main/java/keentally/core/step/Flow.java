package keentally.core.step;

/** What flows from station to station, in this order. */
public enum Flow {
    PICTURE,
    PHASES,
    MASK,
    OBJECTS
}
