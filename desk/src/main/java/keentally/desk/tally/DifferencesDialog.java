package keentally.desk.tally;

import java.awt.image.BufferedImage;
import java.util.function.Consumer;
import javafx.scene.Scene;
import javafx.scene.control.Label;
import javafx.scene.image.ImageView;
import javafx.scene.layout.VBox;
import keentally.core.agree.CountDifferences;
import keentally.core.words.Figures;
import keentally.desk.look.Ask;
import keentally.desk.look.Pieces;
import keentally.desk.look.PlotImages;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.study.plot.DifferencePlot;

/** The counts of several samples held together: a plot, its numbers, and a way to take it away. */
final class DifferencesDialog {
    private static final double WIDTH = 560;

    private DifferencesDialog() {}

    /**
     * @param drawn the plot in the theme's colours
     * @param saving asks for a file's name and writes the plot into it
     */
    static void show(Scene owner, DifferencePlot plot, BufferedImage drawn, Consumer<DifferencePlot> saving) {
        ImageView picture = new ImageView(PlotImages.of(drawn));
        picture.setFitWidth(WIDTH);
        picture.setPreserveRatio(true);
        picture.setId("differences-plot");
        CountDifferences of = plot.of();
        Label told = Prose.of(
                Texts.of(
                        "differences.told",
                        plot.second(),
                        plot.first(),
                        signed(of.mean()),
                        signed(of.lower()),
                        signed(of.upper()),
                        Figures.number(of.pairs().size())),
                "figure-line");
        told.setId("differences-told");
        Ask.show(
                owner,
                Texts.of("differences.title"),
                new VBox(
                        10,
                        picture,
                        told,
                        Pieces.button("differences-save", "differences.save", () -> saving.accept(plot))));
    }

    private static String signed(double value) {
        return Double.isNaN(value) ? Figures.number(value) : (value > 0 ? "+" : "") + Figures.fixed(value, 1);
    }
}
