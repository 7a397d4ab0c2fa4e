package keentally.core.view;

import java.util.EnumSet;
import java.util.Set;

/**
 * How mask and objects are shown on a picture.
 *
 * @param strength of the tint and of fills, 0 to 1
 * @param meanFill whether objects are filled in their mean colours instead of colours that tell them apart
 */
public record Look(Overlay overlay, Set<Mark> marks, double strength, boolean meanFill) {
    /** Nothing but the picture. */
    public static final Look BARE = new Look(Overlay.BARE, Set.of(), 0, false);

    public Look {
        marks = Set.copyOf(marks);
    }

    /** Without marks, filled in colours that tell objects apart. */
    public Look(Overlay overlay, double strength) {
        this(overlay, Set.of(), strength, false);
    }

    /** With mask and objects shown in another way. */
    public Look with(Overlay other) {
        return new Look(other, marks, strength, meanFill);
    }

    /** With one kind of mark left out. */
    public Look without(Mark mark) {
        Set<Mark> fewer = EnumSet.noneOf(Mark.class);
        fewer.addAll(marks);
        fewer.remove(mark);
        return new Look(overlay, fewer, strength, meanFill);
    }

    /** With one kind of mark more. */
    public Look and(Mark mark) {
        Set<Mark> more = EnumSet.of(mark);
        more.addAll(marks);
        return new Look(overlay, more, strength, meanFill);
    }

    boolean has(Mark mark) {
        return marks.contains(mark) && overlay != Overlay.BARE;
    }

    /** What lies on the picture. */
    public enum Overlay {
        BARE,
        TINT,
        OUTLINES,
        FILL,
        MASK
    }

    /** What is marked besides. */
    public enum Mark {
        /** Of objects. */
        NUMBERS,
        /** Centroids of objects, as dots. */
        DOTS,
        /** Upright boxes round objects. */
        BOXES,
        /** What the station added to the mask and what it took away. */
        CHANGES,
        /** Where regions began to grow, as crosses. */
        MARKERS
    }
}
