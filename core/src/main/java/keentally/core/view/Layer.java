package keentally.core.view;

import java.util.List;
import java.util.Set;
import keentally.core.geometry.Point;
import keentally.core.hand.Marks;
import keentally.core.hand.TallyClass;
import keentally.core.picture.Mask;
import keentally.core.picture.Probabilities;
import keentally.core.region.ObjectSet;

/**
 * Something that is laid on the picture. Layers are painted in the order of their list; where a kind is added, the compiler asks
 * {@link StageComposer} how it looks.
 */
public sealed interface Layer
        permits Layer.ChosenMask,
                Layer.ColouredObjects,
                Layer.Change,
                Layer.SelectedObjects,
                Layer.Tally,
                Layer.Learnt,
                Layer.Scribbles,
                Layer.Wrong,
                Layer.Doubt,
                Layer.Crosses,
                Layer.OtherOutline,
                Layer.ScaleBar,
                Layer.Legend,
                PhasePaint {

    /** A mask: tinted, in white on black, or outlined where no objects are. */
    record ChosenMask(Mask mask) implements Layer {}

    /** Objects and the colours they are outlined, filled and marked in. */
    record ColouredObjects(ObjectSet objects, ObjectColours colours) implements Layer {}

    /** What a station did to the mask, hatched and dotted. */
    record Change(Mask added, Mask removed) implements Layer {
        /** What is in the one and not in the other; of one size. */
        public static Change of(Mask before, Mask after) {
            return new Change(after.minus(before), before.minus(after));
        }
    }

    /** Some of the regions of some objects, shown as selected however the rest is shown. */
    record SelectedObjects(ObjectSet of, Set<Integer> regions) implements Layer {
        public SelectedObjects {
            regions = Set.copyOf(regions);
        }
    }

    /** What a learner takes the pixels for, while it is taught: mixed in, as borders, or filled, as the rest is shown. */
    record Learnt(PhasePaint classes) implements Layer {}

    /** What was painted as examples: over everything but the marks, with a rim, however the rest is shown. */
    record Scribbles(PhasePaint painted) implements Layer {}

    /** How unsure a learner is: the less it parts the likeliest class from all others, the more of what lies below is covered by paper. */
    record Doubt(Probabilities sure) implements Layer {}

    /**
     * Where regions began to grow.
     *
     * @param width of the picture
     * @param pixels row times width, and column
     */
    record Crosses(int width, int[] pixels) implements Layer {}

    /** The outline of another mask than the one that is shown: dashed. */
    record OtherOutline(Mask mask) implements Layer {}

    /**
     * A length to go by, stamped on what is taken away as a picture.
     *
     * @param px of the sample's picture
     * @param right whether it stands at the right, else at the left
     * @param below whether it stands at the bottom, else at the top
     * @param light whether it is white, else dark
     */
    record ScaleBar(String text, double px, boolean right, boolean below, boolean light) implements Layer {}

    /** What objects are filled by, told below what is taken away as a picture. @param title of the measure, with its unit */
    record Legend(String title, double from, double to) implements Layer {}

    /** Where something was taken for what it is not: crossed out. */
    record Wrong(Mask mask) implements Layer {}

    /**
     * What was counted by hand, shown however the rest is shown.
     *
     * @param radius of a mark, in pixels of the window
     * @param strength 0 for not to be seen, 1 for hiding what is below
     * @param called places that are called out, in pixels of the picture
     */
    record Tally(Marks marks, List<TallyClass> classes, int radius, double strength, List<Point> called)
            implements Layer {
        public Tally {
            classes = List.copyOf(classes);
            called = List.copyOf(called);
        }
    }
}
