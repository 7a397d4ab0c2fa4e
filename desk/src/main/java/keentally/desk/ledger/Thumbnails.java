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
    private static final int MOST = 1500;

    private final LedgerModel model;
    private final Map<String, Image> known = new LinkedHashMap<>();
    private final Map<String, List<Consumer<Image>>> asked = new HashMap<>();

    Thumbnails(LedgerModel model) {
        this.model = model;
    }

    /** @param then told at once where it is known, else when it comes */
    void of(LedgerEntry entry, Consumer<Image> then) {
        String key = entry.id() + entry.row().orElseThrow().key();
        Image image = known.get(key);
        if (image != null) {
            then.accept(image);
            return;
        }
        boolean first = !asked.containsKey(key);
        asked.computeIfAbsent(key, k -> new ArrayList<>()).add(then);
        if (first) {
            model.thumbnail(entry.id(), png -> came(key, png));
        }
    }

    private void came(String key, byte[] png) {
        Image image = new Image(new ByteArrayInputStream(png));
        known.put(key, image);
        if (known.size() > MOST) {
            known.remove(known.keySet().iterator().next());
        }
        asked.getOrDefault(key, List.of()).forEach(t -> t.accept(image));
        asked.remove(key);
    }
}
