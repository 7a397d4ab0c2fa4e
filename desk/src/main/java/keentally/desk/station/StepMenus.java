package keentally.desk.station;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuItem;
import keentally.core.step.Flow;
import keentally.core.step.StepDescription;
import keentally.core.step.Steps;
import keentally.desk.look.Texts;

/** All kinds of station as menus, by what a person is about to do; the order of the work. */
public final class StepMenus {
    private StepMenus() {}

    /** @param item makes the item of one kind */
    public static List<Menu> of(Function<StepDescription, MenuItem> item) {
        Map<String, Menu> menus = new LinkedHashMap<>();
        for (StepDescription step : Steps.all()) {
            String kind = kind(step);
            Menu menu = menus.computeIfAbsent(kind, k -> {
                Menu made = new Menu(Texts.of("steps." + k));
                made.setId("steps-" + k);
                return made;
            });
            menu.getItems().add(item.apply(step));
        }
        return new ArrayList<>(menus.values());
    }

    private static String kind(StepDescription step) {
        if (step.gives() == Flow.OBJECTS || step.needs() == Flow.OBJECTS) {
            return "objects";
        }
        if (step.needs() == Flow.PICTURE) {
            return step.gives() == Flow.PICTURE ? "prepare" : "part";
        }
        return step.needs() == Flow.PHASES || step.gives() == Flow.PICTURE ? "phases" : "clean";
    }
}
