package keentally.desk.look;

import java.util.Arrays;
import java.util.function.IntConsumer;
import java.util.function.ToIntFunction;
import javafx.beans.property.ObjectProperty;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import keentally.core.setting.ChoiceSetting;
import keentally.core.words.Figures;

/** How many places there are of each of several kinds; one kind is chosen, and its places are gone to one after the other. */
public final class KindSteps<E extends Enum<E>> extends VBox {
    private final String key;
    private final E[] all;
    private final ObjectProperty<E> chosen;
    private final FlowPane kinds = new FlowPane(4, 4);
    private final Label place = new Label();

    /**
     * @param key of the texts, and of the nodes' names
     * @param step told by how many places to go on
     */
    public KindSteps(String key, E[] all, ObjectProperty<E> chosen, IntConsumer step) {
        this.key = key;
        this.all = all.clone();
        this.chosen = chosen;
        setSpacing(8);
        place.setId(key + "-place");
        HBox steps = new HBox(
                8,
                Glyph.EARLIER.button(key + "-before", Texts.of(key + ".before"), () -> step.accept(-1)),
                Glyph.LATER.button(key + "-next", Texts.of(key + ".next"), () -> step.accept(1)),
                place);
        steps.getStyleClass().add("row");
        getChildren().addAll(kinds, steps);
    }

    /**
     * Tells them anew.
     *
     * @param at which place of the chosen kind is looked at, from 0; below that for none
     */
    public void fill(ToIntFunction<E> counts, int at) {
        kinds.getChildren()
                .setAll(Arrays.stream(all)
                        .map(kind -> button(kind, counts.applyAsInt(kind)))
                        .toList());
        int places = counts.applyAsInt(chosen.get());
        place.setText(
                at < 0 || places == 0 ? "" : Texts.of(key + ".at", String.valueOf(at + 1), String.valueOf(places)));
    }

    private ToggleButton button(E kind, int n) {
        String word = ChoiceSetting.word(kind);
        ToggleButton button = new ToggleButton(Texts.of(key + "." + word, Figures.number(n)));
        button.setId(key + "-" + word);
        button.getStyleClass().setAll("hand");
        button.setSelected(chosen.get() == kind);
        Tip.on(button, Texts.of(key + "." + word + ".help"));
        button.setOnAction(e -> {
            button.setSelected(true);
            chosen.set(kind);
        });
        return button;
    }
}
