package keentally.desk.view;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import javafx.scene.control.MenuItem;
import javafx.scene.input.KeyCombination;
import keentally.desk.look.Texts;

/** Every command there is: by its menu, by its keys, and by what it is good for. */
final class Commands {
    private final List<Command> all = new ArrayList<>();

    /**
     * A command.
     *
     * @param title as in the menu
     * @param purpose what a person may want who does not know the title; may be empty
     * @param keys empty for none
     */
    record Command(String id, String title, String purpose, String keys, Runnable does) {
        private boolean has(String word) {
            return title.toLowerCase(Locale.ROOT).contains(word)
                    || purpose.toLowerCase(Locale.ROOT).contains(word);
        }
    }

    List<Command> all() {
        return all;
    }

    /** A menu's item that is a command. Its words stand under {@code menu.KEY}, its purpose under {@code purpose.KEY}. */
    MenuItem item(String key, String keys, Runnable does) {
        MenuItem item =
                item(key, Texts.of("menu." + key), Texts.find("purpose." + key).orElse(""), does);
        if (!keys.isEmpty()) {
            KeyCombination combination = KeyCombination.keyCombination(keys);
            item.setAccelerator(combination);
            Command last = all.removeLast();
            all.add(new Command(last.id, last.title, last.purpose, combination.getDisplayText(), does));
        }
        return item;
    }

    MenuItem item(String id, String title, String purpose, Runnable does) {
        MenuItem item = new MenuItem(title);
        item.setId("menu-" + id);
        item.setOnAction(e -> does.run());
        all.add(new Command(id, title.replace("\u2026", ""), purpose, "", does));
        return item;
    }

    /** Those that hold every word of {@code text}, those with the first word in their title before the others. */
    List<Command> like(String text) {
        List<String> words = Arrays.stream(text.toLowerCase(Locale.ROOT).strip().split("\\s+"))
                .filter(w -> !w.isEmpty())
                .toList();
        List<Command> found =
                all.stream().filter(c -> words.stream().allMatch(c::has)).toList();
        List<Command> sorted = new ArrayList<>(found);
        if (!words.isEmpty()) {
            sorted.sort((a, b) -> Boolean.compare(
                    b.title.toLowerCase(Locale.ROOT).contains(words.getFirst()),
                    a.title.toLowerCase(Locale.ROOT).contains(words.getFirst())));
        }
        return sorted;
    }
}
