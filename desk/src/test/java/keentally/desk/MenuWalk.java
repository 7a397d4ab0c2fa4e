package keentally.desk;

import java.util.List;
import java.util.stream.Stream;
import javafx.scene.control.CustomMenuItem;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;

/** Menus and their menus, down to what does something. */
final class MenuWalk {
    private MenuWalk() {}

    static List<MenuItem> leaves(List<? extends MenuItem> items) {
        return items.stream().<MenuItem>flatMap(MenuWalk::under).toList();
    }

    private static Stream<? extends MenuItem> under(MenuItem item) {
        return switch (item) {
            case Menu menu -> leaves(menu.getItems()).stream();
            case SeparatorMenuItem line -> Stream.empty();
            case CustomMenuItem head -> Stream.empty();
            default -> Stream.of(item);
        };
    }
}
