package keentally.study.caution;

import java.util.Arrays;
import java.util.Locale;

/** Why a number may mislead. */
public enum CautionKind {
    NO_SCALE("no scale", "Lengths and areas are in pixels."),
    CLIPPED("clipped", "Pixels at black or white, whose brightness was lost."),
    UNEVEN_LIGHT("uneven light", "The light varies across the field, shading, vignette."),
    BAR_IN_FIELD("bar in the field", "A caption or scale bar would be counted as sample."),
    FIELD_UNLIKE("field unlike", "The field is another than that of the sample before."),
    LOSSY("lossy", "A file packed so much that blocks and ripples are measured, JPEG."),
    OTHER_PAGES("other pages", "A file of several pages, of which one was measured."),
    DEPARTURES("departures", "The sample departs from its method by settings of its own."),
    MODEL_SCALE("scale of a model", "A model is used at another scale than it was trained at."),
    LOST_PARTS("lost parts", "Smoothing by neighbours took away thin or small parts."),
    HAND_CUT("cut by hand", "A cut set by hand is used on several samples."),
    SAME_SIGNAL("same signal", "What was cut on is measured too."),
    UNSTABLE_CUT("unstable cut", "A small change of the cut changes the answer."),
    ONE_MODE("one peak", "A rule that looks for two peaks has found one."),
    HELD_FAR("far from what is held", "A held station fits this sample badly."),
    MOVED_PHASES("moved phases", "Clusters or levels fitted anew mean something else than on the other samples."),
    EMPTY_PHASE("empty phase", "A phase that covers next to nothing."),
    WRONG_WHOLE("wrong whole", "A share is of the field with its light background, empty slide, glass."),
    GROWN_MASK("grown mask", "A dilation or closing fused pieces, or swelled every area."),
    OPENED_BACKGROUND("opened background", "After an inversion pieces hang together by corners."),
    MARKERS_ON_BORDERS("markers on borders", "Markers, seeds, lie where two regions meet."),
    TOUCHING("touching", "Many objects look like several that touch, clumps."),
    EDGE_OBJECTS("edge objects", "Objects cut by the field's edge."),
    MOSTLY_SPECKS("mostly specks", "Most objects are of a few pixels, noise."),
    FEW_PIXELS("few pixels", "Objects too small for their area to be sure."),
    AREA_FOR_VOLUME("area for volume", "Masses from shares of area."),
    OUT_OF_LIMITS("out of limits", "A number of the sample lies outside of what is expected.");

    private final String title;
    private final String when;

    CautionKind(String title, String when) {
        this.title = title;
        this.when = when;
    }

    /** As in files: {@code mostly-specks}. */
    public String id() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** In a few words. */
    public String title() {
        return title;
    }

    /** When it is said. */
    public String when() {
        return when;
    }

    /** @throws IllegalArgumentException where there is none of this id */
    public static CautionKind of(String id) {
        return Arrays.stream(values())
                .filter(k -> k.id().equals(id))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("no caution has the id '" + id + "'"));
    }
}
