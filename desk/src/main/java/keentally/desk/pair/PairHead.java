package keentally.desk.pair;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.scene.control.ComboBox;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import keentally.core.method.Method;
import keentally.core.setting.ChoiceSetting;
import keentally.core.words.Words;
import keentally.desk.look.Texts;
import keentally.desk.look.Tip;
import keentally.desk.model.DeskModel;
import keentally.desk.pair.PairModel.PairLook;
import keentally.desk.pair.PairModel.Place;
import keentally.study.document.Study;

/** Names what the second view shows, and lets it be chosen: sample, method, station and look. */
final class PairHead extends VBox {
    private final PairModel pair;
    private final DeskModel desk;
    private final List<Choice<?>> choices;

    /**
     * @param save the two views are to be taken away as one picture
     * @param keep they are to be kept with the study
     */
    PairHead(PairModel pair, Runnable save, Runnable keep) {
        this.pair = pair;
        this.desk = pair.desk();
        getStyleClass().add("pair-head");
        Choice<Optional<String>> sample = new Choice<>("sample", this::samples, pair.sample()::set, pair.sample()::get);
        Choice<Optional<String>> method = new Choice<>("method", this::methods, pair.method()::set, pair.method()::get);
        Choice<Place> place = new Choice<>("place", this::places, pair.place()::set, pair.place()::get);
        Choice<PairLook> look = new Choice<>("look", PairHead::looks, pair.look()::set, pair.look()::get);
        this.choices = List.of(sample, method, place, look);
        HBox above = new HBox(4, sample, method, more(save, keep));
        HBox below = new HBox(4, place, look);
        getChildren().addAll(above, below);
        desk.study().addListener(o -> fill());
        desk.sampleId().addListener(o -> fill());
        desk.station().addListener(o -> fill());
        pair.sample().addListener(o -> fill());
        pair.method().addListener(o -> fill());
        pair.place().addListener(o -> fill());
        pair.look().addListener(o -> fill());
        fill();
    }

    private void fill() {
        choices.forEach(Choice::fill);
    }

    /** One of the things that can be meant, and its words. */
    private record Option<T>(T value, String words) {}

    /** A list to choose from; filling it chooses nothing. */
    private static final class Choice<T> extends ComboBox<String> {
        private final Supplier<List<Option<T>>> all;
        private final Supplier<T> now;
        private List<Option<T>> options = List.of();
        private boolean filling;

        Choice(String key, Supplier<List<Option<T>>> all, Consumer<T> choose, Supplier<T> now) {
            this.all = all;
            this.now = now;
            setId("pair-" + key);
            setAccessibleText(Texts.of("pair." + key + ".help"));
            Tip.on(this, Texts.of("pair." + key + ".help"));
            setMaxWidth(Double.MAX_VALUE);
            setPrefWidth(10);
            HBox.setHgrow(this, Priority.ALWAYS);
            setOnAction(e -> {
                int chosen = getSelectionModel().getSelectedIndex();
                if (!filling && chosen >= 0 && chosen < options.size()) {
                    choose.accept(options.get(chosen).value());
                }
            });
        }

        void fill() {
            filling = true;
            options = all.get();
            List<String> words = options.stream().map(Option::words).toList();
            if (!words.equals(getItems())) {
                getItems().setAll(words);
            }
            int chosen = options.stream().map(Option::value).toList().indexOf(now.get());
            getSelectionModel().select(Math.max(0, chosen));
            filling = false;
        }
    }

    private List<Option<Optional<String>>> samples() {
        List<Option<Optional<String>>> all = new ArrayList<>();
        all.add(new Option<>(Optional.empty(), Texts.of("pair.sample.same")));
        Study study = desk.study().get();
        study.samples()
                .forEach(id -> all.add(new Option<>(
                        Optional.of(id), study.sample(id).orElseThrow().name())));
        return all;
    }

    private List<Option<Optional<String>>> methods() {
        List<Option<Optional<String>>> all = new ArrayList<>();
        Study study = desk.study().get();
        String own = study.sample(pair.sampleId())
                .map(s -> study.method(s.method()).name())
                .orElse("");
        all.add(new Option<>(Optional.empty(), Texts.of("pair.method.own", own)));
        study.methods()
                .forEach(id ->
                        all.add(new Option<>(Optional.of(id), study.method(id).name())));
        return all;
    }

    private List<Option<Place>> places() {
        List<Option<Place>> all = new ArrayList<>();
        all.add(new Option<>(Place.PICTURE, Texts.of("pair.place.picture")));
        all.add(new Option<>(Place.SAME, Texts.of("pair.place.same")));
        all.add(new Option<>(Place.BEFORE, Texts.of("pair.place.before")));
        Method method = desk.study().get().method(pair.methodId());
        for (int i = 0; i < method.steps().size(); i++) {
            all.add(new Option<>(
                    new Place(PairModel.At.STATION, method.steps().get(i).id()), station(method, i)));
        }
        all.add(new Option<>(Place.END, Texts.of("pair.place.end")));
        return all;
    }

    /** As it stands on the method line. */
    static String station(Method method, int index) {
        return (index + 1) + "  " + Words.title(method.steps().get(index).description());
    }

    private static List<Option<PairLook>> looks() {
        return Arrays.stream(PairLook.values())
                .map(l -> new Option<>(l, Texts.of("pair.look." + ChoiceSetting.word(l))))
                .toList();
    }

    private MenuButton more(Runnable save, Runnable keep) {
        MenuButton more = new MenuButton(Texts.of("pair.more"));
        more.setId("pair-more");
        more.setMinWidth(USE_PREF_SIZE);
        more.getItems()
                .addAll(
                        item("swap", () -> pair.swapped().set(!pair.swapped().get())),
                        item("turn", () -> pair.stacked().set(!pair.stacked().get())),
                        item("save", save),
                        item("keep", keep),
                        item("close", () -> pair.open().set(false)));
        return more;
    }

    private static MenuItem item(String key, Runnable does) {
        MenuItem item = new MenuItem(Texts.of("pair." + key));
        item.setId("pair-" + key);
        item.setOnAction(e -> does.run());
        return item;
    }
}
