package keentally.desk.find;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import javafx.scene.control.MenuItem;
import javafx.scene.input.KeyCombination;
import keentally.desk.look.Texts;

/** Every command there is: by its menu, by its keys, by what it is good for, and by what else people call it. */
public final class Commands {
    private final List<Command> all = new ArrayList<>();

    /**
     * A command, or another place that can be gone to.
     *
     * @param title as in the menu
     * @param purpose what a person may want who does not know the title; may be empty
     * @param keys empty for none
     */
    public record Command(String id, String title, String purpose, String keys, Runnable does) {
        private static final int NEVER = 3;

        /** How well a word fits: 0 it begins a word of the title, 1 of a synonym, 2 it stands somewhere, {@link #NEVER} nowhere. */
        private int fit(String word) {
            if (begins(title, word)) {
                return 0;
            }
            if (begins(Synonyms.of(id), word)) {
                return 1;
            }
            return (title + " " + purpose).toLowerCase(Locale.ROOT).contains(word) ? 2 : NEVER;
        }

        /** Of the word that fits worst, and the others. */
        private int fit(List<String> words) {
            int worst = words.stream().mapToInt(this::fit).max().orElse(0);
            int sum = words.stream().mapToInt(this::fit).sum();
            return worst == NEVER ? Integer.MAX_VALUE : sum;
        }

        private static boolean begins(String text, String word) {
            return Arrays.stream(text.toLowerCase(Locale.ROOT).split("[^\\p{L}\\p{N}-]+"))
                    .anyMatch(w -> w.startsWith(word));
        }
    }

    /** A menu's item that is a command. Its words stand under {@code menu.KEY}, its purpose under {@code purpose.KEY}. */
    public MenuItem item(String key, String keys, Runnable does) {
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

    public MenuItem item(String id, String title, String purpose, Runnable does) {
        MenuItem item = new MenuItem(title);
        item.setId("menu-" + id);
        item.setOnAction(e -> does.run());
        all.add(new Command(id, title.replace("\u2026", ""), purpose, "", does));
        return item;
    }

    /**
     * Those for which every word of {@code text} fits, the best first, commands before other places; all commands where nothing was typed.
     *
     * @param places that can be gone to and are no commands
     */
    List<Command> like(String text, List<Command> places) {
        List<String> words = Arrays.stream(text.toLowerCase(Locale.ROOT).strip().split("\\s+"))
                .filter(w -> !w.isEmpty())
                .toList();
        if (words.isEmpty()) {
            return List.copyOf(all);
        }
        return Stream.concat(all.stream(), places.stream())
                .filter(c -> c.fit(words) < Integer.MAX_VALUE)
                .sorted(Comparator.comparingInt(c -> c.fit(words)))
                .toList();
    }
}
