package keentally.samples;

import java.util.List;

/**
 * What is true of a drawn picture.
 *
 * @param speckBelowPx2 what has less area than this, in square pixels, is dust and no object
 * @param apart whether things lie apart from each other, so that they can be counted without being split
 * @param shares of the whole that the method takes, exact
 * @param things everything that was drawn, dust included
 */
public record Truth(double speckBelowPx2, boolean apart, List<Share> shares, List<Thing> things) {
    public Truth {
        shares = List.copyOf(shares);
        things = List.copyOf(things);
    }

    /** Of a picture in which one thing stands off from the rest. */
    static Truth of(double speckBelowPx2, boolean apart, String name, double percent, List<Thing> things) {
        return new Truth(speckBelowPx2, apart, List.of(new Share(name, 1, percent)), things);
    }

    /**
     * What one phase covers.
     *
     * @param phase its number at the method's end
     * @param percent of the field, or of what the method goes on within
     */
    public record Share(String name, int phase, double percent) {}

    /** The things that a method must find: whole ones that are no dust. */
    public List<Thing> countable() {
        return things.stream()
                .filter(t -> !t.cutByEdge() && t.areaPx2() >= speckBelowPx2)
                .toList();
    }

    /**
     * One thing that was drawn.
     *
     * @param x centre, in pixels
     * @param y centre, in pixels
     * @param areaPx2 of the whole thing, in square pixels
     * @param cutByEdge whether the picture's edge cuts it
     */
    public record Thing(double x, double y, double areaPx2, boolean cutByEdge) {
        /** Diameter of the disc of the same area, in pixels. */
        public double ecdPx() {
            return 2 * Math.sqrt(areaPx2 / Math.PI);
        }
    }
}
