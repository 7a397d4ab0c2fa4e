package keentally.desk.ledger;

import java.io.ByteArrayInputStream;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import javafx.scene.image.Image;
import keentally.study.series.LedgerEntry;

/** The thumbnails that were looked at last, by the rows that they belong to. For the interface thread. */
final class Thumbnails {
    private static final int MOST = 600;

    private final LedgerModel model;
    private final Map<String, Image> known = new LinkedHashMap<>();
    private final Map<String, List<Consumer<Image>>> asked = new HashMap<>();

    Thumbnails(LedgerModel model) {
        this.model = model;
    }

    /**
     * A thumbnail within a square of so many pixels: what is drawn smaller than it was read would cost time at every stroke.
     *
     * @param then told at once where it is known, else when it comes
     */
    void of(LedgerEntry entry, int width, Consumer<Image> then) {
        String key = width + " " + entry.id() + entry.row().orElseThrow().key();
        Image image = known.get(key);
        if (image != null) {
            then.accept(image);
            return;
        }
        boolean first = !asked.containsKey(key);
        asked.computeIfAbsent(key, k -> new ArrayList<>()).add(then);
        if (first) {
            model.thumbnail(entry.id(), png -> image(png, width), i -> came(key, i));
        }
    }

    private static Image image(byte[] png, int width) {
        return new Image(new ByteArrayInputStream(png), width, width, true, true);
    }

    private void came(String key, Image image) {
        known.put(key, image);
        if (known.size() > MOST) {
            known.remove(known.keySet().iterator().next());
        }
        asked.getOrDefault(key, List.of()).forEach(t -> t.accept(image));
        asked.remove(key);
    }
}
