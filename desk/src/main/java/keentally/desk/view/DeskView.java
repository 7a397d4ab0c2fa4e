package keentally.desk.view;

import java.util.Optional;
import java.util.function.Supplier;
import javafx.scene.layout.Region;
import keentally.desk.look.Once;
import keentally.desk.stage.StageTool;

/**
 * A way to stand before the picture: a word on the rail, and what is at the right of the stage while it is chosen.
 *
 * @param id names the word in the texts, {@code view.ID}
 * @param width how wide the side is, in pixels of the screen
 * @param atEnd whether the stage shows the end of the method, whatever station is chosen
 * @param entering what has to be put away before the view is seen
 * @param tool what the mouse draws with on the stage, whatever station is chosen; empty where that is left to the stations
 * @param middle what stands in place of the stage and all that is about one sample; empty for the stage
 * @param side what stands at the right; asked for each time the view is shown
 */
record DeskView(
        String id,
        double width,
        boolean atEnd,
        Runnable entering,
        Optional<StageTool> tool,
        Optional<Supplier<? extends Region>> middle,
        Supplier<? extends Region> side) {
    /** Of the sample on the stage. @param side made when the view is first shown, if it is a {@link Once} */
    DeskView(
            String id,
            double width,
            boolean atEnd,
            Runnable entering,
            Optional<StageTool> tool,
            Supplier<? extends Region> side) {
        this(id, width, atEnd, entering, tool, Optional.empty(), side);
    }

    /** Of all samples together: something else in place of the stage. */
    static DeskView ofAll(
            String id,
            double width,
            Runnable entering,
            Supplier<? extends Region> middle,
            Supplier<? extends Region> side) {
        return new DeskView(id, width, true, entering, Optional.empty(), Optional.of(middle), side);
    }
}
