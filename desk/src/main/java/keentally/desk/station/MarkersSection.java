package keentally.desk.station;

import java.io.File;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import javafx.application.Platform;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;
import javafx.stage.FileChooser.ExtensionFilter;
import keentally.core.geometry.Point;
import keentally.core.hand.Seeds;
import keentally.core.quantity.PixelSize;
import keentally.core.run.Run;
import keentally.core.setting.ChoiceSetting;
import keentally.core.step.Finding;
import keentally.core.words.Figures;
import keentally.desk.look.Pieces;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskFiles;
import keentally.desk.model.DeskModel;
import keentally.desk.model.Newest;
import keentally.desk.stage.MarkerTool;
import keentally.desk.stage.StageTool;
import keentally.study.file.FileFault;
import keentally.study.result.PointsFile;

/** Where the regions of a station began: how many markers; taken over to be placed by hand; as a file, out and in. */
final class MarkersSection extends VBox {
    private final DeskModel desk;
    private final Tuning tuning;
    private final String stepId;
    private final ChoiceSetting<?> setting;
    private final Label count = Prose.of("", "figure-line");
    private final MarkerTool tool;
    private final Newest newest;

    /** @param setting what the regions begin at, where one choice is those that are placed */
    MarkersSection(DeskModel desk, Tuning tuning, String stepId, ChoiceSetting<?> setting) {
        this.desk = desk;
        this.tuning = tuning;
        this.stepId = stepId;
        this.setting = setting;
        this.tool = new MarkerTool(this::kept, seeds -> tuning.keepHand(seeds, Texts.of("markers.did.moved")));
        this.newest = new Newest(desk, Platform::runLater);
        getStyleClass().add("markers-section");
        count.setId("markers-count");
        FlowPane buttons = new FlowPane(6, 6);
        getChildren().addAll(count, buttons);
        if (isPlaced()) {
            buttons.getChildren()
                    .add(Pieces.button(
                            "markers-clear",
                            "markers.clear",
                            () -> tuning.keepHand(Seeds.NONE, Texts.of("markers.did.clear"))));
        } else {
            buttons.getChildren().add(Pieces.button("markers-place", "markers.place", this::takeOver));
        }
        buttons.getChildren()
                .addAll(
                        Pieces.button("markers-in", "markers.in", this::askIn),
                        Pieces.button("markers-out", "markers.out", this::askOut));
        refresh();
    }

    private boolean isPlaced() {
        return tuning.is(setting, "placed");
    }

    /** Places, moves and removes markers on the stage, where they are placed by hand. */
    Optional<StageTool> tool() {
        return isPlaced() ? Optional.of(tool) : Optional.empty();
    }

    private List<Point> kept() {
        return tuning.hand()
                .filter(Seeds.class::isInstance)
                .map(s -> ((Seeds) s).places())
                .orElse(List.of());
    }

    private List<Point> found() {
        Optional<Finding.Marks> marks =
                desk.reached(stepId).map(Run.Station::findings).flatMap(f -> f.markers());
        return marks.map(m -> Arrays.stream(m.pixels())
                        .mapToObj(p -> new Point(p % m.width() + 0.5, p / m.width() + 0.5))
                        .toList())
                .orElse(List.of());
    }

    private void takeOver() {
        place(found(), Texts.of("markers.did.place"));
    }

    private void place(List<Point> places, String title) {
        if (!tuning.isStale()) {
            String sample = desk.sampleId().get();
            String method = desk.methodId();
            var values = tuning.valuesWith(setting.id(), "placed");
            desk.change(
                    title,
                    m -> m.with(stepId, values),
                    s -> s.withHand(sample, method, stepId, Optional.of(new Seeds(places))));
        }
    }

    private FileChooser chooser(String key) {
        FileChooser chooser = new FileChooser();
        chooser.setTitle(Texts.of(key));
        chooser.getExtensionFilters().add(new ExtensionFilter("CSV", "*.csv"));
        return chooser;
    }

    private void askIn() {
        File chosen = chooser("markers.in").showOpenDialog(getScene().getWindow());
        if (chosen != null) {
            read(chosen.toPath());
        }
    }

    /** Places from a file, instead of those there are. */
    void read(Path file) {
        PixelSize size = desk.pixelSize();
        desk.open()
                .get()
                .map(o -> o.file().picture())
                .ifPresent(picture -> newest.ask(work -> {
                    try {
                        List<Point> places = PointsFile.read(file, size, picture.width(), picture.height());
                        return () -> {
                            place(places, Texts.of("markers.did.in", file.getFileName()));
                            sayOutside(places);
                        };
                    } catch (FileFault e) {
                        return () -> desk.say(Texts.fault(e));
                    }
                }));
    }

    private void sayOutside(List<Point> places) {
        desk.shown().get().map(s -> s.run().sample().field()).ifPresent(field -> {
            long outside = places.stream()
                    .filter(p -> !field.contains((int) Math.floor(p.x()), (int) Math.floor(p.y())))
                    .count();
            if (outside > 0) {
                desk.say(Texts.of("markers.outside", Figures.number(outside), Figures.number(places.size())));
            }
        });
    }

    private void askOut() {
        FileChooser chooser = chooser("markers.out");
        chooser.setInitialFileName(desk.sample().map(s -> s.name()).orElse("picture") + "-points.csv");
        File chosen = chooser.showSaveDialog(getScene().getWindow());
        if (chosen != null) {
            write(chosen.toPath());
        }
    }

    /** The places that there are, into a file. */
    void write(Path file) {
        List<Point> places = found();
        PixelSize size = desk.pixelSize();
        new DeskFiles(desk, Platform::runLater).takeFile(file, to -> PointsFile.write(to, places, size));
    }

    void refresh() {
        count.setText(
                isPlaced()
                        ? Texts.of("markers.placed", Figures.number(kept().size()))
                        : Texts.of("markers.count", Figures.number(found().size())));
    }
}
