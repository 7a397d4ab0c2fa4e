package keentally.desk.look;

import java.util.List;
import javafx.scene.Node;
import javafx.scene.input.ClipboardContent;
import javafx.scene.input.DataFormat;
import javafx.scene.input.Dragboard;
import javafx.scene.input.TransferMode;

/** Slides that are taken up in the tray and dropped somewhere else in the window. */
public final class Slides {
    private static final DataFormat IDS = new DataFormat("application/x-keen-tally-slides");

    private Slides() {}

    /** Takes slides up. @param ids of their samples */
    public static void take(Node from, List<String> ids) {
        ClipboardContent content = new ClipboardContent();
        content.put(IDS, String.join("\n", ids));
        from.startDragAndDrop(TransferMode.MOVE).setContent(content);
    }

    /** The samples of the slides in the hand; none where something else is. */
    public static List<String> in(Dragboard hand) {
        return hand.hasContent(IDS) ? List.of(((String) hand.getContent(IDS)).split("\n")) : List.of();
    }
}
