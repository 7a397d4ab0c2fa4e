package keentally.core.hand;

/** How a mark is drawn: told apart without colour too. */
public enum Glyph {
    CROSS,
    UPRIGHT,
    RING,
    BOX,
    LOZENGE,
    WEDGE,
    BAR,
    ANGLE,
    DOTS
}
