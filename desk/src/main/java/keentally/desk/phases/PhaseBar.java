package keentally.desk.phases;

import java.util.List;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import keentally.core.words.Figures;
import keentally.desk.look.Texts;
import keentally.desk.look.Tip;

/** The whole as a bar, its phases as pieces of it in their colours. */
final class PhaseBar extends HBox {
    private static final double HEIGHT = 26;
    private static final double LOW = 17;
    private static final double TITLE = 134;
    private static final double TOLD = 46;

    /**
     * A piece.
     *
     * @param percent of the whole
     * @param ink packed
     */
    record Piece(String name, double percent, int ink) {}

    /** @param title what it is the bar of; empty where that is plain */
    PhaseBar(String title, List<Piece> pieces) {
        getStyleClass().add("phase-bar");
        double height = title.isEmpty() ? HEIGHT : LOW;
        if (!title.isEmpty()) {
            Label of = new Label(title);
            of.setMinWidth(TITLE);
            of.setMaxWidth(TITLE);
            Tip.on(of, title);
            getChildren().add(of);
        }
        Pane bar = new Pane() {
            @Override
            protected void layoutChildren() {
                double at = 0;
                for (int i = 0; i < pieces.size(); i++) {
                    double wide = getWidth() * pieces.get(i).percent() / 100;
                    Region region = (Region) getChildren().get(i);
                    region.resizeRelocate(at, 0, wide, height);
                    region.lookupAll(".label").forEach(l -> l.setVisible(wide > TOLD));
                    at += wide;
                }
            }
        };
        bar.setMinHeight(height);
        bar.setPrefHeight(height);
        bar.setMaxHeight(height);
        HBox.setHgrow(bar, Priority.ALWAYS);
        for (Piece piece : pieces) {
            Label told = new Label(Figures.percent(piece.percent()) + "\u00a0%");
            told.getStyleClass().add("figure");
            boolean dark = (piece.ink() >> 16 & 255) * 0.2126
                            + (piece.ink() >> 8 & 255) * 0.7152
                            + (piece.ink() & 255) * 0.0722
                    < 128;
            told.setStyle("-fx-text-fill: " + (dark ? "#ffffff" : "#1e2730"));
            HBox box = new HBox(told);
            box.getStyleClass().add("phase-piece");
            box.setStyle(String.format("-fx-background-color: #%06x", piece.ink() & 0xffffff));
            Tip.on(box, Texts.of("phases.piece", piece.name(), Figures.percent(piece.percent())));
            bar.getChildren().add(box);
        }
        getChildren().add(bar);
    }
}
