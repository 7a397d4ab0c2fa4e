package keentally.core.picture;

/**
 * A plane with its name.
 *
 * @param name {@code grey}, {@code red}, {@code green}, {@code blue}, or a name of its own
 */
public record Channel(String name, Plane plane) {
    public static final String GREY = "grey";
    public static final String RED = "red";
    public static final String GREEN = "green";
    public static final String BLUE = "blue";
}
