package keentally.study.store;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.zip.CRC32C;
import keentally.study.document.Action;

/** Sums over what stands in a study file, so that a bit that flipped or a row that is gone is noticed: CRC-32C twice over, 64 bits. */
final class Sums {
    private final CRC32C forward = new CRC32C();
    private final CRC32C turned = new CRC32C();

    void add(String text) {
        byte[] bytes = (text + "\n").getBytes(StandardCharsets.UTF_8);
        forward.update(bytes);
        for (int i = 0; i < bytes.length; i++) {
            bytes[i] = (byte) (bytes[i] * 31 + i);
        }
        turned.update(bytes);
    }

    long value() {
        return forward.getValue() << 32 | turned.getValue();
    }

    static long version(long number, String kind, String content, Long base) {
        Sums sums = new Sums();
        sums.add(number + " " + kind + " " + base);
        sums.add(content);
        return sums.value();
    }

    static long action(long place, Action action) {
        Sums sums = new Sums();
        sums.add(place + " " + action.title());
        List<Action.Change> changes = new ArrayList<>(action.changes());
        changes.sort(Comparator.comparing(Action.Change::thing));
        for (Action.Change change : changes) {
            sums.add(change.thing() + " " + change.before() + " " + change.after());
        }
        return sums.value();
    }
}
