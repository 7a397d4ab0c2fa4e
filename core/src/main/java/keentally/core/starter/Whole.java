package keentally.core.starter;

/** What a number is of: that of which a share is one, or in which things are counted. */
public enum Whole {
    /** The sample's field. */
    PICTURE,
    /** What lies within a round rim, such as a dish or an eyepiece. */
    ROUND_FIELD,
    /** All that is not the light ground that a sample lies on. */
    SAMPLE
}
