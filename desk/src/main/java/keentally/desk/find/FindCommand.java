package keentally.desk.find;

import java.util.List;
import javafx.geometry.Bounds;
import javafx.scene.Scene;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.stage.Popup;
import keentally.desk.find.Commands.Command;
import keentally.desk.look.Texts;

/** Any command, setting, measure, caution or part of the help by typing part of its name or of what it is good for. */
public final class FindCommand {
    private static final double WIDTH = 520;
    private static final double ROW = 44;
    private static final int MOST_ROWS = 7;

    private final Commands commands;
    private final Places places;
    private List<Command> known = List.of();
    private final Popup popup = new Popup();
    private final TextField typed = new TextField();
    private final ListView<Command> list = new ListView<>();
    private final VBox box = new VBox(typed, list);

    public FindCommand(Commands commands, Places places) {
        this.commands = commands;
        this.places = places;
        box.getStyleClass().add("find-command");
        box.setPrefWidth(WIDTH);
        typed.setId("find-typed");
        typed.setPromptText(Texts.of("find.prompt"));
        list.setId("find-list");
        list.setFixedCellSize(ROW);
        list.setFocusTraversable(false);
        list.setPlaceholder(new Label(Texts.of("find.none")));
        list.setCellFactory(l -> new Cell());
        list.setOnMouseClicked(e -> run());
        typed.textProperty().addListener(o -> fill());
        typed.addEventFilter(KeyEvent.KEY_PRESSED, this::pressed);
        popup.getContent().add(box);
        popup.setAutoHide(true);
        popup.setHideOnEscape(true);
    }

    public void show(Scene scene) {
        known = places.all();
        box.getStylesheets().setAll(scene.getStylesheets());
        popup.getScene().getStylesheets().setAll(scene.getStylesheets());
        typed.clear();
        fill();
        Bounds window = scene.getRoot().localToScreen(scene.getRoot().getBoundsInLocal());
        popup.show(scene.getWindow(), window.getCenterX() - WIDTH / 2, window.getMinY() + 70);
        typed.requestFocus();
    }

    private void fill() {
        list.getItems().setAll(commands.like(typed.getText(), known));
        list.getSelectionModel().selectFirst();
        list.scrollTo(0);
        double rows = Math.clamp(list.getItems().size(), 1, MOST_ROWS);
        list.setPrefHeight(rows * ROW + 4);
    }

    private void pressed(KeyEvent e) {
        switch (e.getCode()) {
            case DOWN -> list.getSelectionModel().selectNext();
            case UP -> list.getSelectionModel().selectPrevious();
            case ENTER -> run();
            default -> {
                return;
            }
        }
        list.scrollTo(Math.max(0, list.getSelectionModel().getSelectedIndex() - MOST_ROWS + 2));
        e.consume();
    }

    private void run() {
        Command chosen = list.getSelectionModel().getSelectedItem();
        popup.hide();
        if (chosen != null) {
            chosen.does().run();
        }
    }

    /** Title and keys, and below what it is good for. */
    private static final class Cell extends ListCell<Command> {
        @Override
        protected void updateItem(Command command, boolean empty) {
            super.updateItem(command, empty);
            if (empty || command == null) {
                setGraphic(null);
                return;
            }
            Label title = new Label(command.title());
            title.getStyleClass().add("find-title");
            Region gap = new Region();
            HBox.setHgrow(gap, Priority.ALWAYS);
            Label keys = new Label(command.keys());
            keys.getStyleClass().add("hint");
            Label purpose = new Label(command.purpose());
            purpose.getStyleClass().add("hint");
            setGraphic(new VBox(new HBox(title, gap, keys), purpose));
        }
    }
}
