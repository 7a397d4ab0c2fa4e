package keentally.desk.station;

import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.util.StringConverter;
import keentally.core.measure.Measure;
import keentally.core.setting.AreaSetting;
import keentally.core.setting.ChannelSetting;
import keentally.core.setting.ChoiceSetting;
import keentally.core.setting.FlagSetting;
import keentally.core.setting.LengthSetting;
import keentally.core.setting.LimitSetting;
import keentally.core.setting.ListSetting;
import keentally.core.setting.NameSetting;
import keentally.core.setting.NumberSetting;
import keentally.core.setting.RangeSetting;
import keentally.core.setting.ReferenceSetting;
import keentally.core.setting.Setting;
import keentally.core.words.Words;
import keentally.desk.look.AmountField;
import keentally.desk.look.MeasureCell;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.look.Tip;
import keentally.desk.look.Typed;

/** A setting's name and the control that its kind asks for, made from its description alone. */
final class SettingRow extends VBox {
    private static final double FINER = 0.1;

    private final Tuning tuning;
    private final Label complaint = Prose.complaint();

    SettingRow(Tuning tuning, Setting<?> setting) {
        this.tuning = tuning;
        getStyleClass().add("setting");
        String name = Words.label(tuning.step().description(), setting);
        Node control = control(setting, name);
        control.setId("setting-" + setting.id());
        if (setting instanceof FlagSetting) {
            getChildren().addAll(control, complaint);
        } else if (setting instanceof RangeSetting) {
            getChildren().addAll(inOneLine(name, control), complaint);
        } else {
            Label label = new Label(name);
            label.getStyleClass().add("setting-name");
            label.setLabelFor(control);
            getChildren().addAll(label, row(setting, control), complaint);
        }
        Words.help(tuning.step().description(), setting)
                .ifPresent(help -> getChildren().add(Prose.of(help, "hint")));
        if (setting instanceof ChoiceSetting<?> choice) {
            hint(choice);
        }
    }

    private static Node inOneLine(String name, Node control) {
        Label label = new Label(name);
        label.getStyleClass().add("setting-name");
        label.setLabelFor(control);
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        HBox row = new HBox(label, gap, control);
        row.getStyleClass().add("setting-row");
        return row;
    }

    private <E extends Enum<E>> void hint(ChoiceSetting<E> setting) {
        E chosen = tuning.step().values().get(setting);
        Words.help(tuning.step().description(), setting, chosen)
                .ifPresent(help -> getChildren().add(Prose.of(help, "hint")));
    }

    private Node control(Setting<?> setting, String name) {
        return switch (setting) {
            case ChannelSetting channel -> channel(channel);
            case ChoiceSetting<?> choice -> choice(choice);
            case FlagSetting flag -> flag(flag, name);
            case NumberSetting number -> field(number);
            case LengthSetting length -> field(length);
            case AreaSetting area -> field(area);
            case LimitSetting limit -> field(limit);
            case RangeSetting range -> field(range);
            case ReferenceSetting reference -> new ReferenceField(tuning, reference);
            case NameSetting given -> field(given);
            case ListSetting<?> list -> field(list);
        };
    }

    /** Lengths and areas have a pair of buttons that make them a tenth smaller or larger. */
    private Node row(Setting<?> setting, Node control) {
        HBox.setHgrow(control, Priority.ALWAYS);
        HBox row = new HBox(control);
        row.getStyleClass().add("setting-row");
        if (setting instanceof NumberSetting number && number.whole()) {
            row.getChildren()
                    .addAll(Stepper.button("−", () -> count(number, -1)), Stepper.button("+", () -> count(number, 1)));
        }
        if (setting instanceof LengthSetting || setting instanceof AreaSetting) {
            row.getChildren()
                    .addAll(
                            Stepper.button("−", () -> scale(setting, 1 - FINER)),
                            Stepper.button("+", () -> scale(setting, 1 + FINER)));
        }
        return row;
    }

    private void count(NumberSetting setting, int by) {
        double to = tuning.step().values().get(setting) + by;
        if (to >= setting.least() && to <= setting.most()) {
            tuning.set(setting, to);
        }
    }

    private void scale(Setting<?> setting, double factor) {
        Object tree = tuning.tree(setting);
        if (tree instanceof String text) {
            Stepper.scaled(text, factor).ifPresent(t -> tuning.set(setting, t));
        }
    }

    private <E extends Enum<E>> ComboBox<E> choice(ChoiceSetting<E> setting) {
        ComboBox<E> box = new ComboBox<>();
        box.getItems().setAll(setting.constants());
        if (setting.constants().getFirst() instanceof Measure) {
            group(box);
        }
        box.setMaxWidth(Double.MAX_VALUE);
        box.setConverter(new StringConverter<>() {
            @Override
            public String toString(E word) {
                return word == null ? "" : Words.label(tuning.step().description(), setting, word);
            }

            @Override
            public E fromString(String text) {
                throw new UnsupportedOperationException("words are chosen, not typed");
            }
        });
        box.setValue(tuning.step().values().get(setting));
        box.setOnAction(e -> {
            E now = tuning.step().values().get(setting);
            if (box.getValue() != now) {
                tuning.choose(setting, box.getValue(), () -> {
                    if (!tuning.isStale()) {
                        box.setValue(tuning.step().values().get(setting));
                    }
                });
            }
        });
        return box;
    }

    /** Measures stand in their groups. */
    @SuppressWarnings("unchecked") // a list that holds one measure holds measures
    private static void group(ComboBox<?> box) {
        ComboBox<Measure> measures = (ComboBox<Measure>) box;
        measures.getItems().setAll(Measure.grouped());
        measures.setCellFactory(list -> new MeasureCell(Words::title));
    }

    /** The words that are always known, and before them the sample's own channels. */
    private ComboBox<String> channel(ChannelSetting setting) {
        ComboBox<String> box = new ComboBox<>();
        box.getItems().setAll(tuning.channels(setting.words()));
        box.setEditable(true);
        box.setMaxWidth(Double.MAX_VALUE);
        box.setValue(tuning.step().values().get(setting));
        box.setOnAction(e -> {
            if (!tuning.isStale() && !box.getValue().equals(tuning.tree(setting))) {
                tuning.set(setting, box.getValue());
            }
        });
        return box;
    }

    private CheckBox flag(FlagSetting setting, String name) {
        CheckBox box = new CheckBox(name);
        box.setSelected(tuning.step().values().get(setting));
        box.setOnAction(e -> tuning.set(setting, box.isSelected()));
        return box;
    }

    private TextField field(Setting<?> setting) {
        TextField field = field(setting, tuning.text(setting));
        field.setPromptText(Texts.of("setting.none"));
        Tip.on(field, Texts.of("setting.kind." + setting.kind()));
        Typed.in(field, () -> commit(setting, field));
        return field;
    }

    private static TextField field(Setting<?> setting, String text) {
        return switch (setting) {
            case NumberSetting number -> AmountField.number(text);
            case LengthSetting length -> AmountField.withUnit(text);
            case LimitSetting limit -> AmountField.withUnit(text);
            case AreaSetting area when area.allWord().isEmpty() -> AmountField.withUnit(text);
            default -> new TextField(text);
        };
    }

    private void commit(Setting<?> setting, TextField field) {
        if (tuning.isStale()) {
            return;
        }
        String text = field.getText().strip();
        if (text.equals(tuning.text(setting))) {
            complaint.setVisible(false);
            return;
        }
        try {
            if (text.isEmpty()) {
                tuning.clear(setting);
            } else {
                tuning.set(setting, SettingText.tree(setting, text));
            }
            complaint.setVisible(false);
        } catch (IllegalArgumentException e) {
            complaint.setText(Texts.complaint(e.getMessage()));
            complaint.setVisible(true);
        }
    }
}
